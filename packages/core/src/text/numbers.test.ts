import { toCardinal } from 'n2words/en-GB'
import words from 'number-to-words'
import { describe, expect, it } from 'vitest'
import { cardinal, ordinal, roman, year } from './numbers.ts'

const plain = (text: string) => text.replace(/,/g, '')

describe('numbers in words', () => {
  it('agrees with the reference library number-to-words over thousands of values', () => {
    for (let n = 0; n < 3000; n++) expect(cardinal(n)).toBe(plain(words.toWords(n)))
    for (let n = 1; n < 2e12; n = Math.ceil(n * 1.37 + 3))
      expect(cardinal(n)).toBe(plain(words.toWords(n)))
    for (let n = 1; n < 2000; n++) expect(ordinal(n)).toBe(plain(words.toWordsOrdinal(n)))
  })
  it('agrees in British English with the reference library n2words (en-GB)', () => {
    for (let n = 0; n < 3000; n++) expect(cardinal(n, 'british')).toBe(toCardinal(n))
    for (let n = 1; n < 2e12; n = Math.ceil(n * 1.37 + 3))
      expect(cardinal(n, 'british')).toBe(toCardinal(n))
  })
  it('reads Roman numerals in their usual form only', () => {
    const written = [1000, 900, 500, 400, 100, 90, 50, 40, 10, 9, 5, 4, 1]
    const letters = ['M', 'CM', 'D', 'CD', 'C', 'XC', 'L', 'XL', 'X', 'IX', 'V', 'IV', 'I']
    // The usual table, largest first (from memory): writes every number up to 3,999.
    const write = (n: number) =>
      written.reduce((text, value, i) => {
        while (n >= value) {
          text += letters[i]!
          n -= value
        }
        return text
      }, '')
    for (let n = 1; n < 4000; n++) expect(roman(write(n))).toBe(n)
    expect(['IIII', 'VX', 'IC', '', 'MIX2', 'i'].map(roman)).toEqual([
      undefined,
      undefined,
      undefined,
      undefined,
      undefined,
      undefined,
    ])
  })
  it('says years as years (common practice)', () => {
    expect([1822, 1905, 2000, 2005, 1900, 2024].map(year)).toEqual([
      'eighteen twenty-two',
      'nineteen oh five',
      'two thousand',
      'two thousand five',
      'nineteen hundred',
      'twenty twenty-four',
    ])
  })
})
