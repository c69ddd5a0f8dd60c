import { syllable } from 'syllable'
import { sentencesOf } from '../script/sentences.ts'
import { keptByText } from '../text/kept-by-text.ts'
import { roughlySpoken } from '../text/roughly-spoken.ts'

export interface ReadingEase {
  /** Flesch: about 100 = a child follows, 60 = plain English, under 30 = hard going. */
  flesch: number
  words: number
  sentences: number
  syllables: number
}

const WORDS = /\p{L}[\p{L}'’-]*/gu

/**
 * How easily a text is followed, as it is spoken (numbers count as the words they are read in).
 *
 * Flesch 1948 (from memory): 206.835 − 1.015 · words/sentences − 84.6 · syllables/words.
 *
 * @returns undefined for a text without words
 */
export function readingEase(text: string): ReadingEase | undefined {
  const spoken = roughlySpoken(text)
  const words = spoken.match(WORDS) ?? []
  if (words.length === 0) return undefined
  const sentences = Math.max(1, sentencesOf(text).length)
  const syllables = words.reduce((sum, word) => sum + syllablesOf(word), 0)
  return {
    flesch: 206.835 - 1.015 * (words.length / sentences) - 84.6 * (syllables / words.length),
    words: words.length,
    sentences,
    syllables,
  }
}

/** Words of several scripts. */
const KEPT_WORDS_CHARACTERS = 400_000

/** At least one: a voice makes a sound of every word. */
export const syllablesOf = keptByText(KEPT_WORDS_CHARACTERS, (word) =>
  Math.max(1, syllable(word.toLowerCase())),
)

/** From which reading ease on a text is called so; below all it is very hard. By ear. */
const EASE_NAMES = [
  [80, 'very easy'],
  [65, 'easy'],
  [50, 'fairly hard'],
  [30, 'hard'],
] as const

/**
 * A word on it for people.
 *
 * @param flesch Flesch reading ease, 0 to 100 for most texts; it may lie outside
 */
export const easeName = (flesch: number) =>
  EASE_NAMES.find(([least]) => flesch >= least)?.[1] ?? 'very hard'
