import { certain, itemAt } from '../faults/certain.ts'
import { wordList } from './pattern.ts'
const ONES = wordList(`
    zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen
    fifteen sixteen seventeen eighteen nineteen
  `)
const TENS = '_ _ twenty thirty forty fifty sixty seventy eighty ninety'.split(' ')
const SCALES = ['', 'thousand', 'million', 'billion', 'trillion', 'quadrillion']
const ORDINALS: Record<string, string> = {
  one: 'first',
  two: 'second',
  three: 'third',
  five: 'fifth',
  eight: 'eighth',
  nine: 'ninth',
  twelve: 'twelfth',
}

function belowHundred(n: number): string {
  if (n < 20) return itemAt(ONES, n)
  return n % 10 ? `${TENS[Math.floor(n / 10)]}-${ONES[n % 10]}` : itemAt(TENS, n / 10)
}

function belowThousand(n: number, and: string): string {
  if (n < 100) return belowHundred(n)
  const rest = n % 100
  const hundreds = `${ONES[Math.floor(n / 100)]} hundred`
  return rest ? `${hundreds}${and} ${belowHundred(rest)}` : hundreds
}

/** English with "and" after the hundreds, as in Britain, or without. */
export type Variant = 'british' | 'american'

/**
 * A whole number in words.
 *
 * @param n 0 to 2^53 − 1 in size, negative allowed; larger ones are read digit by digit
 * @example cardinal(21_305) // => 'twenty-one thousand three hundred five'
 * @example cardinal(1_005, 'british') // => 'one thousand and five'
 */
export function cardinal(n: number, variant: Variant = 'american'): string {
  if (n < 0) return `minus ${cardinal(-n, variant)}`
  if (!Number.isSafeInteger(n)) return digits(String(n))
  const and = variant === 'british' ? ' and' : ''
  if (n < 1000) return belowThousand(n, and)
  const groups: string[] = []
  for (let rest = n, scale = 0; rest > 0; rest = Math.floor(rest / 1000), scale++) {
    const group = rest % 1000
    const joined = scale === 0 && group > 0 && group < 100 ? and.trimStart() : ''
    if (group) groups.unshift(`${joined} ${belowThousand(group, and)} ${SCALES[scale]}`.trim())
  }
  return groups.join(' ')
}

/** @example ordinal(21) // => 'twenty-first' */
export function ordinal(n: number, variant: Variant = 'american'): string {
  return cardinal(n, variant).replace(/[a-z]+$/, (last) => {
    if (ORDINALS[last]) return ORDINALS[last]
    return last.endsWith('y') ? `${last.slice(0, -1)}ieth` : `${last}th`
  })
}

/** Every digit by itself. @example digits('07') // => 'zero seven' */
export function digits(text: string): string {
  return [...text]
    .map((d) => (d === '.' ? 'point' : (ONES[Number(d)] ?? '')))
    .filter(Boolean)
    .join(' ')
}

/** A year as it is said. @example year(1905) // => 'nineteen oh five' */
export function year(n: number): string {
  const high = Math.floor(n / 100)
  const low = n % 100
  if (n < 1000 || n > 2999 || (n % 1000 < 10 && high % 10 === 0)) return cardinal(n)
  if (low === 0) return `${belowHundred(high)} hundred`
  return `${belowHundred(high)} ${low < 10 ? `oh ${ONES[low]}` : belowHundred(low)}`
}

/** The years from `n` on. @example decade(1820) // => 'eighteen twenties' */
export function decade(n: number): string {
  const said = year(n)
  return said.endsWith('y') ? `${said.slice(0, -1)}ies` : `${said}s`
}

/**
 * A number as written, with commas and a decimal part. @example decimal('1,234.05') // => '… point
 * zero five'
 */
export function decimal(text: string, variant: Variant = 'american'): string {
  const [whole = '0', fraction] = text.replace(/,/g, '').split('.')
  const said = whole.length > 15 ? digits(whole) : cardinal(Number(whole || '0'), variant)
  return fraction ? `${said} point ${digits(fraction)}` : said
}

const ROMAN: Record<string, number> = { I: 1, V: 5, X: 10, L: 50, C: 100, D: 500, M: 1000 }
const ROMAN_FORM = /^M{0,3}(CM|CD|D?C{0,3})(XC|XL|L?X{0,3})(IX|IV|V?I{0,3})$/

/**
 * The value of a Roman numeral in its usual form, 1 to 3999; undefined for anything else. @example
 * roman('XIV') // => 14
 */
export function roman(text: string): number | undefined {
  if (!text || !ROMAN_FORM.test(text)) return undefined
  const values = [...text].map((letter) => certain(ROMAN[letter]))
  return values.reduce((sum, value, i) => sum + (value < (values[i + 1] ?? 0) ? -value : value), 0)
}
