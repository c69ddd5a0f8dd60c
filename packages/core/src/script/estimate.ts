/**
 * While somebody speaks, spaces and signs counted. With the pauses between sentences it is the 14
 * of common practice:
 * 3,203 characters in about 3 min 48 s.
 */
export const CHARACTERS_PER_SECOND = 15

/**
 * What a sentence takes: a beat of its own, so much a letter, so much for a breath. Fitted to 290
 * sentences of six texts spoken by three voices (`docs/performance.md`) and brought to
 * `CHARACTERS_PER_SECOND`. Syllables and words beside the letters made it no better.
 */
const SECONDS = { sentence: 0.272, letter: 0.0761, breath: 0.262, wide: 0.2 }
/** Ideographs and syllable blocks, each of which stands for several letters. */
const WIDE = /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Hangul}]/gu
const LETTER = /[\p{L}\p{N}]/gu
/** Signs inside a sentence at which a voice breathes. */
const BREATH = /[,;:—–、，；：](?=.)/gu
/** Seconds that the shortest sentence takes. */
const SHORTEST = 0.4

const count = (text: string, what: RegExp) => text.match(what)?.length ?? 0

/**
 * Seconds a sentence speaks for, before anyone has spoken it. Every voice is brought to this pace.
 *
 * @param spoken text as it is spoken, numbers written out
 * @example estimateSeconds('a'.repeat(100)) // => 7.882
 */
export function estimateSeconds(spoken: string): number {
  const wide = count(spoken, WIDE)
  return Math.max(
    SHORTEST,
    SECONDS.sentence +
      SECONDS.letter * (count(spoken, LETTER) - wide) +
      SECONDS.wide * wide +
      SECONDS.breath * count(spoken, BREATH),
  )
}
