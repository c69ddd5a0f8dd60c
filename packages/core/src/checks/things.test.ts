import { describe, expect, it } from 'vitest'
import { emptyLexicon } from '../words/lexicon.ts'
import { newThings } from './things.ts'

const lexicon = {
  ...emptyLexicon,
  picturable: (noun: string) => (['lamp', 'rope', 'boat'].includes(noun) ? 1 : 0.1),
}

describe('newThings', () => {
  it('counts each thing once, in 1,000 words, and finds the longest stretch without any', () => {
    const scenes = [
      'The lamp burns.',
      'The idea was old.',
      'It was a thought.',
      'The lamp burns on.',
      'A rope holds the boat.',
    ].map((text) => ({ text }))
    const things = newThings(scenes, lexicon)
    expect(things.fresh).toEqual([['lamp'], [], [], [], expect.arrayContaining(['rope', 'boat'])])
    expect(things.rate).toBeCloseTo((3 * 1000) / 20, 0)
    expect(things.drought).toEqual({ first: 1, end: 4, words: 12 })
  })
  it('has nothing to say of an empty script', () =>
    expect(newThings([], lexicon)).toEqual({ fresh: [], rate: 0, drought: null }))
})
