import type { SpokenForm } from '../text/spoken-form.ts'
import { SAMPLE_RATE } from '../time/time.ts'
import type { Span } from './marks.ts'

/** Seconds of silence at a mark inside a sentence, at the usual pace (common practice). */
const SECONDS = { comma: 0.25, colon: 0.4 }
/** A silence belongs to the place between two words when it reaches this near, in seconds. */
const NEAR_SECONDS = 0.08

const COLON = /[;:—–；：؛]/
const COMMA = /[,、，،]/

/** Seconds of silence that stand behind each spoken word, 0 where no mark does. */
function secondsBehind({ text, words }: SpokenForm): number[] {
  let at = 0
  const starts = words.map((word) => {
    const found = text.indexOf(word.text, at)
    if (found >= 0) at = found + word.text.length
    return found
  })
  return starts.map((start, i) => {
    const next = starts[i + 1] ?? -1
    if (start < 0 || next < 0) return 0
    const behind = /[^\p{L}\p{N}]*$/u.exec(text.slice(start, next))?.[0] ?? ''
    if (COLON.test(behind)) return SECONDS.colon
    return COMMA.test(behind) ? SECONDS.comma : 0
  })
}

/**
 * How long silences inside a take are to be at the least, by the marks they stand at. A mark at
 * which a voice made no silence gets none: there is no place to cut.
 *
 * @param spans  of the spoken words, samples
 * @param silent stretches inside the take, in order, samples
 * @param factor of all pauses
 * @returns samples, one a silence; 0 for one at no mark
 */
export function leastSilences(
  form: SpokenForm,
  spans: readonly Span[],
  silent: readonly Span[],
  factor: number,
): number[] {
  const least = silent.map(() => 0)
  const near = NEAR_SECONDS * SAMPLE_RATE
  secondsBehind(form).forEach((seconds, i) => {
    const [before, after] = [spans[i], spans[i + 1]]
    if (!seconds || !before || !after) return
    const inReach = silent.flatMap(([from, to], s) =>
      to > before[1] - near && from < after[0] + near ? [{ s, length: to - from }] : [],
    )
    const longest = inReach.sort((a, b) => b.length - a.length)[0]
    if (!longest) return
    least[longest.s] = Math.max(least[longest.s] ?? 0, Math.round(seconds * factor * SAMPLE_RATE))
  })
  return least
}
