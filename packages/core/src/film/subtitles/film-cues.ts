import type { Timeline } from '../../timeline/timeline.ts'
import { type Cue, cuesFromWords } from './cues.ts'
import { subtitleLimits } from './limits.ts'

/**
 * The subtitles of a film of this shape.
 *
 * @param width  of the film, in pixels
 * @param height of the film, in pixels
 * @returns in order, none over another; `[]` where nothing is spoken
 */
export function filmCues(timeline: Timeline, width: number, height: number): Cue[] {
  const words = timeline.scenes.flatMap((scene) =>
    scene.words.map((word, i) => ({ ...word, endsScene: i === scene.words.length - 1 })),
  )
  return cuesFromWords(words, subtitleLimits(width, height, timeline.fps[0] / timeline.fps[1]))
}
