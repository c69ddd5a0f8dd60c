import { certain, itemAt } from '../faults/certain.ts'
import { addressRules } from './english/addresses-and-dates.ts'
import { fractionRules } from './english/angles-and-fractions.ts'
import { dateRules } from './english/dates-in-words.ts'
import { measureRules } from './english/measures.ts'
import { moneyRules } from './english/money.ts'
import { otherRules } from './english/other-numbers.ts'
import { inWords, type Rule } from './english/rule.ts'
import { timeRules } from './english/times-and-scores.ts'
import { saidInFull } from './english-short-forms.ts'
import { cardinal as cardinalIn, ordinal as ordinalIn, roman, type Variant } from './numbers.ts'
import { wordList } from './pattern.ts'
import type { TracedText } from './traced-text.ts'

/**
 * Names that rulers bear: a single I, V or X behind one is a number, behind any other word it may
 * not be.
 */
const RULERS =
  'Charles|James|George|William|Henry|Elizabeth|Edward|Richard|Napoleon|Frederick|Wilhelm|' +
  'Leopold|Ferdinand|Philip|Peter|Paul|John|Nicholas|Alexander|Francis|Otto|Darius|Louis|' +
  'Victoria|Catherine|Christian|Gustav|Pius|Leo|Ptolemy|Ramesses|Xerxes'
/** Things that are counted by Roman numerals: said "two", not "the second". */
const COUNTED =
  'War|Chapter|Part|Act|Volume|Book|Phase|Type|Mark|Class|Stage|Level|Title|Article|Section|' +
  'Figure|Table|Scene|Appendix|Mission|Episode|Step|Unit|Category|Apollo'
/** Short words that are also written in capitals, and capitals that are read as a word. */
const CAPITAL_WORDS = new Set(
  wordList(`
    A I AM AN AND ARE AS AT BE BUT BY CAN DAY DID DO END FAR FEW FOR GET GO HAD HAS HE HER
    HIM HIS HOW IF IN IS IT ITS LOT MAY ME MY NEW NO NOR NOT NOW OF OFF OK OLD ON ONE OR OUR
    OUT OWN RED SAW SEE SHE SIX SO TEN THE TO TOO TWO UP WAS WAY WE WHO WHY YES YET YOU AIDS
    LASER NASA NATO OPEC PIN RADAR RAM ROM SCUBA SIM SONAR UNESCO UNICEF ZIP
  `),
)
const LETTERS = new Set(
  wordList(`
    BBC CD CPU DIY DNA DVD ESA EU FAQ FM GDP GMT GPS HMS HMRC HTML HTTP HTTPS ISBN ISO LED
    MRI PDF PVC RNA RMS RPM SOS SUV TV UFO UHF UK UN URL US USA USB USS UV VAT VHF XML
  `),
)

/** In order: the narrow before the broad, each leaving no digits behind. */
function rulesOf(variant: Variant): Rule[] {
  const words = inWords(variant)
  return [
    addressRules,
    moneyRules,
    timeRules,
    dateRules,
    fractionRules,
    measureRules,
    otherRules,
  ].flatMap((rules) => rules(words))
}

const NAMES: Rule[] = [
  [
    /\b([IVX]{2,})(?:th)? (century|centuries)\b/gi,
    (n, word) =>
      roman(n.toUpperCase()) === undefined
        ? undefined
        : `${ordinalIn(certain(roman(n.toUpperCase())))} ${word}`,
  ],
  [new RegExp(String.raw`\b(${COUNTED}) ([IVXL]+)\b`, 'g'), (thing, n) => counted(thing, n)],
  [new RegExp(String.raw`\b(${RULERS}) ([IVX]+)\b(?!['’])`, 'g'), (name, n) => named(name, n)],
  [/\b(\p{Lu}\p{Ll}+) ([IVX]{2,})\b/gu, (name, n) => named(name, n)],
]

const counted = (thing: string, n: string) =>
  roman(n) === undefined ? undefined : `${thing} ${cardinalIn(certain(roman(n)))}`
const named = (name: string, n: string) =>
  roman(n) === undefined ? undefined : `${name} the ${ordinalIn(certain(roman(n)))}`

const PIECES: Record<string, string> = {
  K: 'king',
  Q: 'queen',
  R: 'rook',
  B: 'bishop',
  N: 'knight',
}

