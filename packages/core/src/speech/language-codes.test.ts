import { iso6392 as standard } from 'iso-639-2'
import { describe, expect, it } from 'vitest'
import { LANGUAGES } from './language.ts'
import { iso6392 } from './language-codes.ts'

describe('iso6392', () => {
  it('has the code of the standard for every language (the package iso-639-2, from the Library of Congress)', () => {
    for (const language of Object.keys(LANGUAGES)) {
      const asTwo = language === 'cmn' ? 'zh' : language
      const entry = standard.find(({ iso6391 }) => iso6391 === asTwo)
      expect([language, iso6392(language)]).toEqual([language, entry?.iso6392T ?? entry?.iso6392B])
    }
  })
  it('takes a region off, and knows when it does not know', () => {
    expect(iso6392('en-GB')).toBe('eng')
    expect(iso6392('tlh')).toBe('und')
  })
})
