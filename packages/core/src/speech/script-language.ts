import { francAll } from 'franc'
import { foreignLanguage, type Language } from './language.ts'
import { iso6392 } from './language-codes.ts'

/** Below so many letters a text is too short to tell by its letters' company alone. */
const LEAST_LETTERS = 60
/** So much less likely than the first the second language has to be. */
const CLEAR = 0.02

/** Languages in Latin letters that are told apart, by the codes of the finder (ISO 639-3). */
const TOLD: Partial<Record<string, Language>> = Object.fromEntries(
  (
    [
      ...['en', 'de', 'fr', 'es', 'it', 'pt', 'nl', 'pl', 'cs', 'sk', 'sl', 'hr', 'hu', 'ro'],
      ...['sv', 'da', 'nb', 'fi', 'is', 'lv', 'lt', 'tr', 'ca', 'id', 'vi', 'ga', 'cy'],
    ] as Language[]
  ).map((language) => [iso6392(language), language]),
)

/** Languages in other letters that more than one is written in, by the finder's codes. */
const TOLD_APART: Partial<Record<Language, Partial<Record<string, Language>>>> = {
  ru: { rus: 'ru', ukr: 'uk', bul: 'bg', srp: 'sr' },
  ar: { arb: 'ar', pes: 'fa' },
}

/**
 * The language a text is written in: by its letters, and in Latin ones by which of them stand
 * together (the package franc).
 *
 * @param text  what is to be spoken, without directions and headings
 * @param clear how much less likely the second language has to be, 0 to 1; 0 takes the likeliest
 * @returns undefined where that cannot be told: few words, or two languages as likely
 */
export function languageOfText(text: string, clear = CLEAR): Language | undefined {
  const foreign = foreignLanguage(text, 'en')
  if (foreign) return likeliest(text, TOLD_APART[foreign] ?? {}, clear) ?? foreign
  if ((text.match(/\p{L}/gu)?.length ?? 0) < LEAST_LETTERS) return undefined
  return likeliest(text, TOLD, clear)
}

/** One of some languages, by the finder's codes; undefined where two are as likely. */
function likeliest(
  text: string,
  told: Partial<Record<string, Language>>,
  clear: number,
): Language | undefined {
  const codes = Object.keys(told)
  if (!codes.length) return undefined
  const [first, second] = francAll(text, { only: codes })
  if (!first || (second && first[1] - second[1] < clear)) return undefined
  return told[first[0]]
}

const NAMES = new Intl.DisplayNames('en', { type: 'language' })

/**
 * The name of a language, in English.
 *
 * @example languageName('de') // => 'German'
 */
export const languageName = (language: string): string => NAMES.of(language) ?? language
