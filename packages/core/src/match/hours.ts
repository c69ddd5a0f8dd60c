import { wordList } from '../text/pattern.ts'

const TIMES_OF_DAY = new Set(wordList('dawn morning sunrise noon dusk evening sunset night'))

/** Words that tell two pictures of the same thing apart without making them look different. */
export const HOURS = new Set([
  ...TIMES_OF_DAY,
  ...wordList(`
    day dark cloudy gray grey upright clip photograph paper layer color cut front behind
  `),
])

/** The time of day a text speaks of; undefined for none. */
export const timeOfDayIn = (text: string): string | undefined =>
  text
    .toLowerCase()
    .match(/\p{L}+/gu)
    ?.find((word) => TIMES_OF_DAY.has(word))

/**
 * Of words as they are looked up, those that name what a picture shows, whatever the hour; pairs of
 * words are left out.
 */
export const withoutHours = (words: readonly string[]): string[] =>
  words.filter((word) => !word.includes(' ') && !HOURS.has(word))
