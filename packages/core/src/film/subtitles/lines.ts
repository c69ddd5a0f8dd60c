import { itemAt } from '../../faults/certain.ts'
import { BOUND } from './bound-words.ts'
import type { SubtitleLimits } from './limits.ts'

/** True when the words can stand in the allowed lines. */
export function fitsLines(
  words: readonly string[],
  { charactersPerLine, lines }: SubtitleLimits,
): boolean {
  let used = 1
  let length = -1
  for (const word of words) {
    if (word.length > charactersPerLine) return false
    if (length + 1 + word.length > charactersPerLine) {
      used++
      length = word.length
    } else {
      length += 1 + word.length
    }
  }
  return used <= lines
}

/**
 * Lines of a subtitle: one when it fits, else two, parted at the end of a phrase and near the
 * middle, the upper one rather the shorter. A word longer than a line is left whole.
 *
 * @returns one or two lines, of which none is empty unless there are no words
 */
export function brokenLines(
  words: readonly string[],
  { charactersPerLine }: SubtitleLimits,
): string[] {
  const whole = words.join(' ')
  if (whole.length <= charactersPerLine || words.length < 2) return [whole]
  let best = 1
  let bestCost = Infinity
  for (let i = 1; i < words.length; i++) {
    const upper = words.slice(0, i).join(' ')
    const lower = words.slice(i).join(' ')
    const over =
      Math.max(0, upper.length - charactersPerLine) + Math.max(0, lower.length - charactersPerLine)
    const cost =
      over * 100 +
      Math.abs(upper.length - lower.length) * 0.25 +
      (upper.length > lower.length ? 1 : 0) +
      lineEndCost(words, i)
    if (cost < bestCost) {
      bestCost = cost
      best = i
    }
  }
  return [words.slice(0, best).join(' '), words.slice(best).join(' ')]
}

function lineEndCost(words: readonly string[], i: number): number {
  const before = itemAt(words, i - 1)
  if (/[.!?;:,—–]["'’”»)]*$/.test(before)) return 0
  if (BOUND.has(before.toLowerCase())) return 8
  const names = /^\p{Lu}/u.test(before) && /^\p{Lu}/u.test(itemAt(words, i))
  if (names) return 6
  return BOUND.has(itemAt(words, i).toLowerCase()) ? 1.5 : 3
}
