import { digits, year } from '../numbers.ts'
import { type InWords, MONTHS, NUMBER, type Rule } from './rule.ts'

const YEAR_BEFORE =
  String.raw`in|since|(?<!\d )by|of|` +
  'from|until|till|before|after|around|about|during|to|and|between|early|late|' +
  `circa|year|summer|winter|spring|autumn|${MONTHS}`

/**
 * Versions, years by what stands before them, and what is left.
 *
 * @returns in the order they are to be tried; each leaves no digits behind
 */
export function otherRules({ cardinal, decimal }: InWords): Rule[] {
  return [
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
