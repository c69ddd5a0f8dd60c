import { certain, itemAt } from '../faults/certain.ts'
import { CURRENCIES, CURRENCY_CODES, LARGE, SINGLE, UNITS } from './english-measures.ts'
import { saidInFull } from './english-short-forms.ts'
import {
  cardinal as cardinalIn,
  decade,
  decimal as decimalIn,
  digits,
  ordinal as ordinalIn,
  roman,
  type Variant,
  year,
} from './numbers.ts'
import { wordList } from './pattern.ts'
import type { TracedText } from './traced-text.ts'

export const MONTHS =
  'January|February|March|April|May|June|July|August|September|October|November|December'
const MONTH_NAMES = MONTHS.split('|')
const NUMBER = String.raw`\d{1,3}(?:,\d{3})+(?:\.\d+)?|\d+(?:\.\d+)?`
const SCALE = '(hundred|thousand|million|billion|trillion)'
const UNIT = Object.keys(UNITS)
  .sort((a, b) => b.length - a.length)
  .map((u) => u.replace(/[/.]/g, '\\$&'))
  .join('|')
/** Before a measure they tell that it says of what kind the next word is: a three-kilometre walk. */
const DETERMINER =
  "an?|the|this|that|each|every|another|his|her|its|their|our|my|your|[a-z]+'s|[a-z]+’s"
/** Behind a measure they tell that it stands for itself: the three kilometres of the coast. */
const NO_NOUN =
  'of|in|on|at|to|from|by|with|for|and|or|but|nor|per|than|then|as|is|are|was|were|be|been|will|' +
  'would|has|have|had|do|does|did|that|which|who|where|when|while|until|between|above|below|' +
  'behind|before|after|across|along|around|into|over|under|through|up|down|out|off|away|apart|' +
  'ago|later|earlier|more|less|further|deep|north|south|east|west|it|he|she|they|we|you|a|an|the|' +
  'this|these|those|if|so|because|only|alone|together|each|every|high|low|long|wide|tall|thick|' +
  'can|could|may|might|must|should|shall|about|also|still|just|even|not|without|within|towards?'
const BEFORE_NOUN = String.raw`(?=\s+(?!(?:${NO_NOUN})\b)\p{Ll})`
/** Said of a measure that leads to a noun: a two-metre-tall door. */
const BEFORE_SIZED = String.raw`(?=\s+(?:high|long|wide|tall|thick|deep)\s+\p{Ll})`
const YEAR_BEFORE =
  String.raw`in|since|(?<!\d )by|of|` +
  'from|until|till|before|after|around|about|during|to|and|between|early|late|' +
  `circa|year|summer|winter|spring|autumn|${MONTHS}`
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

type Rule = [pattern: RegExp, say: (...groups: string[]) => string | undefined]

const isOne = (n: string) => n === '1'

