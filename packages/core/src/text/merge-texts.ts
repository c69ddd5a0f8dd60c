import { itemAt } from '../faults/certain.ts'
import { asTextChanges, type ListChange, listChanges, withChanges } from './text-changes.ts'
import type { TextRange } from './text-range.ts'
import { sentencesAndSpaces, tokensOf } from './text-tokens.ts'

/** Two ways to say the same, one after the other; empty where one side took the words out. */
export interface BothVersions {
  theirs: TextRange
  mine: TextRange
}

export interface MergedText {
  text: string
  /** Where both changed the same words: both stand there to be settled. */
  conflicts: BothVersions[]
}

/**
 * One text of two that were made from the same, word by word. Words put in on either side are all
 * in it. Where both changed the same words, both versions of their sentences stand in it, theirs
 * first, a line each.
 *
 * @param base what both were made from
 * @example mergeTexts('It burns.', 'It burns low.', 'The lamp burns.').text // => 'The lamp burns low.'
 */
export function mergeTexts(base: string, mine: string, theirs: string): MergedText {
  if (mine === base || mine === theirs) return { text: theirs, conflicts: [] }
  if (theirs === base) return { text: mine, conflicts: [] }
  const items = sentencesAndSpaces(base)
  const meetings = meetingsOf(
    listChanges(items, sentencesAndSpaces(mine)),
    listChanges(items, sentencesAndSpaces(theirs)),
  )
  const merged = new Merging()
  let at = 0
  for (const meeting of meetings) {
    const { from, to, mine: ours, theirs: others } = meeting
    merged.add(items.slice(at, from).join(''))
    at = to
    const was = items.slice(from, to)
    const [left, right] = versionsOf(items, meeting)
    if (!ours.length || left === right) merged.add(right)
    else if (!others.length) merged.add(left)
    else if (from === to) merged.addBeside(right, left)
    else merged.addMet(was.join(''), left, right)
  }
  merged.add(items.slice(at).join(''))
  return { text: merged.text, conflicts: merged.conflicts }
}

/** The text as it grows. */
class Merging {
  text = ''
  readonly conflicts: BothVersions[] = []

  add(words: string) {
    this.text += words
  }
  /** Two additions at the same place; on lines of their own where they would run into each other. */
  addBeside(theirs: string, mine: string) {
    const parted = /[.!?…。！？]["'”’»)\]]*\s*$|\s$/u.test(theirs) && /^\s|\s$/.test(theirs + mine)
    this.text += parted ? theirs + mine : onTwoLines(theirs, mine)
  }
  addMet(base: string, mine: string, theirs: string) {
    const words = wordsMerged(base, mine, theirs)
    if (words !== undefined) return this.add(words)
    const begin = this.text.length
    this.text += onTwoLines(theirs, mine)
    this.conflicts.push({
      theirs: wordsIn(theirs, begin),
      mine: wordsIn(mine, this.text.length - mine.length),
    })
  }
}

/** Where the words of a text stand that begins at a place, without the space around them. */
const wordsIn = (text: string, at: number): TextRange => ({
  from: at + text.length - text.trimStart().length,
  to: at + text.trimEnd().length,
})

const onTwoLines = (first: string, second: string) =>
  first.trim() && second.trim() ? `${first.trimEnd()}\n${second.trimStart()}` : first + second

/** Of two versions of the same sentences; undefined where both changed the same words. */
function wordsMerged(base: string, mine: string, theirs: string): string | undefined {
  const words = tokensOf(base)
  const meetings = meetingsOf(
    listChanges(words, tokensOf(mine)),
    listChanges(words, tokensOf(theirs)),
  )
  const both = meetings.some((meeting) => {
    const [left, right] = versionsOf(words, meeting)
    return meeting.mine.length && meeting.theirs.length && left !== right
  })
  if (both) return undefined
  const once = meetings.flatMap(({ mine: ours, theirs: others }) => (others.length ? others : ours))
  return withChanges(base, asTextChanges(words, once))
}

/** Changes of both sides that lie over each other, or of one alone. */
interface Meeting {
  /** Items of the list. */
  from: number
  to: number
  mine: ListChange[]
  theirs: ListChange[]
}

/**
 * Changes of the same list put together where they overlap. Those that only touch stay apart: their
 * order is plain.
 */
function meetingsOf(mine: readonly ListChange[], theirs: readonly ListChange[]): Meeting[] {
  const all = [
    ...mine.map((change) => ({ change, side: 'mine' as const })),
    ...theirs.map((change) => ({ change, side: 'theirs' as const })),
  ].sort((a, b) => a.change.from - b.change.from || a.change.to - b.change.to)
  const meetings: Meeting[] = []
  for (const { change, side } of all) {
    const last = meetings.at(-1)
    const meets =
      last &&
      (change.from < last.to ||
        (change.from === last.from && change.to === last.to && change.from === change.to))
    if (meets) {
      last.to = Math.max(last.to, change.to)
      last[side].push(change)
    } else
      meetings.push({
        from: change.from,
        to: change.to,
        mine: side === 'mine' ? [change] : [],
        theirs: side === 'theirs' ? [change] : [],
      })
  }
  return meetings
}

/** What a stretch of a list is on either side, as text. */
const versionsOf = (items: readonly string[], { from, to, mine, theirs }: Meeting) => {
  const was = items.slice(from, to)
  return [mine, theirs].map((changes) => withListChanges(was, changes, from).join('')) as [
    string,
    string,
  ]
}

/** @param offset index of the first of `items` in the list that the changes count in */
function withListChanges(
  items: readonly string[],
  changes: readonly ListChange[],
  offset: number,
): string[] {
  let at = 0
  const changed: string[] = []
  for (const { from, to, insert } of changes) {
    for (; at < from - offset; at++) changed.push(itemAt(items, at))
    changed.push(...insert)
    at = to - offset
  }
  for (; at < items.length; at++) changed.push(itemAt(items, at))
  return changed
}
