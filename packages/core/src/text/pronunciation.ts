import { z } from 'zod'
import type { TracedText } from './traced-text.ts'

/** How a word is to be spoken: a respelling, or sounds in IPA between slashes. */
export const Pronunciation = z.object({
  word: z.string().trim().min(1).max(80),
  say: z.string().trim().min(1).max(160),
})
export type Pronunciation = z.infer<typeof Pronunciation>

/**
 * Every word of the list said as it asks, the longest first; letters' size does not matter unless
 * the word has capitals inside.
 */
export function pronounced(traced: TracedText, list: readonly Pronunciation[]): TracedText {
  const longestFirst = [...list].sort((a, b) => b.word.length - a.word.length)
  return longestFirst.reduce(
    (text, { word, say }) => text.replace(patternOf(word), () => say),
    traced,
  )
}

/**
 * The entries that a text has a word of.
 *
 * @returns in the order of the list; `[]` for none
 */
export const pronunciationsIn = (text: string, list: readonly Pronunciation[]): Pronunciation[] =>
  list.filter(({ word }) => patternOf(word).test(text))

function patternOf(word: string): RegExp {
  const literal = word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&').replace(/\s+/g, '\\s+')
  return new RegExp(
    `(?<![\\p{L}\\p{N}])${literal}(?![\\p{L}\\p{N}])`,
    /\p{Lu}/u.test(word.slice(1)) ? 'gu' : 'giu',
  )
}
