import words from 'number-to-words'
import { describe, expect, it } from 'vitest'
import { cardinal, ordinal, year } from './numbers.ts'
import { spokenText } from './spoken.ts'

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

describe('spokenText', () => {
  it.each([
    ['In 1822 it cost £2.50, e.g. 5 km off.', 'In eighteen twenty-two it cost two pounds and fifty pence, for example five kilometres off.'],
    ['About 70% came at 5:30 p.m.', 'About seventy percent came at five thirty P M.'],
    ['It rose 2–3 m in the 1820s.', 'It rose two to three metres in the eighteen twenties.'],
    ['Dr. Reed of St. Ives, 21st.', 'doctor Reed of saint Ives, twenty-first.'],
    ['$3.5 million at -5 °C', 'three point five million dollars at minus five degrees Celsius'],
  ])('says %j', (written, said) => expect(spokenText(written)).toBe(said))
  it('leaves no digit behind', () => {
    for (const text of ['007', '12:00', '1/2', '3rd', '1,000,000', '0.05', 'B52', 'H2O']) expect(spokenText(text)).not.toMatch(/\d/)
  })
})
