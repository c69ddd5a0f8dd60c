import type { Film } from '@tidy-reel/core/document/film-scenes'
import { cardSupers, type SegmentShot } from '@tidy-reel/core/film/shots'
import { filmCues } from '@tidy-reel/core/film/subtitles/film-cues'
import { assDocument } from '@tidy-reel/core/film/supers/ass'
import { filmSupers } from '@tidy-reel/core/film/supers/supers'
import { sampleAtFrame } from '@tidy-reel/core/time/time'
import type { Timeline } from '@tidy-reel/core/timeline/timeline'

/**
 * Everything written on a film, as one ASS document for the monitor: the render writes the same,
 * scene by scene.
 */
export function filmLetters(
  film: Timeline,
  plan: Film,
  shots: readonly SegmentShot[][],
  width: number,
  height: number,
): string {
  const cards = film.scenes.flatMap((scene, n) => {
    const at = sampleAtFrame(scene.startFrame, film.fps)
    return cardSupers(shots[n]!, film.fps).map((card) => ({
      ...card,
      start: card.start + at,
      end: card.end + at,
    }))
  })
  return assDocument({
    width,
    height,
    cues: filmCues(film, width, height),
    supers: [...filmSupers(film, plan), ...cards],
  })
}
