import { itemAt } from '../faults/certain.ts'
import { KEPT_CHARACTERS, keptByText } from '../text/kept-by-text.ts'
import { roughlySpoken } from '../text/roughly-spoken.ts'
import { wordsOf } from '../text/written-words.ts'
import type { Span } from './marks.ts'

/** A word of the narration with the samples it is spoken in, `[start, end)`. */
export interface SpokenWord {
  text: string
  start: number
  end: number
}

const BREATH = /[,;:.!?…—–。，、！？]["'’”»)]*$/

interface TimedTake {
  samples: number
  pauses: readonly (readonly [number, number])[]
  /** As its voice told. */
  words?: readonly Span[]
}

/**
 * Where in a take each word is spoken: as its voice told, else judged by the letters of what is
 * said.
 *
 * Judged: when the take has as many silences as the sentence has inner stops, each stretch between
 * two stops is laid between its silences; otherwise a stop counts as a few letters.
 *
 * @param take length and inner silences, in samples from its start
 * @returns one entry for each word of `text`, in order, none before the end of the one before it;
 *   `[]` for no words
 */
export function wordTimes(text: string, take: TimedTake): SpokenWord[] {
  if (take.words) return toldWords(text, take.words)
  const key = `${text}\n${take.samples}\n${take.pauses.join(' ')}`
  let words = timed.get(key)
  if (!words) {
    if (timed.size > 5000) timed.clear()
    timed.set(key, (words = timedWords(text, take)))
  }
  return words
}

function toldWords(text: string, spans: readonly Span[]): SpokenWord[] {
  const known = told.get(spans)
  if (known?.text === text) return known.words
  const words = wordsOf(text).map((word, i): SpokenWord => {
    const [start, end] = spans[i] ?? spans.at(-1) ?? [0, 0]
    return { text: word, start, end }
  })
  told.set(spans, { text, words })
  return words
}

/** A take stays the same object from edit to edit. */
const told = new WeakMap<readonly Span[], { text: string; words: SpokenWord[] }>()

/** After an edit all scenes but one are as they were: their words are not timed again. */
const timed = new Map<string, SpokenWord[]>()

function timedWords(text: string, take: TimedTake): SpokenWord[] {
  const words = wordsOf(text)
  const stops = words.slice(0, -1).flatMap((word, i) => (BREATH.test(word) ? [i] : []))
  const pauses =
    take.pauses.length === stops.length ? take.pauses : longest(take.pauses, stops.length)
  const fits = stops.length > 0 && pauses.length === stops.length
  const groups: [words: string[], from: number, to: number][] = []
  let first = 0
  let from = 0
  for (let s = 0; fits && s < stops.length; s++) {
    groups.push([words.slice(first, itemAt(stops, s) + 1), from, itemAt(pauses, s)[0]])
    first = itemAt(stops, s) + 1
    from = itemAt(pauses, s)[1]
  }
  groups.push([words.slice(first), from, take.samples])
  return groups.flatMap(([group, start, end]) => spread(group, start, end, !fits))
}

function longest(pauses: readonly (readonly [number, number])[], count: number) {
  if (pauses.length < count) return []
  return [...pauses]
    .sort((a, b) => b[1] - b[0] - (a[1] - a[0]))
    .slice(0, count)
    .sort((a, b) => a[0] - b[0])
}

/** Films repeat their words; each is put into spoken form once. */
const spokenLength = keptByText(KEPT_CHARACTERS, (word) => roughlySpoken(word).length)

function spread(
  words: readonly string[],
  start: number,
  end: number,
  stopsCount: boolean,
): SpokenWord[] {
  const weights = words.map(
    (word) => spokenLength(word) + 1.5 + (stopsCount && BREATH.test(word) ? 3 : 0),
  )
  const total = weights.reduce((sum, weight) => sum + weight, 0)
  let passed = 0
  return words.map((text, i) => {
    const from = Math.round(start + ((end - start) * passed) / total)
    passed += itemAt(weights, i)
    return { text, start: from, end: Math.round(start + ((end - start) * passed) / total) }
  })
}
