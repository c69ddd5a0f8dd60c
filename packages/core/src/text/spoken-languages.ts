import * as ar from 'n2words/ar-SA'
import * as cs from 'n2words/cs-CZ'
import * as da from 'n2words/da-DK'
import * as de from 'n2words/de-DE'
import * as el from 'n2words/el-GR'
import * as es from 'n2words/es-ES'
import * as fa from 'n2words/fa-IR'
import * as fi from 'n2words/fi-FI'
import * as fr from 'n2words/fr-FR'
import * as he from 'n2words/he-IL'
import * as hi from 'n2words/hi-IN'
import * as hr from 'n2words/hr-HR'
import * as hu from 'n2words/hu-HU'
import * as id from 'n2words/id-ID'
import * as it from 'n2words/it-IT'
import * as nb from 'n2words/nb-NO'
import * as nl from 'n2words/nl-NL'
import * as pl from 'n2words/pl-PL'
import * as pt from 'n2words/pt-PT'
import * as ro from 'n2words/ro-RO'
import * as ru from 'n2words/ru-RU'
import * as sv from 'n2words/sv-SE'
import * as tr from 'n2words/tr-TR'
import * as uk from 'n2words/uk-UA'
import * as vi from 'n2words/vi-VN'
import { certain } from '../faults/certain.ts'
import { roman } from './numbers.ts'
import type { TracedText } from './traced-text.ts'

interface NumberWords {
  toCardinal: (n: number | string) => string
  toOrdinal: (n: number | string) => string
}

/**
 * What a language does differently with what is not a word. Without `words` its engine reads the
 * digits.
 */
interface LanguageRules {
  words?: NumberWords
  /** The sign before the fraction; the other of the two parts thousands. */
  decimal: ',' | '.'
  percent?: string
  minus?: string
  to?: string
  and?: string
  /** Between the sides of a size: 4x6. */
  by?: string
  /** Written sign or short form → said of one, said of more. */
  units?: Record<string, [string, string]>
  shortForms?: Record<string, string>
  /** Rules that only this language has, before all others. */
  own?: [RegExp, (groups: readonly (string | undefined)[]) => string | undefined][]
}

const whole = (n: string | undefined) => Number(n)
const fromRoman = (n: string | undefined, say: (value: number) => string) => {
  const value = roman(n ?? '')
  return value === undefined ? undefined : say(value)
}
/** Years as hundreds, where the language says them so. */
const hundreds =
  (words: NumberWords, hundred: string) =>
  ([n]: readonly (string | undefined)[]) => {
    const year = whole(n)
    return (
      words.toCardinal(Math.floor(year / 100)) +
      hundred +
      (year % 100 ? words.toCardinal(year % 100) : '')
    )
  }
const HUNDREDS = /(?<![\d.,])(1[1-9]\d\d)(?![\d.,]*\d)/g
const GERMAN_MONTHS =
  'Januar|Februar|März|April|Mai|Juni|Juli|August|September|Oktober|November|Dezember'

