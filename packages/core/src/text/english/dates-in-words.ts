import { decade, year } from '../numbers.ts'
import { type InWords, MONTHS, type Rule } from './rule.ts'

/**
 * Ordinals, decades, days of months and years from one to another.
 *
 * @returns in the order they are to be tried; each leaves no digits behind
 */
export function dateRules({ cardinal, ordinal }: InWords): Rule[] {
  const dayOf = (d: string) => `the ${ordinal(Number(d))}`
  return [
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
  ]
}
