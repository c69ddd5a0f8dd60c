import { itemAt } from '../../faults/certain.ts'
import { leans } from './bound-words.ts'
import type { SubtitleLimits } from './limits.ts'

/** What stands in a line: a word, or a piece of one that goes on from the piece before. */
export interface LineWord {
  text: string
  glued?: boolean
  /** Begins a line, by a person's wish. */
  breaks?: boolean
}

type LineLimits = Pick<SubtitleLimits, 'charactersPerLine' | 'widest' | 'width'>

/** Words as a line has them. @example joined([{ text: 'It' }, { text: 'turns.' }]) // => 'It turns.' */
export const joined = (words: readonly LineWord[]): string =>
  words.map(({ text, glued }, i) => (i === 0 || glued ? text : ` ${text}`)).join('')

/** True when the words can stand in the allowed lines. */
export function fitsLines(
  words: readonly LineWord[],
  limits: LineLimits & Pick<SubtitleLimits, 'lines'>,
): boolean {
  const { charactersPerLine, widest, width } = limits
  const parts = partsByHand(words)
  if (parts.length > 1)
    return (
      parts.length <= limits.lines &&
      parts.every((part) => fitsLines(part, { ...limits, lines: 1 }))
    )
  let used = 1
  let length = 0
  let wide = 0
  for (const { text, glued } of words) {
    if (text.length > charactersPerLine || width(text) > widest) return false
    const space = length > 0 && !glued
    const longer = length + (space ? 1 : 0) + text.length
    const wider = wide + (space ? width(' ') : 0) + width(text)
    const isOver = longer > charactersPerLine || wider > widest
    if (isOver) used++
    length = isOver ? text.length : longer
    wide = isOver ? width(text) : wider
  }
  return used <= limits.lines
}

/** Words parted where a person wants a line to begin; the first word begins one anyway. */
function partsByHand<Word extends LineWord>(words: readonly Word[]): Word[][] {
  const parts: Word[][] = []
  for (const { breaks, ...word } of words) {
    const last = parts.at(-1)
    if (last && !breaks) last.push(word as Word)
    else parts.push([word as Word])
  }
  return parts
}

/**
 * Lines of a subtitle: as a person parted it, else one when it fits, else two, parted at the end of a phrase and near the
 * middle, the upper one rather the shorter. A word longer than a line is left whole.
 *
 * @returns lines, of which none is empty; `[]` for no words
 */
export function brokenLines<Word extends LineWord>(
  words: readonly Word[],
  limits: LineLimits,
): Word[][] {
  const over = (line: readonly LineWord[]) => {
    const text = joined(line)
    const letters = Math.max(0, text.length - limits.charactersPerLine)
    return letters + Math.max(0, (limits.width(text) / limits.widest - 1) * text.length)
  }
  const parts = partsByHand(words)
  if (parts.length > 1 || over(words) === 0 || words.length < 2) return parts
  let best = 1
  let bestCost = Infinity
  for (let i = 1; i < words.length; i++) {
    const [upper, lower] = [words.slice(0, i), words.slice(i)]
    const [a, b] = [joined(upper).length, joined(lower).length]
    const cost =
      (over(upper) + over(lower)) * 100 +
      Math.abs(a - b) * 0.25 +
      (a > b ? 1 : 0) +
      lineEndCost(words, i)
    if (cost < bestCost) {
      bestCost = cost
      best = i
    }
  }
  return [words.slice(0, best), words.slice(best)]
}

function lineEndCost(words: readonly LineWord[], i: number): number {
  const { text: before } = itemAt(words, i - 1)
  const { text: after, glued } = itemAt(words, i)
  if (glued) return 10
  if (/[.!?;:,—–]["'’”»)]*$/.test(before)) return 0
  if (leans(before)) return 8
  const names = /^\p{Lu}/u.test(before) && /^\p{Lu}/u.test(after)
  if (names) return 6
  return leans(after) ? 1.5 : 3
}
