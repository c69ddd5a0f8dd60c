import { diffIndices } from 'node-diff3'
import { itemAt } from '../faults/certain.ts'
import { sentencesAndSpaces, tokensOf } from './text-tokens.ts'

/** A stretch of a text that gives way to other words; `from` equals `to` where some are put in. */
export interface TextChange {
  /** Characters, of the text before. */
  from: number
  to: number
  insert: string
}

/** Items of a list that give way to others. */
export interface ListChange {
  from: number
  to: number
  insert: string[]
}

/**
 * Pairs of equal items up to which two lists are compared item by item: beyond, as with one word
 * pasted ten thousand times, comparing would take longer than anybody waits.
 */
const MOST_PAIRS = 1_000_000

/**
 * What makes of one list another: stretches in order, no two touching.
 *
 * @returns one stretch for all that differs where too many items are alike
 */
export function listChanges(before: readonly string[], after: readonly string[]): ListChange[] {
  const shorter = Math.min(before.length, after.length)
  let head = 0
  while (head < shorter && before[head] === after[head]) head++
  let tail = 0
  while (tail < shorter - head && before.at(-1 - tail) === after.at(-1 - tail)) tail++
  const [left, right] = [
    before.slice(head, before.length - tail),
    after.slice(head, after.length - tail),
  ]
  if (!left.length && !right.length) return []
  if (!left.length || !right.length || pairsOf(left, right) > MOST_PAIRS)
    return [{ from: head, to: head + left.length, insert: right }]
  return diffIndices(left, right).map(({ buffer1: [from, length], buffer2Content }) => ({
    from: head + from,
    to: head + from + length,
    insert: buffer2Content,
  }))
}

function pairsOf(left: readonly string[], right: readonly string[]): number {
  const counts = new Map<string, number>()
  for (const item of left) counts.set(item, (counts.get(item) ?? 0) + 1)
  return right.reduce((pairs, item) => pairs + (counts.get(item) ?? 0), 0)
}

/**
 * What makes of one text another: changed words, in order, no two touching. Sentences are compared
 * first, and words only within those that changed.
 */
export function changesBetween(before: string, after: string): TextChange[] {
  if (before === after) return []
  const items = sentencesAndSpaces(before)
  const inSentences = asTextChanges(items, listChanges(items, sentencesAndSpaces(after)))
  return inSentences.flatMap(({ from, to, insert }) => {
    const words = tokensOf(before.slice(from, to))
    return asTextChanges(words, listChanges(words, tokensOf(insert))).map((change) => ({
      ...change,
      from: from + change.from,
      to: from + change.to,
    }))
  })
}

/** Changes of a list as changes of its text. */
export function asTextChanges(
  items: readonly string[],
  changes: readonly ListChange[],
): TextChange[] {
  let at = 0
  let characters = 0
  const placeOf = (index: number) => {
    for (; at < index; at++) characters += itemAt(items, at).length
    return characters
  }
  return changes.map(({ from, to, insert }) => ({
    from: placeOf(from),
    to: placeOf(to),
    insert: insert.join(''),
  }))
}

/** @param changes in order, none overlapping another */
export function withChanges(text: string, changes: readonly TextChange[]): string {
  let at = 0
  let changed = ''
  for (const { from, to, insert } of changes) {
    changed += text.slice(at, from) + insert
    at = to
  }
  return changed + text.slice(at)
}

/**
 * Where a place in a text is after changes.
 *
 * @param side of what is put in just there: -1 stays before it, 1 goes behind it
 */
export function placeAfter(changes: readonly TextChange[], place: number, side: -1 | 1): number {
  let shift = 0
  for (const { from, to, insert } of changes) {
    if (to < place || (to === place && (from < to || side > 0)))
      shift += insert.length - (to - from)
    else if (from < place) return from + shift + (side > 0 ? insert.length : 0)
    else break
  }
  return place + shift
}
