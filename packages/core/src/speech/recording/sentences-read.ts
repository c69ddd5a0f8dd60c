import { itemAt, lastOf } from '../../faults/certain.ts'
import { followed, type HeardWord } from './follow.ts'

/** One reading of a sentence. */
export interface Reading {
  /** Indices of its first and last heard word, inclusive. */
  first: number
  last: number
  start: number
  end: number
  /** Share of the sentence's words that were heard, 0 to 1. */
  heard: number
  /** Its last word was reached. */
  finished: boolean
}

export interface SentenceRead {
  /** The last good reading; undefined where there is none, then `readings` has what there is. */
  kept: Reading | undefined
  /** All, in the order they were read. */
  readings: Reading[]
  /** Indices of words of the sentence that the kept reading leaves out. */
  missing: number[]
  /** Words said in it that are not in the script. */
  extra: { text: string; start: number; end: number }[]
}

/** What makes a reading good: nearly all of its words, and its end. */
const GOOD = 0.8

/**
 * Which stretch of a recording is which sentence: of each the last good reading, so that who slips
 * simply says it again.
 *
 * @param sentences words of each, as the recogniser has them
 */
export function sentencesRead(
  heard: readonly HeardWord[],
  sentences: readonly (readonly string[])[],
): SentenceRead[] {
  const script = sentences.flat()
  const owner = sentences.flatMap((words, i) => words.map(() => i))
  const firstOf: number[] = []
  sentences.reduce((at, words) => (firstOf.push(at), at + words.length), 0)
  const places = followed(heard, script)
  const readings: { sentence: number; words: [heard: number, place: number][] }[] = []
  places.forEach((place, t) => {
    if (place < 0) return
    const open = readings.at(-1)
    const sentence = itemAt(owner, place)
    // Going back inside a sentence begins it again.
    if (open?.sentence === sentence && place > lastOf(open.words)[1]) open.words.push([t, place])
    else readings.push({ sentence, words: [[t, place]] })
  })
  return sentences.map((words, s) => {
    const own = readings
      .filter(({ sentence }) => sentence === s)
      .map(({ words: found }) => ({
        found,
        reading: readingOf(found, heard, words.length, itemAt(firstOf, s)),
      }))
    const good = own.findLast(({ reading }) => reading.heard >= GOOD && reading.finished)
    const kept = good ?? undefined
    const said = new Set(kept?.found.map(([, place]) => place - itemAt(firstOf, s)))
    return {
      kept: kept?.reading,
      readings: own.map(({ reading }) => reading),
      missing: kept ? words.flatMap((_, i) => (said.has(i) ? [] : [i])) : [],
      extra: kept
        ? heard
            .slice(kept.reading.first, kept.reading.last + 1)
            .flatMap(({ text, start, end }, i) =>
              itemAt(places, kept.reading.first + i) < 0 ? [{ text, start, end }] : [],
            )
        : [],
    }
  })
}

function readingOf(
  found: readonly [number, number][],
  heard: readonly HeardWord[],
  words: number,
  first: number,
): Reading {
  const [from, to] = [itemAt(found, 0)[0], lastOf(found)[0]]
  // The recogniser may miss the very last word: the one before it will do.
  const finished = lastOf(found)[1] - first >= words - 1 - (words > 5 ? 1 : 0)
  return {
    first: from,
    last: to,
    start: itemAt(heard, from).start,
    end: itemAt(heard, to).end,
    heard: found.length / words,
    finished,
  }
}
