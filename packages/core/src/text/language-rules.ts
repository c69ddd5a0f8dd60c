import { roman } from './numbers.ts'

export interface NumberWords {
  toCardinal: (n: number | string) => string
  toOrdinal: (n: number | string) => string
}

/** Said of one, said of more; whether it is feminine where numbers mind that. */
export type Unit = readonly [one: string, more: string, gender?: 'feminine']

/** A rule of one language: what it matches, and what is said for its groups. */
export type OwnRule = [RegExp, (groups: readonly (string | undefined)[]) => string | undefined]

/**
 * What a language does differently with what is not a word. Without `words` its engine reads the
 * digits.
 */
export interface LanguageRules {
  words?: NumberWords
  /** The sign before the fraction; the other of the two parts thousands. */
  decimal: ',' | '.'
  percent?: string
  minus?: string
  to?: string
  and?: string
  /** Between the sides of a size: 4x6. */
  by?: string
  /** Between the sides of a score or a scale: 3:1. */
  against?: string
  /** Written sign or short form of what is counted or measured. */
  units?: Record<string, Unit>
  /** A whole number before what it counts: one is often said otherwise there. */
  counting?: (n: string, gender: Unit[2]) => string
  /** True for an amount that is followed by the singular; else 1 alone. */
  isOne?: (n: string) => boolean
  /** Euros and cents: 2,50 €. */
  cents?: (euros: string, cents: string) => string
  /** So many parts of a whole; undefined where nobody says it so. */
  fraction?: (parts: number, of: number) => string | undefined
  /** A whole number and a half. */
  andHalf?: (n: number) => string
  /** Signs of addresses: `@`, the dot, and `www`. */
  web?: { at: string; dot: string; www: string }
  shortForms?: Record<string, string>
  /** Rules that only this language has, before all others. */
  own?: OwnRule[]
}

export const whole = (n: string | undefined): number => Number(n)

/** @returns undefined for what is no Roman numeral: it stays as it is written */
export const fromRoman = (
  n: string | undefined,
  say: (value: number) => string,
): string | undefined => {
  const value = roman(n ?? '')
  return value === undefined ? undefined : say(value)
}

/** Years that some languages say as hundreds. */
export const HUNDREDS = /(?<![\d.,])(1[1-9]\d\d)(?![\d.,]*\d)/g

/** Years as hundreds, where the language says them so. */
export const hundreds =
  (words: NumberWords, hundred: string) =>
  ([n]: readonly (string | undefined)[]): string => {
    const year = whole(n)
    return (
      words.toCardinal(Math.floor(year / 100)) +
      hundred +
      (year % 100 ? words.toCardinal(year % 100) : '')
    )
  }
