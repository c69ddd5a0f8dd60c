import words from 'number-to-words'
import { describe, expect, it } from 'vitest'
import { cardinal, ordinal, year } from './numbers.ts'

const plain = (text: string) => text.replace(/,/g, '')

describe('numbers in words', () => {
  it('agrees with the reference library number-to-words over thousands of values', () => {
    for (let n = 0; n < 3000; n++) expect(cardinal(n)).toBe(plain(words.toWords(n)))
    for (let n = 1; n < 2e12; n = Math.ceil(n * 1.37 + 3)) expect(cardinal(n)).toBe(plain(words.toWords(n)))
    for (let n = 1; n < 2000; n++) expect(ordinal(n)).toBe(plain(words.toWordsOrdinal(n)))
  })
  it('says years as years (common practice)', () => {
    expect([1822, 1905, 2000, 2005, 1900, 2024].map(year)).toEqual(['eighteen twenty-two', 'nineteen oh five', 'two thousand', 'two thousand five', 'nineteen hundred', 'twenty twenty-four'])
  })
})