const RULES: Record<string, LanguageRules> = {
  de: {
    words: de,
    by: 'mal',
    decimal: ',',
    percent: 'Prozent',
    minus: 'minus',
    to: 'bis',
    and: 'und',
    units: {
      km: ['Kilometer', 'Kilometer'],
      m: ['Meter', 'Meter'],
      cm: ['Zentimeter', 'Zentimeter'],
      mm: ['Millimeter', 'Millimeter'],
      kg: ['Kilogramm', 'Kilogramm'],
      g: ['Gramm', 'Gramm'],
      t: ['Tonne', 'Tonnen'],
      'km/h': ['Kilometer pro Stunde', 'Kilometer pro Stunde'],
      '°C': ['Grad Celsius', 'Grad Celsius'],
      '€': ['Euro', 'Euro'],
      $: ['Dollar', 'Dollar'],
    },
    shortForms: {
      'z. B.': 'zum Beispiel',
      'z.B.': 'zum Beispiel',
      'd. h.': 'das heißt',
      'd.h.': 'das heißt',
      'usw.': 'und so weiter',
      'ca.': 'circa',
      'Dr.': 'Doktor',
      'Nr.': 'Nummer',
      'bzw.': 'beziehungsweise',
      'Jh.': 'Jahrhundert',
    },
    own: [
      [
        new RegExp(
          String.raw`\b(am|vom|zum|dem|bis) (\d{1,2})\. (?=(?:${GERMAN_MONTHS}|Jahrhundert)\b)`,
          'gi',
        ),
        ([word, n]) => `${word} ${de.toOrdinal(whole(n))}n `,
      ],
      [
        new RegExp(String.raw`\b(\d{1,2})\. (?=(?:${GERMAN_MONTHS})\b)`, 'g'),
        ([n]) => `${de.toOrdinal(whole(n))}r `,
      ],
      [/\b(\d{1,2})\. (?=\p{Lu})/gu, ([n]) => `${de.toOrdinal(whole(n))} `],
      [
        /\b(\d{1,2}):([0-5]\d)(?: Uhr)?(?![\d:])/g,
        ([h, m]) =>
          `${de.toCardinal(whole(h))} Uhr${whole(m) ? ` ${de.toCardinal(whole(m))}` : ''}`,
      ],
      [HUNDREDS, hundreds(de, 'hundert')],
    ],
  },
  fr: {
    words: fr,
    by: 'sur',
    decimal: ',',
    percent: 'pour cent',
    minus: 'moins',
    to: 'à',
    and: 'et',
    units: {
      km: ['kilomètre', 'kilomètres'],
      m: ['mètre', 'mètres'],
      cm: ['centimètre', 'centimètres'],
      mm: ['millimètre', 'millimètres'],
      kg: ['kilogramme', 'kilogrammes'],
      g: ['gramme', 'grammes'],
      t: ['tonne', 'tonnes'],
      'km/h': ['kilomètre heure', 'kilomètres heure'],
      '°C': ['degré', 'degrés'],
      '€': ['euro', 'euros'],
      $: ['dollar', 'dollars'],
    },
    shortForms: {
      'M.': 'monsieur',
      Mme: 'madame',
      'etc.': 'et cetera',
      'p. ex.': 'par exemple',
      'env.': 'environ',
      'av. J.-C.': 'avant Jésus-Christ',
    },
    own: [
      [/\b1(?:er|re|ère)\b/g, () => 'premier'],
      [/\b(\d+)(?:e|è|ème|eme)\b/g, ([n]) => fr.toOrdinal(whole(n))],
      [
        /\b([IVX]+)e (siècle)/g,
        ([n, word]) => fromRoman(n, (value) => `${fr.toOrdinal(value)} ${word}`),
      ],
      [
        /\b(\d{1,2}) ?[h:] ?([0-5]\d)\b/g,
        ([h, m]) =>
          `${fr.toCardinal(whole(h))} heures${whole(m) ? ` ${fr.toCardinal(whole(m))}` : ''}`,
      ],
    ],
  },
  es: {
    // The library says "punto" as in the Americas; Spain says "coma".
    words: { ...es, toCardinal: (n) => es.toCardinal(n).replace(' punto ', ' coma ') },
    by: 'por',
    decimal: ',',
    percent: 'por ciento',
    minus: 'menos',
    to: 'a',
    and: 'y',
    units: {
      km: ['kilómetro', 'kilómetros'],
      m: ['metro', 'metros'],
      cm: ['centímetro', 'centímetros'],
      mm: ['milímetro', 'milímetros'],
      kg: ['kilogramo', 'kilogramos'],
      g: ['gramo', 'gramos'],
      t: ['tonelada', 'toneladas'],
      'km/h': ['kilómetro por hora', 'kilómetros por hora'],
      '°C': ['grado', 'grados'],
      '€': ['euro', 'euros'],
      $: ['dólar', 'dólares'],
    },
    shortForms: {
      'Sr.': 'señor',
      'Sra.': 'señora',
      'Dr.': 'doctor',
      'etc.': 'etcétera',
      'p. ej.': 'por ejemplo',
      'aprox.': 'aproximadamente',
      'a. C.': 'antes de Cristo',
    },
    own: [
      [
        /\b(siglos?) ([IVXL]+)\b/g,
        ([word, n]) => fromRoman(n, (value) => `${word} ${es.toCardinal(value)}`),
      ],
      [/\b(\d+)[ºª.]ª?(?=\s)/g, ([n]) => (whole(n) <= 10 ? es.toOrdinal(whole(n)) : undefined)],
    ],
  },
  it: {
    words: it,
    by: 'per',
    decimal: ',',
    percent: 'per cento',
    minus: 'meno',
    to: 'a',
    and: 'e',
    units: {
      km: ['chilometro', 'chilometri'],
      m: ['metro', 'metri'],
      cm: ['centimetro', 'centimetri'],
      mm: ['millimetro', 'millimetri'],
      kg: ['chilogrammo', 'chilogrammi'],
      g: ['grammo', 'grammi'],
      t: ['tonnellata', 'tonnellate'],
      'km/h': ['chilometro orario', 'chilometri orari'],
      '°C': ['grado', 'gradi'],
      '€': ['euro', 'euro'],
      $: ['dollaro', 'dollari'],
    },
    shortForms: {
      'ecc.': 'eccetera',
      'es.': 'esempio',
      'sig.': 'signor',
      'dott.': 'dottor',
      'a.C.': 'avanti Cristo',
    },
    own: [
      [
        /\b([IVX]+) (secolo)/g,
        ([n, word]) => fromRoman(n, (value) => `${it.toOrdinal(value)} ${word}`),
      ],
    ],
  },
  pt: {
    words: pt,
    by: 'por',
    decimal: ',',
    percent: 'por cento',
    minus: 'menos',
    to: 'a',
    and: 'e',
    units: {
      km: ['quilómetro', 'quilómetros'],
      m: ['metro', 'metros'],
      cm: ['centímetro', 'centímetros'],
      kg: ['quilograma', 'quilogramas'],
      g: ['grama', 'gramas'],
      t: ['tonelada', 'toneladas'],
      'km/h': ['quilómetro por hora', 'quilómetros por hora'],
      '°C': ['grau', 'graus'],
      '€': ['euro', 'euros'],
      $: ['dólar', 'dólares'],
    },
    own: [
      [
        /\b(séculos?) ([IVXL]+)\b/g,
        ([word, n]) => fromRoman(n, (value) => `${word} ${pt.toCardinal(value)}`),
      ],
    ],
  },
  nl: {
    words: nl,
    by: 'bij',
    decimal: ',',
    percent: 'procent',
    minus: 'min',
    to: 'tot',
    and: 'en',
    units: {
      km: ['kilometer', 'kilometer'],
      m: ['meter', 'meter'],
      cm: ['centimeter', 'centimeter'],
      kg: ['kilogram', 'kilogram'],
      g: ['gram', 'gram'],
      t: ['ton', 'ton'],
      'km/h': ['kilometer per uur', 'kilometer per uur'],
      '°C': ['graden', 'graden'],
      '€': ['euro', 'euro'],
      $: ['dollar', 'dollar'],
    },
    own: [[/\b(\d+)[de]e?\b/g, ([n]) => nl.toOrdinal(whole(n))]],
  },
  sv: {
    words: sv,
    by: 'gånger',
    decimal: ',',
    percent: 'procent',
    minus: 'minus',
    to: 'till',
    and: 'och',
    units: {
      km: ['kilometer', 'kilometer'],
      m: ['meter', 'meter'],
      kg: ['kilogram', 'kilogram'],
      '°C': ['grad', 'grader'],
    },
    own: [[HUNDREDS, hundreds(sv, 'hundra')]],
  },
  da: {
    words: da,
    by: 'gange',
    decimal: ',',
    percent: 'procent',
    minus: 'minus',
    to: 'til',
    and: 'og',
    units: {
      km: ['kilometer', 'kilometer'],
      m: ['meter', 'meter'],
      kg: ['kilogram', 'kilogram'],
      '°C': ['grad', 'grader'],
    },
  },
  nb: {
    words: nb,
    by: 'ganger',
    decimal: ',',
    percent: 'prosent',
    minus: 'minus',
    to: 'til',
    and: 'og',
    units: {
      km: ['kilometer', 'kilometer'],
      m: ['meter', 'meter'],
      kg: ['kilogram', 'kilogram'],
      '°C': ['grad', 'grader'],
    },
  },
  fi: { words: fi, decimal: ',', percent: 'prosenttia', minus: 'miinus' },
  pl: { words: pl, decimal: ',', percent: 'procent', minus: 'minus', to: 'do' },
  cs: { words: cs, decimal: ',', percent: 'procent', minus: 'minus', to: 'až' },
  hr: { words: hr, decimal: ',', percent: 'posto', minus: 'minus', to: 'do' },
  ro: { words: ro, decimal: ',', percent: 'la sută', minus: 'minus', to: 'până la' },
  hu: { words: hu, decimal: ',', percent: 'százalék', minus: 'mínusz' },
  tr: {
    words: tr,
    decimal: ',',
    minus: 'eksi',
    own: [[/%\s?(\d+)/g, ([n = '']) => `yüzde ${tr.toCardinal(n)}`]],
  },
  el: { words: el, decimal: ',', percent: 'τοις εκατό', minus: 'μείον' },
  ru: { words: ru, decimal: ',', percent: 'процентов', minus: 'минус', to: 'до' },
  uk: { words: uk, decimal: ',', percent: 'відсотків', minus: 'мінус', to: 'до' },
  vi: { words: vi, decimal: ',', percent: 'phần trăm', minus: 'âm', to: 'đến' },
  id: { words: id, decimal: ',', percent: 'persen', minus: 'minus', to: 'sampai' },
  hi: { words: hi, decimal: '.', percent: 'प्रतिशत', to: 'से' },
  ar: { words: ar, decimal: '.', percent: 'بالمئة' },
  he: { words: he, decimal: '.', percent: 'אחוז' },
  fa: { words: fa, decimal: '.', percent: 'درصد' },
}

