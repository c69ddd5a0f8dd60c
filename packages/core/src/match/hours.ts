import { wordList } from '../text/pattern.ts'
/** Words that tell two pictures of the same thing apart without making them look different. */
export const HOURS = new Set(
  wordList(`
    day dawn morning sunrise dusk evening sunset night dark cloudy gray grey upright clip
    photograph paper layer color cut front behind
  `),
)

/**
 * Of words as they are looked up, those that name what a picture shows, whatever the hour; pairs of
 * words are left out.
 */
export const withoutHours = (words: readonly string[]): string[] =>
  words.filter((word) => !word.includes(' ') && !HOURS.has(word))
