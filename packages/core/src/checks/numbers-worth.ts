import nlp from 'compromise'
import { pattern } from '../text/pattern.ts'
import { PIECE_CHARACTERS } from '../text/pieces.ts'
import { claimsIn } from './claims.ts'

/** Of a sentence, so many are offered. */
const MOST = 3
/**
 * What a count is of decides whether it is worth showing: measures always, everything else when it
 * is large.
 */
const MEASURED = pattern(
  'i',
  String.raw`(?:%|°|per ?cent|degrees?|miles?|feet|foot|inch|tonnes?|tons?|pounds?|kilo|met(?:re|`,
  String.raw`er)|lit(?:re|er)|hours?|minutes?|seconds?|days?|weeks?|months?|years?|decades?|`,
  String.raw`centur|\d\s?[kcmµ]?[mgWV]\b|km|mph|[£$€])`,
)
/**
 * From here on a bare number is worth a card, by hand: smaller ones are mostly counts said in
 * passing.
 */
const LARGE = 20
const YEAR = /\b(?:1\d{3}|20\d\d)s?\b/

/**
 * Numbers of a sentence that are worth a card: years, measures, large counts, as they would stand
 * on the picture.
 *
 * @example numbersWorth('In 1822 it was seen from twenty miles out by two men.') // => ['1822', '20 miles']
 */
export function numbersWorth(text: string): string[] {
  const found = claimsIn(text.slice(0, PIECE_CHARACTERS), new Set()).flatMap(
    ({ kind, from, to }) => {
      const words = text.slice(from, to)
      if (kind === 'date') return (YEAR.exec(words) ?? []).slice(0, 1)
      return kind === 'number' ? countOf(words) : []
    },
  )
  return [...new Set(found)].slice(0, MOST)
}

/** A count in figures; one that is written in figures stays as it is written. */
function countOf(words: string): string[] {
  const [first] = nlp(words).numbers().json() as { text: string; number: { num: number | null } }[]
  const value = first?.number.num ?? 0
  const worth = Math.abs(value) >= LARGE || (Math.abs(value) > 2 && MEASURED.test(words))
  if (!first || !worth) return []
  const written = /^[£$€\d]/.test(words)
    ? words
    : words.replace(first.text, value.toLocaleString('en-GB'))
  return /^[£$€]?[\d,.]+(?:\D|$)/.test(written) ? [written.trim()] : []
}
