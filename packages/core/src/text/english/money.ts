import { certain } from '../../faults/certain.ts'
import { CURRENCIES, CURRENCY_CODES, LARGE, SINGLE } from '../english-measures.ts'
import { BEFORE_NOUN, DETERMINER, type InWords, isOne, NUMBER, type Rule, SCALE } from './rule.ts'

/**
 * Amounts of money, the narrow before the broad.
 *
 * @returns in the order they are to be tried; each leaves no digits behind
 */
export function moneyRules({ cardinal, decimal }: InWords): Rule[] {
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
  const coinOf = (sign: string, amount: string) => {
    const [whole = '0', part] = amount.replace(/,/g, '').split('.')
    const [one] = certain(CURRENCIES[sign])
    const rest = part && part.length === 2 && Number(part) ? ` ${cardinal(Number(part))}` : ''
    return `${part && part.length !== 2 ? decimal(amount) : cardinal(Number(whole))} ${one}${rest}`
  }
  return [
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
  ]
}
