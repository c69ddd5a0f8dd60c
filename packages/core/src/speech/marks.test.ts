import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { spokenForm } from '../text/spoken.ts'
import { spansOf, writtenSpans } from './marks.ts'

const told = (...words: [string, number, number][]) =>
  words.map(([text, start, end]) => ({ text, start, end }))

describe('spansOf', () => {
  it('joins what an engine parts and parts what it joins', () => {
    expect(
      spansOf(['twenty-two', 'lamps'], told(['twenty', 0, 1], ['two', 1, 2], ['lamps', 2, 3])),
    ).toEqual([
      [0, 2],
      [2, 3],
    ])
    expect(spansOf(['two', 'to'], told(['twoto', 0, 5]))).toEqual([
      [0, 3],
      [3, 5],
    ])
  })
  it('gives a word nobody told of the room between its neighbours', () => {
    expect(spansOf(['the', 'old', 'lamp'], told(['the', 0, 1], ['lamp', 3, 4]))).toEqual([
      [0, 1],
      [1, 3],
      [3, 4],
    ])
    expect(spansOf(['x', 'lamp'], told(['lamp', 1, 2]))).toEqual([
      [1, 1],
      [1, 2],
    ])
    expect(spansOf(['a', 'b'], [])).toEqual([
      [0, 0],
      [0, 0],
    ])
  })
  it('keeps one span a word, in order, whatever is told', () => {
    const word = fc.constantFrom('the', 'lamp', '—', '21', 'naïve', 'turns.', '')
    fc.assert(
      fc.property(
        fc.array(word, { maxLength: 12 }),
        fc.array(word, { maxLength: 12 }),
        (words, heard) => {
          const spans = spansOf(
            words,
            heard.map((text, i) => ({ text, start: i, end: i + 0.8 })),
          )
          expect(spans).toHaveLength(words.length)
          spans.forEach(([start, end], i) => {
            expect(end).toBeGreaterThanOrEqual(start)
            if (i > 0) expect(start).toBeGreaterThanOrEqual(spans[i - 1]![1])
          })
        },
      ),
    )
  })
})

describe('writtenSpans', () => {
  it('reaches over all words that a written one is spoken as', () => {
    const form = spokenForm('In 1822 — it shone')
    expect(
      writtenSpans(
        form,
        form.words.map((_, i) => [i, i + 1]),
        5,
      ),
    ).toEqual([
      [0, 1],
      [1, 3],
      [3, 4],
      [4, 5],
      [5, 6],
    ])
  })
})
