import { describe, expect, it } from 'vitest'
import { spokenForm } from '../text/spoken.ts'
import { leastSilences } from './mark-pauses.ts'
import type { Span } from './marks.ts'

const seconds = (at: number) => Math.round(at * 48_000)
/** Words of 0.3 s with 0.1 s between them. */
const spansOf = (count: number) =>
  Array.from({ length: count }, (_, i): Span => [seconds(0.4 * i), seconds(0.4 * i + 0.3)])
const gapAfter = (word: number): Span => [seconds(0.4 * word + 0.3), seconds(0.4 * word + 0.4)]

describe('leastSilences', () => {
  const form = spokenForm('By day it is wound, cleaned; and at night lit: by hand.', {
    language: 'en',
    pronunciations: [],
  })
  it('asks for 0.25 s at a comma and 0.4 s at a colon or semicolon (common practice), and nothing elsewhere', () => {
    const silent = [gapAfter(0), gapAfter(4), gapAfter(5), gapAfter(9)]
    expect(leastSilences(form, spansOf(form.words.length), silent, 1)).toEqual(
      [0, 0.25, 0.4, 0.4].map(seconds),
    )
  })
  it('follows the film’s pauses, and asks for none where the voice made none', () => {
    const spans = spansOf(form.words.length)
    expect(leastSilences(form, spans, [gapAfter(4)], 0.4)).toEqual([seconds(0.1)])
    expect(leastSilences(form, spans, [], 1)).toEqual([])
    expect(leastSilences(form, [], [gapAfter(4)], 1)).toEqual([0])
  })
  it('knows the marks of other scripts', () => {
    const arabic = spokenForm('البحر واسع، والسفينة صغيرة.', { language: 'ar', pronunciations: [] })
    expect(leastSilences(arabic, spansOf(arabic.words.length), [gapAfter(1)], 1)).toEqual([
      seconds(0.25),
    ])
  })
})