/** In order: the narrow before the broad, each leaving no digits behind. */
function rulesOf(variant: Variant): Rule[] {
  const cardinal = (n: number) => cardinalIn(n, variant)
  const ordinal = (n: number) => ordinalIn(n, variant)
  const decimal = (n: string) => decimalIn(n, variant)
  const measure = (amount: string, unit: string) =>
    `${decimal(amount)} ${certain(UNITS[unit])[isOne(amount) ? 0 : 1]}`
  const dated = (d: number, m: number, y: string) =>
    variant === 'british'
      ? `the ${ordinal(d)} of ${MONTH_NAMES[m - 1]}, ${year(Number(y))}`
      : `${MONTH_NAMES[m - 1]} ${ordinal(d)}, ${year(Number(y))}`
  const money = (sign: string, amount: string) => {
    const [one, more, small] = certain(CURRENCIES[sign])
    const [whole = '0', part] = amount.replace(/,/g, '').split('.')
    const cents =
      part && part.length === 2 && Number(part)
        ? `${cardinal(Number(part))} ${Number(part) === 1 ? (SINGLE[small] ?? small) : small}`
        : ''
    if (part && part.length !== 2) return `${decimal(amount)} ${more}`
    if (cents && Number(whole) === 0) return cents
    return `${cardinal(Number(whole))} ${isOne(whole) ? one : more}${cents ? ` and ${cents}` : ''}`
  }
  const fraction = (n: string, d: string) => {
    const parts = FRACTIONS[Number(d)] ?? [ordinal(Number(d)), `${ordinal(Number(d))}s`]
    return `${cardinal(Number(n))} ${parts[isOne(n) ? 0 : 1]}`
  }
  const coinOf = (sign: string, amount: string) => {
    const [whole = '0', part] = amount.replace(/,/g, '').split('.')
    const [one] = certain(CURRENCIES[sign])
    const rest = part && part.length === 2 && Number(part) ? ` ${cardinal(Number(part))}` : ''
    return `${part && part.length !== 2 ? decimal(amount) : cardinal(Number(whole))} ${one}${rest}`
  }
  const dayOf = (d: string) => `the ${ordinal(Number(d))}`
  return [
    [
      /(?<![\w.+-])([\w.+-]+)@([\w-]+(?:\.[\w-]+)+)/g,
      (name, host) => `${name.replace(/\./g, ' dot ')} at ${host.replace(/\./g, ' dot ')}`,
    ],
    [/(?:https?:\/\/(?:www\.)?|\bwww\.)([\w-]+(?:\.[\w-]+)+)([^\s"'”’)]*)/gi, address],
    [/(\d)[   ](?=\d{3}(?!\d))/g, (n) => n],
    [
      /\b(\d{4})-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])\b/g,
      (y, m, d) => dated(Number(d), Number(m), y),
    ],
    [
      /\b(0?[1-9]|[12]\d|3[01])\/(0?[1-9]|[12]\d|3[01])\/((?:1[5-9]|20)\d\d)\b/g,
      (a, b, y) => {
        const [d, m] = variant === 'british' ? [Number(a), Number(b)] : [Number(b), Number(a)]
        if (m <= 12) return dated(d, m, y)
        return d <= 12 ? dated(m, d, y) : undefined
      },
    ],
    [/(\+\d[\d ()-]{7,}\d)/g, (n) => `plus ${digits(n.replace(/\D/g, ''))}`],
    [
      /\(?\b(\d{3})\)?[- ](\d{3})-(\d{4})\b/g,
      (a, b, c) => [a, b, c].map((part) => digits(part)).join(', '),
    ],
    [
      /\b(call|phone|dial|telephone|number|tel)(:? )(\d{3}[- ]\d{4})\b/gi,
      (word, gap, n) => `${word}${gap}${digits(n.replace(/\D/g, ''))}`,
    ],
    [
      new RegExp(String.raw`\b(${Object.keys(CURRENCY_CODES).join('|')})\s?(?=\d)`, 'g'),
      (code) => CURRENCY_CODES[code],
    ],
    // "US$40": whose dollars they are is said where it was written.
    [/\b(US|A|C|NZ|HK)\$(?=\d)/g, () => '$'],
    [
      new RegExp(String.raw`([$£€¥₹])(${NUMBER})\s?[–-]\s?\1?(${NUMBER})(?![\d.,]*\d)`, 'g'),
      (sign, a, b) => `${decimal(a)} to ${decimal(b)} ${certain(CURRENCIES[sign])[1]}`,
    ],
    [
      new RegExp(
        String.raw`(?<![\d,.])(${NUMBER})\s?(${Object.keys(CURRENCY_CODES).join('|')})\b`,
        'g',
      ),
      (n, code) => money(certain(CURRENCY_CODES[code]), n),
    ],
    [
      new RegExp(
        String.raw`\b(${DETERMINER}) ([$£€¥₹])(${NUMBER})[ -]${SCALE}${BEFORE_NOUN}`,
        'giu',
      ),
      (word, sign, n, scale) => `${word} ${decimal(n)} ${scale} ${certain(CURRENCIES[sign])[0]}`,
    ],
    [
      new RegExp(
        String.raw`\b(${DETERMINER}) ([$£€¥₹])(${NUMBER})(?![\d.,]*\d)${BEFORE_NOUN}`,
        'giu',
      ),
      (word, sign, n) => `${word} ${coinOf(sign, n)}`,
    ],
    [
      new RegExp(String.raw`([$£€¥₹])(${NUMBER})\s?${SCALE}\b`, 'gi'),
      (sign, n, scale) => `${decimal(n)} ${scale} ${certain(CURRENCIES[sign])[1]}`,
    ],
    [
      new RegExp(String.raw`([$£€¥₹])(${NUMBER})\s?(k|m|bn|b|tn)\b`, 'gi'),
      (sign, n, large) =>
        `${decimal(n)} ${LARGE[large.toLowerCase()]} ${certain(CURRENCIES[sign])[1]}`,
    ],
    [new RegExp(String.raw`([$£€¥₹])(${NUMBER})`, 'g'), (sign, n) => money(sign, n)],
    [/\b(\d+)¢/g, (n) => `${cardinal(Number(n))} ${isOne(n) ? 'cent' : 'cents'}`],
    [
      new RegExp(String.raw`\b(${NUMBER})\s?(bn|tn)\b`, 'g'),
      (n, large) => `${decimal(n)} ${LARGE[large]}`,
    ],
    [/\b(\d+(?:\.\d+)?)M\b(?! ?Hz)/g, (n) => `${decimal(n)} million`],
    [/\b(\d+(?:\.\d+)?)k\b(?! ?(?:Hz|W|V|Pa|N|J|B)\b)/g, (n) => `${decimal(n)} thousand`],
    [
      /\b(\d+):(\d+)(?= (?:ratio|scale|odds|aspect|mixture|picture|screen|film|video|gear))/g,
      (a, b) => `${cardinal(Number(a))} to ${cardinal(Number(b))}`,
    ],
    [
      /\b(\d{1,2}):([0-5]\d)(?:\s?(a\.?m\.?|p\.?m\.?|A M|P M))?(?![\d:]|,\d{3})/gi,
      (h, m, half) => clock(Number(h), Number(m), half),
    ],
    [
      /\b(\d{1,2})\s?(a\.?m\.?|p\.?m\.?|A M|P M)(?!\w)/gi,
      (n, half) => `${cardinal(Number(n))} ${half.charAt(0).toUpperCase()} M`,
    ],
    [
      /\b(call|dial|phone|ring|rang|called|dialled) (\d{3})\b(?![\d,. ]*\d| (?!now\b|for\b|if\b|and\b|or\b|at\b|when\b)\p{Ll})/giu,
      (word, n) => `${word} ${digits(n)}`,
    ],
    [/\b(flight(?: [A-Z]{2})?) ?(\d{2,4})\b/gi, (word, n) => `${word} ${digits(n)}`],
    [/\b([Rr]oom|Boeing|Airbus|Route|Highway|Platform|Channel) ([1-9]\d\d)\b/g, byHundreds],
    [
      /\b([ABM])([1-9])0([1-9])\b/g,
      (road, a, b) => `${road} ${cardinal(Number(a))} oh ${cardinal(Number(b))}`,
    ],
    [
      /\b(\d{1,2})\.([0-5]\d)(?= (?:train|bus|ferry|boat|tram|news|service)\b)/g,
      (h, m) => clock(Number(h), Number(m)),
    ],
    [
      /\b(\d+):(\d{1,3}(?:,\d{3})+|\d+)\b/g,
      (a, b) => `${cardinal(Number(a))} to ${cardinal(Number(b.replace(/,/g, '')))}`,
    ],
    [
      new RegExp(
        String.raw`\b(won|win|wins|lost|lose|loses|drew|beat|beaten|led|lead|leading|trailed|scored?|` +
          String.raw`finished|ended)( (?:\p{L}+ ){0,3}?)(\d{1,2})[–-](\d{1,2})\b(?!\s?(?:%|${UNIT}|\p{L}))`,
        'giu',
      ),
      (word, between, a, b) => `${word}${between}${goals(a)} ${goals(b)}`,
    ],
    [
      /\b(\d{1,2})[–-](\d{1,2})(?= (?:win|victory|defeat|loss|draw|lead|thriller)\b)/g,
      (a, b) => `${goals(a)} ${goals(b)}`,
    ],
    [/\b(\d+(?:st|nd|rd|th))[–-](\d+(?:st|nd|rd|th))\b/g, (a, b) => `${a} to ${b}`],
    [/\b(1[0-9]|20)(\d)0s\b/g, (c, d) => decade(Number(`${c}${d}0`))],
    [/['’]?\b(\d)0s\b/g, (d) => decade(Number(d) * 10)],
    [/\b(\d{1,3}(?:,\d{3})*|\d+)(?:st|nd|rd|th)\b/gi, (n) => ordinal(Number(n.replace(/,/g, '')))],
    [
      new RegExp(String.raw`\b(${MONTHS}) (\d{1,2})(?=,? \d{4}\b|[\s.,;]|$)(?!\d)`, 'g'),
      (month, d) => `${month} ${ordinal(Number(d))}`,
    ],
    [
      new RegExp(
        String.raw`\b(?:the )?(\d{1,2})( to | and | or |–|-)(?:the )?(\d{1,2}) (${MONTHS})\b`,
        'g',
      ),
      (a, between, b, month) =>
        `${dayOf(a)}${/[–-]/.test(between) ? ' to ' : between}${dayOf(b)} of ${month}`,
    ],
    [
      new RegExp(String.raw`\b(?:the )?(\d{1,2}) (${MONTHS})\b`, 'g'),
      (d, month) => `${dayOf(d)} of ${month}`,
    ],
    [
      /\b(1[0-9]\d\d|20\d\d)\s?[–-]\s?(1[0-9]\d\d|20\d\d)\b/g,
      (a, b) => `${year(Number(a))} to ${year(Number(b))}`,
    ],
    [
      /\b(1[0-9]|20)(\d\d)[–/](\d\d)\b(?![\d/])/g,
      (c, a, b) =>
        Number(b) > Number(a) ? `${year(Number(c + a))} to ${cardinal(Number(b))}` : undefined,
    ],
    [
      /\b(\d)['′’]\s?(\d{1,2})(?:["″”]|['′]{2})/g,
      (feet, inches) => `${cardinal(Number(feet))} foot ${cardinal(Number(inches))}`,
    ],
    [
      /\b(\d+)°\s?(\d+)[′'](?:\s?(\d+)[″"])?(?:\s?([NSEW])\b)?/g,
      (d, m, s, side) =>
        `${cardinal(Number(d))} degrees ${cardinal(Number(m))} ` +
        `minutes${s ? ` ${cardinal(Number(s))} seconds` : ''}${side ? ` ${SIDES[side]}` : ''}`,
    ],
    [
      new RegExp(String.raw`\b(${NUMBER})\s?°\s?([NSEW])\b`, 'g'),
      (n, side) => `${decimal(n)} degrees ${SIDES[side]}`,
    ],
    [
      new RegExp(
        String.raw`\b(${NUMBER})\s?[–-]\s?(${NUMBER})(?=\s?(?:%|${UNIT}|\w|$|[.,;]))`,
        'g',
      ),
      (a, b) => `${a} to ${b}`,
    ],
    [new RegExp(String.raw`(?<![\w.])[-−](${NUMBER})`, 'g'), (n) => `minus ${n}`],
    [new RegExp(String.raw`(${NUMBER})\s?(?:%|per cent\b)`, 'g'), (n) => `${decimal(n)} percent`],
    [/\b24\/7\b/g, () => 'twenty-four seven'],
    [
      /(?<![\d./])([1-9]\d?)\/([1-9]\d?)\b(?![/\d])/g,
      (a, b) =>
        Number(a) + Number(b) === 100 ? `${cardinal(Number(a))} ${cardinal(Number(b))}` : undefined,
    ],
    [
      /(\d+) (\d{1,2})\/(2|3|4|5|6|7|8|9|10|12|16|32|64)\b(?![/\d])/g,
      (whole, n, d) =>
        `${cardinal(Number(whole))} and ${isOne(n) ? `a ${fraction(n, d).slice(4)}` : fraction(n, d)}`,
    ],
    [/(?<![\d./])1\/2\b(?!\/)/g, () => 'one half'],
    [
      /(?<![\d./])(\d{1,2})\/(2|3|4|5|6|7|8|9|10|12|16|20|32|50|64|100)\b(?![/\d])/g,
      (n, d) => (Number(n) < Number(d) ? fraction(n, d) : undefined),
    ],
    [
      /(?<![\d./])(\d+)\/(\d+)\b(?![/\d])/g,
      (a, b) => `${cardinal(Number(a))} over ${cardinal(Number(b))}`,
    ],
    [/(?:(\d+)\s?)?([½¼¾⅓⅔⅛⅜⅝⅞])/g, (whole, sign) => vulgar(whole, sign, cardinal)],
    [
      new RegExp(
        String.raw`\b((?:${DETERMINER}) (?:\d+ by )*)(${NUMBER})(?:\s|-)?(?!in\b)(${UNIT})(?:${BEFORE_NOUN}|${BEFORE_SIZED})`,
        'giu',
      ),
      (word, n, unit) => (UNITS[unit] ? `${word}${decimal(n)} ${UNITS[unit][0]}` : undefined),
    ],
    [
      new RegExp(String.raw`\b(${NUMBER})-(?!in\b)(${UNIT})${BEFORE_NOUN}`, 'gu'),
      (n, unit) => `${decimal(n)} ${certain(UNITS[unit])[0]}`,
    ],
    [/\b(\d{1,2})K\b/g, (n) => `${cardinal(Number(n))} K`],
    [
      new RegExp(
        String.raw`\b(${NUMBER})\s?(°[CF]?|km/h|kg/m³|g/cm³|m/s²|m/s|mph|km²|cm²|ft²|m²|cm³|m³|Ω)(?![\w])`,
        'g',
      ),
      measure,
    ],
    [
      new RegExp(
        String.raw`\b(${NUMBER})(?:\s|-)?(${UNIT})(?![\w'’])(?!(?<=\d\s?(?:in|A))\s+(?:a|the)\b)`,
        'g',
      ),
      measure,
    ],
    [
      /(?<=\d)(⁻?[⁰¹⁴-⁹][⁰¹²³⁴-⁹]*|⁻[⁰¹²³⁴-⁹]+|[²³][⁰¹²³⁴-⁹]+)/g,
      (power) => ` to the power of ${raised(power)}`,
    ],
    [/([²³])/g, (power) => (power === '²' ? ' squared' : ' cubed')],
    [
      /\b[vV](?:ersion )?(\d+(?:\.\d+)+)\b/g,
      (n) =>
        `version ${n
          .split('.')
          .map((part) => cardinal(Number(part)))
          .join(' point ')}`,
    ],
    [
      new RegExp(String.raw`\b(${YEAR_BEFORE})( the)? (1[0-9]\d\d|20\d\d)\b(?![,.]\d)`, 'gi'),
      (word, the: string | undefined, n) => `${word}${the ?? ''} ${year(Number(n))}`,
    ],
    [/(?<=^|[(,] ?|\. )(1[1-9]\d\d|20\d\d)(?=[),:]| (?:was|saw|the)\b|$)/g, (n) => year(Number(n))],
    [
      /([A-Za-z])-?(\d+)(?![\d,.]*\d)/g,
      (letter, n) => `${letter} ${n.startsWith('0') ? digits(n) : cardinal(Number(n))} `,
    ],
    [/(?<![\d.,])0(\d+)\b/g, (n) => digits(`0${n}`)],
    [
      new RegExp(String.raw`(${NUMBER})(?=([A-Za-z]?))`, 'g'),
      (n, next) => decimal(n) + (next ? ' ' : ''),
    ],
  ]
}

/** Nil is said of a side that scored nothing. */
const goals = (n: string) => (n === '0' ? 'nil' : cardinalIn(Number(n)))

const RAISED = '⁰¹²³⁴⁵⁶⁷⁸⁹'
const raised = (power: string) => {
  const n = Number(
    [...power].flatMap((sign) => (sign === '⁻' ? [] : RAISED.indexOf(sign))).join(''),
  )
  return `${power.startsWith('⁻') ? 'minus ' : ''}${cardinalIn(n)}`
}

const SIDES: Record<string, string> = { N: 'north', S: 'south', E: 'east', W: 'west' }

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

/** Fractions with names of their own, one and several, by what they divide by. */
const FRACTIONS: Record<number, readonly [one: string, more: string]> = {
  2: ['half', 'halves'],
  4: ['quarter', 'quarters'],
}

/** A number of a room, a road or a machine: its hundreds, then the rest. */
function byHundreds(thing: string, n: string): string {
  const [hundreds, rest] = [Number(n.charAt(0)), Number(n.slice(1))]
  if (rest === 0) return `${thing} ${cardinalIn(Number(n))}`
  return `${thing} ${cardinalIn(hundreds)} ${rest < 10 ? 'oh ' : ''}${cardinalIn(rest)}`
}

/** A web address: its host, and the first steps of a plain path. */
function address(host: string, path: string): string {
  const steps = /^\/[a-z-]+(?:\/[a-z-]+)?(?=\/?[.,;:!?]*$)/i.exec(path)?.[0] ?? ''
  const end = /[.,;:!?]+$/.exec(path)?.[0] ?? ''
  return (
    host.replace(/\./g, ' dot ') + steps.replace(/\//g, ' slash ').replace(/-/g, ' dash ') + end
  )
}

function clock(hours: number, minutes: number, half?: string): string {
  const noon = half ? ` ${half.charAt(0).toUpperCase()} M` : ''
  if (minutes === 0) return `${cardinalIn(hours)}${noon || " o'clock"}`
  return `${cardinalIn(hours)} ${minutes < 10 ? 'oh ' : ''}${cardinalIn(minutes)}${noon}`
}

const VULGAR: Record<string, string> = {
  '½': 'half',
  '¼': 'quarter',
  '¾': 'three quarters',
  '⅓': 'third',
  '⅔': 'two thirds',
  '⅛': 'eighth',
  '⅜': 'three eighths',
  '⅝': 'five eighths',
  '⅞': 'seven eighths',
}

function articleOf(fraction: string, behindWhole: boolean): string {
  if (!behindWhole) return 'one '
  return fraction === 'eighth' ? 'an ' : 'a '
}

function vulgar(whole: string | undefined, sign: string, cardinal: (n: number) => string): string {
  const said = certain(VULGAR[sign])
  const article = said.includes(' ') ? '' : articleOf(said, whole !== undefined)
  return whole ? `${cardinal(Number(whole))} and ${article}${said}` : article + said
}

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
