/** Common practice: 3,203 characters speak for about 3 min 48 s, 14 a second. */
export const CHARACTERS_PER_SECOND = 14
/** One ideograph or syllable block stands for about three letters. */
const WIDE = /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Hangul}]/gu

/**
 * Seconds a text speaks for, before anyone has spoken it.
 *
 * @param spoken text as it is spoken, numbers written out
 * @example estimateSeconds('a'.repeat(140)) // => 10
 */
export function estimateSeconds(spoken: string): number {
  const wide = spoken.match(WIDE)?.length ?? 0
  return Math.max(0.4, (spoken.length + 2 * wide) / CHARACTERS_PER_SECOND)
}
