import { certain } from '../../faults/certain.ts'
import { type InWords, isOne, NUMBER, type Rule, UNIT } from './rule.ts'

const SIDES: Record<string, string> = { N: 'north', S: 'south', E: 'east', W: 'west' }

/** Fractions with names of their own, one and several, by what they divide by. */
const FRACTIONS: Record<number, readonly [one: string, more: string]> = {
  2: ['half', 'halves'],
  4: ['quarter', 'quarters'],
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

/**
 * Feet and degrees, ranges, parts of a hundred and fractions.
 *
 * @returns in the order they are to be tried; each leaves no digits behind
 */
export function fractionRules({ cardinal, ordinal, decimal }: InWords): Rule[] {
  const fraction = (n: string, d: string) => {
    const parts = FRACTIONS[Number(d)] ?? [ordinal(Number(d)), `${ordinal(Number(d))}s`]
    return `${cardinal(Number(n))} ${parts[isOne(n) ? 0 : 1]}`
  }
  return [
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
  ]
}