/** Symbols of elements as formulas of everyday things have them. */
const ELEMENT =
  'He|Li|Be|Ne|Na|Mg|Al|Si|Cl|Ar|Ca|Cr|Mn|Fe|Co|Ni|Cu|Zn|Br|Ag|Sn|Au|Hg|Pb|H|B|C|N|O|F|P|S|K|I|U'
/** "CaCO₃", "NaCl": two elements at least, and a number or a symbol of two letters among them. */
const FORMULA = new RegExp(
  String.raw`(?<![\p{L}\p{N}])(?=[\p{L}\p{N}]*(?:\d|[A-Z][a-z]))((?:(?:${ELEMENT})\d{0,3}){2,})(?![\p{L}\p{N}])`,
  'gu',
)
const spelt = (formula: string) =>
  formula
    .replace(/[a-z]/g, (letter) => letter.toUpperCase())
    .replace(/([A-Z])(?=[A-Z\d])|(\d)(?=[A-Z])/g, '$1$2 ')

const SYMBOLS: Rule[] = [
  [/\s?&\s?/g, () => ' and '],
  [/#(?=\d)/g, () => 'number '],
  [/(?<![\w.])@(?=\s|\d)/g, () => ' at '],
  [/(?<=\d)\s?[x×]\s?(?=\d+(?:\s?[x×]\s?\d+)*(?![\d.]*\s?=))/g, () => ' by '],
  [/\s?×\s?/g, () => ' times '],
  [/(?<=\d)\+(?![\d+])/g, () => ' plus'],
  [/\s?÷\s?/g, () => ' divided by '],
  [/\s?±\s?/g, () => ' plus or minus '],
  [/\s?≈\s?/g, () => ' about '],
  [/\s?≥\s?/g, () => ' at least '],
  [/\s?≤\s?/g, () => ' at most '],
  [/\s?→\s?/g, () => ' to '],
  [/\s=\s/g, () => ' equals '],
  [/\s\+\s/g, () => ' plus '],
  [/(?<![\w-])<\s?(?=\d)/g, () => 'less than '],
  [/(?<![\w-])>\s?(?=[\d$£€])/g, () => 'more than '],
  [
    /\b([KQRBN])(x?)([a-h])([1-8])\b/g,
    (piece, takes, file, rank) =>
      `${certain(PIECES[piece])} ${takes ? 'takes ' : ''}${file} ${rank}`,
  ],
  [/~(?=\d)/g, () => 'about '],
  [/§\s?/g, () => 'section '],
  [/\bw\/o\b/g, () => 'without'],
  [/\bw\/(?=\s)/g, () => 'with'],
  [/\band\/or\b/gi, () => 'and or'],
  [/([₀-₉]+)/g, (low) => [...low].map((d) => d.charCodeAt(0) - 0x2080).join('')],
  [FORMULA, (formula) => (/^(?:[A-Z][a-z]|[A-Z])$/.test(formula) ? undefined : spelt(formula))],
]

/** Capitals that are not a word: their letters, one by one. */
function initials(word: string, plural: string): string | undefined {
  if (CAPITAL_WORDS.has(word)) return undefined
  const spelled =
    LETTERS.has(word) || word.length <= 3 || !/[AEIOUY]/.test(word) || /[^AEIOUY]{4}/.test(word)
  return spelled ? [...word].join(' ') + (plural ? "'s" : '') : undefined
}

const CAPITALS = /(?<![\p{L}\p{N}'’])(\p{Lu}{2,6})(s)?(?![\p{L}'’])/gu
/** A text mostly in capitals shouts; it does not spell. */
const shouts = (text: string) =>
  (text.match(/(?<!\p{L})\p{Lu}{2,}(?!\p{L})/gu)?.length ?? 0) * 2 >
    (text.match(/\p{L}+/gu)?.length ?? 0) && /\p{Lu}+\s+\p{Lu}{2,}/u.test(text)

const RULES = { british: rulesOf('british'), american: rulesOf('american') }

/** English as it is spoken: no digit, sign, short form or Roman numeral is left. */
export function spokenEnglish(traced: TracedText, variant: Variant): TracedText {
  let said = traced.replace(/(?<![\p{L}.])(\p{L}+\.(?:\p{L}+\.)*)/gu, (match, text) =>
    saidInFull(match[0], text, match.index),
  )
  const shouting = shouts(said.text)
  for (const [pattern, say] of [...NAMES, ...SYMBOLS, ...RULES[variant]])
    said = said.replace(pattern, (match) => say(...match.slice(1)))
  return shouting
    ? said
    : said.replace(CAPITALS, (match) => initials(itemAt(match, 1), match[2] ?? ''))
}
