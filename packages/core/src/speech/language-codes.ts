import { baseOf, type Language } from './language.ts'

/** ISO 639-2/T, which tracks of MP4 files are tagged with (ISO/IEC 14496-12, from memory). */
const ISO_639_2: Record<Language, string> = {
  en: 'eng',
  de: 'deu',
  fr: 'fra',
  es: 'spa',
  it: 'ita',
  pt: 'por',
  nl: 'nld',
  pl: 'pol',
  cs: 'ces',
  sk: 'slk',
  sl: 'slv',
  hr: 'hrv',
  hu: 'hun',
  ro: 'ron',
  sv: 'swe',
  da: 'dan',
  nb: 'nob',
  fi: 'fin',
  is: 'isl',
  et: 'est',
  lv: 'lav',
  lt: 'lit',
  tr: 'tur',
  ca: 'cat',
  ga: 'gle',
  cy: 'cym',
  id: 'ind',
  ms: 'msa',
  vi: 'vie',
  sw: 'swa',
  ru: 'rus',
  uk: 'ukr',
  bg: 'bul',
  sr: 'srp',
  el: 'ell',
  he: 'heb',
  ar: 'ara',
  fa: 'fas',
  hi: 'hin',
  // Spoken Mandarin; the standard has Chinese alone.
  cmn: 'zho',
  ja: 'jpn',
  ko: 'kor',
}

/**
 * A language as tracks of files are tagged with it.
 *
 * @param language BCP 47
 * @returns ISO 639-2/T; `und` for one that films are not made in
 * @example iso6392('de-DE') // => 'deu'
 */
export const iso6392 = (language: string): string =>
  (ISO_639_2 as Partial<Record<string, string>>)[baseOf(language)] ?? 'und'
