import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { clausesOf } from './clauses.ts'

const seconds = (text: string) => text.length / 14
const split = (text: string, limit = 5) =>
  clausesOf(text, seconds, limit).map(({ from, to }) => text.slice(from, to))

describe('clausesOf', () => {
  it('leaves a short sentence whole', () =>
    expect(split('The lamp burns.')).toEqual(['The lamp burns.']))
  it('cuts at a semicolon rather than at a comma or between words', () => {
    expect(
      split(
        'The lamp burns, bright and steady, all the night; the keeper sleeps below, in his bunk.',
        5,
      )[0],
    ).toBe('The lamp burns, bright and steady, all the night;')
  })
  it('cuts before a joining word rather than after an article', () => {
    const pieces = split(
      'The keeper wound the heavy weight to the top of the tower because the lamp had to turn',
      5,
    )
    expect(pieces.slice(0, -1).map((piece) => piece.split(' ').at(-1))).not.toContain('the')
    expect(pieces.length).toBeGreaterThan(1)
  })
  it('leaves no stub of a second', () => {
    for (const piece of split(
      'So, when the tide has turned and the water runs out over the bar, the pilots wait, and wait, and wait again.',
      4,
    ))
      expect(seconds(piece)).toBeGreaterThan(1)
  })
  it('parts Chinese, which has no spaces, after its commas', () => {
    const pieces = clausesOf(
      '潮水每天来两次，因为月亮拉着海水，而地球在下面转动。'.repeat(2),
      (text) => text.length / 5,
      5,
    )
    expect(pieces.length).toBeGreaterThan(2)
  })
  it('covers every word once, in order, for any sentence and limit', () => {
    const word = fc.constantFrom(
      'the',
      'lamp',
      'and',
      'keeper,',
      'because',
      'sea;',
      'of',
      'a',
      'extraordinarily',
      '—',
      'light.',
    )
    fc.assert(
      fc.property(
        fc.array(word, { minLength: 1, maxLength: 80 }),
        fc.integer({ min: 1, max: 12 }),
        (words, limit) => {
          const text = words.join(' ')
          expect(split(text, limit).join(' ').split(/\s+/)).toEqual(words)
        },
      ),
    )
  })
  it('keeps every piece within the limit wherever a space allows it', () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom('lamp', 'and', 'tide,', 'the'), { minLength: 4, maxLength: 120 }),
        (words) => {
          for (const piece of split(words.join(' '), 3))
            expect(seconds(piece)).toBeLessThanOrEqual(3.001)
        },
      ),
    )
  })
})
