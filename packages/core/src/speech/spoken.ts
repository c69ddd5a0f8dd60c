import { cardinal, decade, decimal, digits, ordinal, year } from './numbers.ts'

const ABBREVIATIONS: Record<string, string> = {
  'mr.': 'mister', 'mrs.': 'missus', 'ms.': 'miz', 'dr.': 'doctor', 'prof.': 'professor', 'st.': 'saint',
  'mt.': 'mount', 'ft.': 'fort', 'capt.': 'captain', 'lt.': 'lieutenant', 'gen.': 'general', 'sgt.': 'sergeant',
  'e.g.': 'for example', 'i.e.': 'that is', 'etc.': 'et cetera', 'vs.': 'versus', 'approx.': 'approximately',
  'ca.': 'around', 'no.': 'number', 'fig.': 'figure', 'vol.': 'volume', 'jr.': 'junior', 'sr.': 'senior',
  'dept.': 'department', 'est.': 'established', 'jan.': 'January', 'feb.': 'February', 'aug.': 'August',
  'sept.': 'September', 'oct.': 'October', 'nov.': 'November', 'dec.': 'December', 'a.m.': 'A M', 'p.m.': 'P M',
  'u.s.': 'U S', 'u.k.': 'U K', 'b.c.': 'B C', 'a.d.': 'A D',
}
/** Written unit → [said of one, said of more]. */
const UNITS: Record<string, [string, string]> = {
  km: ['kilometre', 'kilometres'], m: ['metre', 'metres'], cm: ['centimetre', 'centimetres'],
  mm: ['millimetre', 'millimetres'], kg: ['kilogram', 'kilograms'], g: ['gram', 'grams'], mg: ['milligram', 'milligrams'],
  t: ['tonne', 'tonnes'], ft: ['foot', 'feet'], in: ['inch', 'inches'], mi: ['mile', 'miles'], nm: ['nanometre', 'nanometres'],
  lb: ['pound', 'pounds'], lbs: ['pound', 'pounds'], oz: ['ounce', 'ounces'], l: ['litre', 'litres'], L: ['litre', 'litres'],
  ml: ['millilitre', 'millilitres'], s: ['second', 'seconds'], ms: ['millisecond', 'milliseconds'], min: ['minute', 'minutes'],
  h: ['hour', 'hours'], Hz: ['hertz', 'hertz'], kHz: ['kilohertz', 'kilohertz'], MHz: ['megahertz', 'megahertz'],
  W: ['watt', 'watts'], kW: ['kilowatt', 'kilowatts'], MW: ['megawatt', 'megawatts'], kWh: ['kilowatt hour', 'kilowatt hours'],
  V: ['volt', 'volts'], A: ['amp', 'amps'], Pa: ['pascal', 'pascals'], kPa: ['kilopascal', 'kilopascals'],
  ha: ['hectare', 'hectares'], GB: ['gigabyte', 'gigabytes'], MB: ['megabyte', 'megabytes'], TB: ['terabyte', 'terabytes'],
  '°C': ['degree Celsius', 'degrees Celsius'], '°F': ['degree Fahrenheit', 'degrees Fahrenheit'], '°': ['degree', 'degrees'],
  mph: ['mile an hour', 'miles an hour'], 'km/h': ['kilometre an hour', 'kilometres an hour'],
  'm/s': ['metre a second', 'metres a second'], 'm²': ['square metre', 'square metres'], 'km²': ['square kilometre', 'square kilometres'],
  'm³': ['cubic metre', 'cubic metres'], K: ['kelvin', 'kelvins'], dB: ['decibel', 'decibels'],
}
const CURRENCIES: Record<string, [one: string, more: string, small: string]> = {
  $: ['dollar', 'dollars', 'cents'], '£': ['pound', 'pounds', 'pence'], '€': ['euro', 'euros', 'cents'],
}
export const MONTHS = 'January|February|March|April|May|June|July|August|September|October|November|December'
const NUMBER = String.raw`\d{1,3}(?:,\d{3})+(?:\.\d+)?|\d+(?:\.\d+)?`
const SCALE = '(hundred|thousand|million|billion|trillion)'
const UNIT = Object.keys(UNITS).sort((a, b) => b.length - a.length).map((u) => u.replace(/[/.]/g, '\\$&')).join('|')
const YEAR_BEFORE = `in|since|by|of|from|until|till|before|after|around|about|during|to|and|between|early|late|circa|year|summer|winter|spring|autumn|${MONTHS}`

