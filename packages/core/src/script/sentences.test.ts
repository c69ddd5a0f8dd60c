import { describe, expect, it } from 'vitest'
import { sentencesOf } from './sentences.ts'

const split = (text: string) => sentencesOf(text).map(({ from, to }) => text.slice(from, to))
const uax29 = (text: string) =>
  [...new Intl.Segmenter('en', { granularity: 'sentence' }).segment(text)].map(({ segment }) =>
    segment.trim(),
  )

describe('sentencesOf', () => {
  it.each([
    'The lamp burns. The sea is calm.',
    'Is it safe? No! Ships sank.',
    'It weighs 3.5 tonnes. A child can push it.',
    'He said "Stop." Then he left.',
  ])('agrees with Unicode UAX #29 (Intl.Segmenter) on %j', (text) =>
    expect(split(text)).toEqual(uax29(text)),
  )

  // Where the two differ, and why ours is wanted: UAX #29 knows no abbreviations and no initials.
  it.each([
    ['Dr. Reed lit it. It burned.', ['Dr. Reed lit it.', 'It burned.'], 'a title is no end'],
    [
      'J. R. Smith built it. It stands.',
      ['J. R. Smith built it.', 'It stands.'],
      'initials are no end',
    ],
  ])('differs from it on %j', (text, ours) => {
    expect(split(text)).toEqual(ours)
    expect(uax29(text)).not.toEqual(ours)
  })

  it('ends after an ellipsis only where a new sentence begins', () => {
    expect(split('It cost millions... and more. Well… The end.')).toEqual([
      'It cost millions... and more.',
      'Well…',
      'The end.',
    ])
  })
  it('keeps a question inside a quotation with who asked it', () =>
    expect(split('"Why?" she asked. He left.')).toEqual(['"Why?" she asked.', 'He left.']))
  it('ends at the stops of Chinese', () =>
    expect(split('海很深。船很小。')).toEqual(['海很深。', '船很小。']))
})