/**
 * Digits of the largest number said as one; above it a double no longer holds every whole number,
 * and digits are said one by one.
 */
const LARGEST = 15

/** Shares of a whole (60/40), and the sign between the sides of a size (4x6). */
const SHARES = /(?<![\d./])([1-9]\d?)\/([1-9]\d?)(?![/\d])/g
const SIZES = /(?<=\d)\s?[x×]\s?(?=\d)/g

/**
 * Another language than English as it is spoken; a language without rules is left to its engine.
 */
export function spokenIn(traced: TracedText, language: string): TracedText {
  const rules = RULES[language === 'no' ? 'nb' : language]
  if (!rules) return traced
  const words = certain(rules.words)
  const parted =
    rules.decimal === ','
      ? /(?<!\d)(\d{1,3})(?:[.   ](\d{3}))+(?!\d)/g
      : /(?<!\d)(\d{1,3})(?:,(\d{3}))+(?!\d)/g
  const point = rules.decimal === ',' ? ',' : String.raw`\.`
  // Each number from its first digit on, never from within.
  const number = String.raw`(?<!\d)\d+(?:${point}\d+)?`
  const said = (n: string) =>
    n.length > LARGEST
      ? [...n].map((d) => (/\d/.test(d) ? words.toCardinal(d) : '')).join(' ')
      : words.toCardinal(n.replace(',', '.'))
  let text = traced
  for (const [short, full] of Object.entries(rules.shortForms ?? {}))
    text = text.replace(
      new RegExp(`(?<![\\p{L}.])${short.replace(/\./g, '\\.')}(?=\\s|$|[,;:)])`, 'gu'),
      () => full,
    )
  for (const [pattern, say] of rules.own ?? [])
    text = text.replace(pattern, (match) => say(match.slice(1)))
  text = text.replace(parted, ([all]) => all.replace(/\D/g, ''))
  text = text.replace(SHARES, ([all, a, b]) => (Number(a) + Number(b) === 100 ? `${a} ${b}` : all))
  if (rules.by) text = text.replace(SIZES, () => ` ${rules.by} `)
  if (rules.and) text = text.replace(/ ?& ?/g, () => ` ${rules.and} `)
  if (rules.to)
    text = text.replace(
      new RegExp(String.raw`(${number}) ?[–-] ?(?=\d)`, 'g'),
      ([, n]) => `${n} ${rules.to} `,
    )
  if (rules.minus) text = text.replace(/(?<![\w.,])[-−](?=\d)/g, () => `${rules.minus} `)
  if (rules.percent)
    text = text.replace(
      new RegExp(`(${number}) ?%`, 'g'),
      ([, n = '']) => `${said(n)} ${rules.percent}`,
    )
  for (const [unit, [one, more]] of Object.entries(rules.units ?? {}).sort(
    ([a], [b]) => b.length - a.length,
  )) {
    text = text.replace(
      new RegExp(String.raw`(${number}) ?${unit.replace(/[$/]/g, '\\$&')}(?![\p{L}/])`, 'gu'),
      ([, n = '']) => `${said(n)} ${n === '1' ? one : more}`,
    )
  }
  return text.replace(new RegExp(number, 'g'), ([n]) => said(n))
}
