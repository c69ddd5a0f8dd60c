import type { SubtitleStyle } from '../../style/lettering.ts'
import type { Timeline, TimelineScene } from '../../timeline/timeline.ts'
import { frameOf } from '../lettering/frame.ts'
import { fittingPieces } from '../lettering/text-lines.ts'
import { type Cue, cuesFromWords, type CueWord } from './cues.ts'
import { type SubtitleLimits, subtitleLimits } from './limits.ts'

/**
 * The subtitles of a film of this shape.
 *
 * @param width  of the film, in pixels
 * @param height of the film, in pixels
 * @returns in order, none over another; `[]` where nothing is spoken
 */
export function filmCues(
  timeline: Timeline,
  style: SubtitleStyle,
  { width, height }: { width: number; height: number },
): Cue[] {
  const framesPerSecond = timeline.fps[0] / timeline.fps[1]
  const limits = subtitleLimits(style, frameOf(width, height), framesPerSecond)
  return cuesFromWords(
    timeline.scenes.flatMap((scene) => sceneWords(scene, limits)),
    limits,
  )
}

/** The words of a scene; one that no line holds is parted, each piece with its share of the time. */
function sceneWords({ words }: TimelineScene, limits: SubtitleLimits): CueWord[] {
  const fits = (text: string) =>
    text.length <= limits.charactersPerLine && limits.width(text) <= limits.widest
  return words.flatMap((word, w) => {
    const pieces = fittingPieces(word.text, fits)
    let passed = 0
    return pieces.map((text, i): CueWord => {
      const at = (letters: number) =>
        Math.round(word.start + ((word.end - word.start) * letters) / word.text.length)
      const start = at(passed)
      passed += text.length
      return {
        text,
        start,
        end: at(passed),
        endsScene: w === words.length - 1 && i === pieces.length - 1,
        ...(i > 0 ? { glued: true } : {}),
      }
    })
  })
}
