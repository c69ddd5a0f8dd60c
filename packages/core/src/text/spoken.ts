import type { Pronunciation } from './pronunciation.ts'
import { spokenEnglish } from './spoken-english.ts'
import { spokenBy, type SpokenForm } from './spoken-form.ts'
import { spokenIn } from './spoken-languages.ts'
import type { TracedText } from './traced-text.ts'

export interface SpokenOptions {
  /** BCP 47; British numbers for `en-GB`, rules of their own for other languages. */
  language?: string
  pronunciations?: readonly Pronunciation[]
}

/**
 * What a voice is given for what is written: numbers, years, units, money, abbreviations and
 * symbols in words, and the pronunciations a person asked for.
 *
 * @example spokenForm('In 1822 it shone.').words[1] // => { text: 'eighteen', written: 1 }
 */
export function spokenForm(
  written: string,
  { language = 'en-US', pronunciations = [] }: SpokenOptions = {},
): SpokenForm {
  return spokenBy(written, { inWords: (text) => inWords(text, language), pronunciations })
}

function inWords(text: TracedText, language: string): TracedText {
  const [base = language] = language.split('-')
  if (base !== 'en') return spokenIn(text, base)
  return spokenEnglish(text, language === 'en-GB' ? 'british' : 'american')
}

/**
 * The text of `spokenForm`, for what needs no more.
 *
 * @returns empty where nothing is to be spoken
 */
export const spokenText = (written: string, options?: SpokenOptions): string =>
  spokenForm(written, options).text
