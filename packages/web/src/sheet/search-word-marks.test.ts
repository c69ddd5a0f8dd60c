import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { markedPieces } from './search-word-marks.ts'

const word = (written: string, weight = 1) => ({ text: written.toLowerCase(), written, weight })

describe('marked', () => {
  it('marks the search words where they stand', () => {
    expect(markedPieces('The old lamp burns.', [word('lamp')])).toEqual([
      { text: 'The old ', mark: false },
      { text: 'lamp', mark: true },
      { text: ' burns.', mark: false },
    ])
  })
  it('marks a phrase as one', () =>
    expect(
      markedPieces('They burned whale oil.', [word('whale oil'), word('oil')]).filter(
        ({ mark }) => mark,
      ),
    ).toEqual([{ text: 'whale oil', mark: true }]))
  it('does not mark inside another word', () =>
    expect(markedPieces('The lamplight.', [word('lamp')]).some(({ mark }) => mark)).toBe(false))
  it('gives the text back whole, whatever is marked', () => {
    fc.assert(
      fc.property(fc.string(), fc.array(fc.string({ minLength: 1 })), (text, words) => {
        expect(
          markedPieces(
            text,
            words.map((w) => word(w)),
          )
            .map((piece) => piece.text)
            .join(''),
        ).toBe(text)
      }),
    )
  })
})
