import { itemAt } from '../faults/certain.ts'
/** Languages a film can be made in from script to subtitles, and the letters each is written in. */
export const LANGUAGES = {
  en: 'Latin',
  de: 'Latin',
  fr: 'Latin',
  es: 'Latin',
  it: 'Latin',
  pt: 'Latin',
  nl: 'Latin',
  pl: 'Latin',
  cs: 'Latin',
  sk: 'Latin',
  sl: 'Latin',
  hr: 'Latin',
  hu: 'Latin',
  ro: 'Latin',
  sv: 'Latin',
  da: 'Latin',
  nb: 'Latin',
  fi: 'Latin',
  is: 'Latin',
  et: 'Latin',
  lv: 'Latin',
  lt: 'Latin',
  tr: 'Latin',
  ca: 'Latin',
  ga: 'Latin',
  cy: 'Latin',
  id: 'Latin',
  ms: 'Latin',
  vi: 'Latin',
  sw: 'Latin',
  ru: 'Cyrillic',
  uk: 'Cyrillic',
  bg: 'Cyrillic',
  sr: 'Cyrillic',
  el: 'Greek',
  he: 'Hebrew',
  ar: 'Arabic',
  fa: 'Arabic',
  hi: 'Devanagari',
  cmn: 'Han',
  ja: 'Kana',
  ko: 'Hangul',
} as const
export type Language = keyof typeof LANGUAGES
type Letters = (typeof LANGUAGES)[Language]

/** Letters → what shows them, and the language they are taken for when nothing else is known. */
const OTHER_LETTERS: [Exclude<Letters, 'Latin'>, RegExp, Language][] = [
  ['Kana', /\p{Script=Hiragana}|\p{Script=Katakana}/u, 'ja'],
  ['Han', /\p{Script=Han}/u, 'cmn'],
  ['Hangul', /\p{Script=Hangul}/u, 'ko'],
  ['Arabic', /\p{Script=Arabic}/u, 'ar'],
  ['Cyrillic', /\p{Script=Cyrillic}/u, 'ru'],
  ['Greek', /\p{Script=Greek}/u, 'el'],
  ['Hebrew', /\p{Script=Hebrew}/u, 'he'],
  ['Devanagari', /\p{Script=Devanagari}/u, 'hi'],
]

/**
 * @example baseOf('en-GB') // => 'en'
 */
export const baseOf = (language: string): string => itemAt(language.split('-'), 0)

/**
 * The language of a text in other letters than those of the voice that is to speak it; undefined
 * where the voice can.
 *
 * @param language of the voice (BCP 47)
 * @example foreignLanguage('Море глубокое.', 'en-GB') // => 'ru'
 */
export function foreignLanguage(text: string, language: string): Language | undefined {
  const letters = text.match(/\p{L}/gu)?.length ?? 0
  const latin = text.match(/\p{Script=Latin}/gu)?.length ?? 0
  if (!letters || latin / letters > 0.5) return undefined
  const own = (LANGUAGES as Partial<Record<string, string>>)[baseOf(language)] ?? 'Latin'
  const found = OTHER_LETTERS.find(([, script]) => script.test(text))
  if (!found || found[0] === own || (own === 'Kana' && found[0] === 'Han')) return undefined
  return found[2]
}