type Rule = [pattern: RegExp, say: (...groups: string[]) => string]

const isOne = (n: string) => n === '1'

/** In order: the narrow before the broad, each leaving no digits behind. */
const RULES: Rule[] = [
  [/https?:\/\/(?:www\.)?([\w.-]+)\S*/gi, (host) => host.replace(/\./g, ' dot ')],
  [new RegExp(String.raw`([$£€])(${NUMBER})\s?${SCALE}\b`, 'gi'), (sign, n, scale) => `${decimal(n)} ${scale} ${CURRENCIES[sign]![1]}`],
  [new RegExp(String.raw`([$£€])(${NUMBER})`, 'g'), money],
  [/\b(\d{1,2}):([0-5]\d)(?:\s?(a\.?m\.?|p\.?m\.?|A M|P M))?(?![\d:])/gi, clock],
  [/\b(\d{1,2})\s?(a\.?m\.?|p\.?m\.?)(?!\w)/gi, (n, half) => `${cardinal(Number(n))} ${half[0]!.toUpperCase()} M`],
  [/\b(1[0-9]|20)(\d)0s\b/g, (c, d) => decade(Number(`${c}${d}0`))],
  [/['’]?\b(\d)0s\b/g, (d) => decade(Number(d) * 10)],
  [/\b(\d{1,3}(?:,\d{3})*|\d+)(?:st|nd|rd|th)\b/gi, (n) => ordinal(Number(n.replace(/,/g, '')))],
  [new RegExp(String.raw`\b(${MONTHS}) (\d{1,2})(?=,? \d{4}\b|[\s.,;]|$)(?!\d)`, 'g'), (month, d) => `${month} ${ordinal(Number(d))}`],
  [new RegExp(String.raw`\b(\d{1,2}) (${MONTHS})\b`, 'g'), (d, month) => `${ordinal(Number(d))} of ${month}`],
  [/\b(1[0-9]\d\d|20\d\d)\s?[–-]\s?(1[0-9]\d\d|20\d\d)\b/g, (a, b) => `${year(Number(a))} to ${year(Number(b))}`],
  [new RegExp(String.raw`\b(${NUMBER})\s?[–-]\s?(${NUMBER})(?=\s?(?:%|${UNIT}|\w|$|[.,;]))`, 'g'), (a, b) => `${a} to ${b}`],
  [new RegExp(String.raw`(?<![\w.])[-−](${NUMBER})`, 'g'), (n) => `minus ${n}`],
  [new RegExp(String.raw`(${NUMBER})\s?(?:%|per cent\b)`, 'g'), (n) => `${decimal(n)} percent`],
  [/(?<![\d.])1\/2\b/g, () => 'one half'],
  [/(?<![\d.])(\d)\/4\b/g, (n) => `${cardinal(Number(n))} ${isOne(n) ? 'quarter' : 'quarters'}`],
  [/(?<![\d.])(\d)\/(3|5|6|7|8|9|10)\b/g, (n, d) => `${cardinal(Number(n))} ${ordinal(Number(d))}${isOne(n) ? '' : 's'}`],
  [/(\d)?\s?([½¼¾⅓⅔])/g, vulgar],
  [new RegExp(String.raw`\b(${NUMBER})\s?(°[CF]?|km/h|m/s|mph|km²|m²|m³)(?![\w])`, 'g'), measure],
  [new RegExp(String.raw`\b(${NUMBER})(?:\s|-)?(${UNIT})(?![\w'’])(?!\s+(?:a|the)\b)`, 'g'), measure],
  [new RegExp(String.raw`\b(${YEAR_BEFORE})( the)? (1[1-9]\d\d|20\d\d)\b(?![,.]\d)`, 'gi'), (word, the, n) => `${word}${the ?? ''} ${year(Number(n))}`],
  [/(?<=^|[(,] ?|\. )(1[1-9]\d\d|20\d\d)(?=[),:]| (?:was|saw|the)\b|$)/g, (n) => year(Number(n))],
  [/\b0(\d+)\b/g, (n) => digits(`0${n}`)],
  [new RegExp(String.raw`(${NUMBER})`, 'g'), (n) => decimal(n)],
]

const SYMBOLS: Rule[] = [
  [/\s?&\s?/g, () => ' and '],
  [/#(?=\d)/g, () => 'number '],
  [/@/g, () => ' at '],
  [/\s?×\s?/g, () => ' times '],
  [/\s=\s/g, () => ' equals '],
  [/\s\+\s/g, () => ' plus '],
  [/~(?=\d)/g, () => 'about '],
  [/\band\/or\b/gi, () => 'and or'],
]

function money(sign: string, amount: string): string {
  const [one, more, small] = CURRENCIES[sign]!
  const [whole = '0', cents] = amount.replace(/,/g, '').split('.')
  const main = `${cardinal(Number(whole))} ${isOne(whole) ? one : more}`
  return cents && cents.length === 2 && Number(cents) ? `${main} and ${cardinal(Number(cents))} ${small}` : main
}

function clock(hours: string, minutes: string, half?: string): string {
  const m = Number(minutes)
  const said = m === 0 ? (half ? '' : " o'clock") : ` ${m < 10 ? `oh ${cardinal(m)}` : cardinal(m)}`
  return `${cardinal(Number(hours))}${said}${half ? ` ${half[0]!.toUpperCase()} M` : ''}`
}

function vulgar(whole: string | undefined, sign: string): string {
  const said = { '½': 'half', '¼': 'quarter', '¾': 'three quarters', '⅓': 'third', '⅔': 'two thirds' }[sign]!
  const article = /^(half|quarter|third)$/.test(said) ? (whole ? 'a ' : 'one ') : ''
  return whole ? `${cardinal(Number(whole))} and ${article}${said}` : article + said
}

function measure(amount: string, unit: string): string {
  const [one, more] = UNITS[unit]!
  return `${decimal(amount)} ${isOne(amount) ? one : more}`
}

/**
 * What a voice is given for what is written: numbers, years, units, money, abbreviations and symbols in words.
 * English rules; text in another script passes through, its digits excepted.
 *
 * @example spokenText('In 1822 it cost £2.50, e.g. 5 km off.') 
 * // => 'In eighteen twenty-two it cost two pounds and fifty pence, for example five kilometres off.'
 */
export function spokenText(written: string): string {
  let text = written.replace(/\p{Extended_Pictographic}\ufe0f?/gu, (sign) => (/[\d#*]/.test(sign) ? sign : ' '))
  text = text.replace(/(?<![\p{L}.])(\p{L}+\.(?:\p{L}\.)*)/gu, (word, _w, at: number) => abbreviation(word, text, at))
  for (const [pattern, say] of [...SYMBOLS, ...RULES]) text = text.replace(pattern, (_all, ...groups) => say(...(groups as string[])))
  return text.replace(/[*_`|<>{}\\^~]/g, ' ').replace(/\s+/g, ' ').replace(/ ([.,;:!?])/g, '$1').trim()
}

function abbreviation(word: string, text: string, at: number): string {
  const said = ABBREVIATIONS[word.toLowerCase()]
  if (!said) return word
  const after = text.slice(at + word.length)
  const ends = after.trim() === '' || /^["'”’)]+\s*$/.test(after)
  if (/^no\.$/i.test(word) && !/^\s?\d/.test(after)) return word
  if (/^(st|mt|ft|fig|vol|gen|capt|lt)\.$/i.test(word) && !/^\s\p{Lu}|^\s?\d/u.test(after)) return word
  if (/^(est|dec|jan|feb|aug|sept|oct|nov|ca|in)\.$/i.test(word) && !/^\s?\d/.test(after)) return word
  return ends ? `${said}.` : said
}
