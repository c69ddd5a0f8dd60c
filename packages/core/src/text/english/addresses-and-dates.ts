import { digits, year } from '../numbers.ts'
import { type InWords, MONTH_NAMES, type Rule } from './rule.ts'

/** A web address: its host, and the first steps of a plain path. */
function address(host: string, path: string): string {
  const steps = /^\/[a-z-]+(?:\/[a-z-]+)?(?=\/?[.,;:!?]*$)/i.exec(path)?.[0] ?? ''
  const end = /[.,;:!?]+$/.exec(path)?.[0] ?? ''
  return (
    host.replace(/\./g, ' dot ') + steps.replace(/\//g, ' slash ').replace(/-/g, ' dash ') + end
  )
}

/**
 * Addresses, dates in figures, and numbers one calls.
 *
 * @returns in the order they are to be tried; each leaves no digits behind
 */
export function addressRules({ variant, ordinal }: InWords): Rule[] {
  const dated = (d: number, m: number, y: string) =>
    variant === 'british'
      ? `the ${ordinal(d)} of ${MONTH_NAMES[m - 1]}, ${year(Number(y))}`
      : `${MONTH_NAMES[m - 1]} ${ordinal(d)}, ${year(Number(y))}`
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
  ]
}
