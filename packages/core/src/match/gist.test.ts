import { describe, expect, it } from 'vitest'
import { emptyLexicon, type Lexicon } from '../words/lexicon.ts'
import { gistOf } from './gist.ts'

// "sea" is said as often as COMMON allows for half its weight (10^(6 - 9) of all words), "lamp" a
// thousand times less often.
const lexicon: Lexicon = {
  ...emptyLexicon,
  gistDimensions: 2,
  frequency: (word) => ({ sea: 6, lamp: 3 })[word] ?? 3,
  gist: (word) => ({ sea: Float32Array.of(1, 0), lamp: Float32Array.of(0, 1) })[word],
}

describe('gistOf', () => {
  it('sums the words of a text, common ones less (worked by hand)', () => {
    const [sea, lamp] = gistOf([['The lamp, the sea', 1]], lexicon)
    expect(lamp! / sea!).toBeCloseTo(1 / 1.001 / 0.5, 4)
    expect(Math.hypot(sea!, lamp!)).toBeCloseTo(1, 6)
  })
  it('weighs text against text', () => {
    const [sea, lamp] = gistOf(
      [
        ['lamp', 1],
        ['sea', 4],
      ],
      lexicon,
    )
    expect(lamp! / sea!).toBeCloseTo(1 / 1.001 / 2, 4)
  })
  it('knows a word by its plain form', () =>
    expect([...gistOf([['Lamps', 1]], lexicon)]).toEqual([0, 1]))
  it.each([[[]], [[['', 1]]], [[['zzyzx 1822 …', 1]]]] as [[string, number][]][])(
    'is nothing for %j',
    (texts) => expect([...gistOf(texts, lexicon)]).toEqual([0, 0]),
  )
})
