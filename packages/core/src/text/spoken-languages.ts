import * as ar from 'n2words/ar-SA'
import * as cs from 'n2words/cs-CZ'
import * as da from 'n2words/da-DK'
import * as el from 'n2words/el-GR'
import * as fa from 'n2words/fa-IR'
import * as fi from 'n2words/fi-FI'
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
import { fromRoman, HUNDREDS, hundreds, type LanguageRules, whole } from './language-rules.ts'
import { french } from './spoken-french.ts'
import { german } from './spoken-german.ts'
import { spanish } from './spoken-spanish.ts'
import type { TracedText } from './traced-text.ts'

const RULES: Record<string, LanguageRules> = {
  de: german,
  fr: french,
  es: spanish,
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

/** Shares of a whole (60/40), parts of one (3/4), and the sign between the sides of a size (4x6). */
const SHARES = /(?<![\d./])([1-9]\d?)\/([1-9]\d?)(?![/\d])/g
const PARTS: Record<string, [number, number]> = { '½': [1, 2], '¼': [1, 4], '¾': [3, 4] }
const SIZES = /(?<=\d)\s?[x×]\s?(?=\d)/g
/** Letters and small numbers of a formula: CO₂. */
const FORMULA = /(?<!\p{L})(?:[A-Z][a-z]?[₀-₉]*)*[A-Z][a-z]?[₀-₉]+(?:[A-Z][a-z]?[₀-₉]*)*(?!\p{L})/gu
const MAIL = /(?<![\p{L}\d._-])([\p{L}\d._-]+)@([\p{L}\d-]+(?:\.[\p{L}\d-]+)+)/gu
const WEB =
  /(?<![\p{L}\d@.])(?:https?:\/\/)?((?:[\p{L}\d-]+\.)+(?:com|org|net|de|fr|es|it|nl|pt|eu|ch|at))(?![\p{L}\d])/gu

/**
 * Another language than English as it is spoken; a language without rules is left to its engine.
 */
export function spokenIn(traced: TracedText, language: string): TracedText {
  const rules = RULES[language === 'no' ? 'nb' : language]
  if (!rules) return traced
  const say = sayerOf(rules)
  let text = withAddresses(traced, rules)
  text = text.replace(FORMULA, ([all]) =>
    all
      .replace(/[₀-₉]/g, (sign) => ` ${sign.charCodeAt(0) - 0x2080} `)
      .replace(/(?<=[A-Z])(?=[A-Z])/g, ' ')
      .replace(/ +/g, ' ')
      .trim(),
  )
  for (const [short, full] of Object.entries(rules.shortForms ?? {}))
    text = text.replace(
      new RegExp(`(?<![\\p{L}.])${short.replace(/\./g, '\\.')}(?=\\s|$|[,;:)])`, 'gu'),
      () => full,
    )
  if (rules.to)
    text = text.replace(
      new RegExp(String.raw`(${say.number}) ?[–-] ?(?=\d)`, 'g'),
      ([, n]) => `${n} ${rules.to} `,
    )
  for (const [pattern, said] of rules.own ?? [])
    text = text.replace(pattern, (match) => said(match.slice(1)))
  text = text.replace(say.parted, ([all]) => all.replace(/\D/g, ''))
  text = withParts(text, rules, say)
  if (rules.by) text = text.replace(SIZES, () => ` ${rules.by} `)
  if (rules.and) text = text.replace(/ ?& ?/g, () => ` ${rules.and} `)
  if (rules.against)
    text = text.replace(/(?<![\d:])(\d+):(?=\d+(?![\d:]))/g, ([, n]) => `${n} ${rules.against} `)
  if (rules.minus) text = text.replace(/(?<![\w.,])[-−](?=\d)/g, () => `${rules.minus} `)
  if (rules.percent)
    text = text.replace(
      new RegExp(`(${say.number}) ?%`, 'g'),
      ([, n = '']) => `${say.said(n)} ${rules.percent}`,
    )
  text = withUnits(text, rules, say)
  return text.replace(new RegExp(say.number, 'g'), ([n]) => say.said(n))
}

interface Sayer {
  /** A number with its thousands parted. */
  parted: RegExp
  /** Source of a pattern: a number from its first digit on, never from within. */
  number: string
  said: (n: string) => string
}

function sayerOf({ words: known, decimal }: LanguageRules): Sayer {
  const words = certain(known)
  const point = decimal === ',' ? ',' : String.raw`\.`
  const digits = (n: string) =>
    [...n].map((d) => (/\d/.test(d) ? words.toCardinal(d) : '')).join(' ')
  return {
    parted:
      decimal === ','
        ? /(?<!\d)(\d{1,3})(?:[.   ](\d{3}))+(?!\d)/g
        : /(?<!\d)(\d{1,3})(?:,(\d{3}))+(?!\d)/g,
    number: String.raw`(?<!\d)\d+(?:${point}\d+)?`,
    // Zeros before a number name something: 007.
    said: (n) =>
      n.length > LARGEST || /^0\d/.test(n) ? digits(n) : words.toCardinal(n.replace(',', '.')),
  }
}

/** Addresses of mail and the web, sign by sign. */
function withAddresses(text: TracedText, { web }: LanguageRules): TracedText {
  if (!web) return text
  const dotted = (host: string) =>
    host.replace(/^www(?=\.)/, web.www).replaceAll('.', ` ${web.dot} `)
  return text
    .replace(MAIL, ([, who = '', host = '']) => `${dotted(who)} ${web.at} ${dotted(host)}`)
    .replace(WEB, ([, host = '']) => dotted(host))
}

/** Shares and parts of a whole. */
function withParts(traced: TracedText, { fraction, andHalf }: LanguageRules, { said }: Sayer) {
  let text = traced
  if (andHalf) text = text.replace(/(?<![\d.,])(\d{1,3}) ?½/g, ([, n]) => andHalf(Number(n)))
  if (fraction)
    text = text.replace(/[½¼¾]/g, ([sign]) => {
      const [parts, of] = certain(PARTS[sign])
      return fraction(parts, of) ?? sign
    })
  return text.replace(SHARES, ([all, a = '', b = '']) => {
    if (Number(a) + Number(b) === 100) return `${said(a)} ${said(b)}`
    return fraction?.(Number(a), Number(b)) ?? all
  })
}

/** Amounts with what they are amounts of. */
function withUnits(
  traced: TracedText,
  { units = {}, counting, isOne = (n) => n === '1', cents }: LanguageRules,
  { number, said }: Sayer,
): TracedText {
  let text = traced
  if (cents)
    text = text.replace(/(?<![\d.,])(\d+),(\d\d) ?€/g, ([, euros = '', rest = '']) =>
      cents(euros, rest),
    )
  const all = Object.entries(units).sort(([a], [b]) => b.length - a.length)
  for (const [unit, [one, more, gender]] of all)
    text = text.replace(
      new RegExp(String.raw`(${number}) ?${unit.replace(/[$/]/g, '\\$&')}(?![\p{L}/²³])`, 'gu'),
      ([, n = '']) =>
        `${/^[1-9]\d*$/.test(n) && counting ? counting(n, gender) : said(n)} ${isOne(n) ? one : more}`,
    )
  return text
}
