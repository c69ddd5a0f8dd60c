import { describe, expect, it } from 'vitest'
import { seriesOf } from './series.ts'

describe('seriesOf', () => {
  it('is the same for one thing at another hour, by another number, in a second view', () => {
    const series = new Set(
      [
        'A lock gate at dawn',
        'A lock gate, dusk 2',
        'A lock gate, second view',
        'A Lock Gate (14)',
      ].map(seriesOf),
    )
    expect(series.size).toBe(1)
  })
  it('is another for another look at the same thing', () =>
    expect(seriesOf('Lock gate from below')).not.toBe(seriesOf('Lock gate being opened')))
  it('is nothing for a title without words', () => expect(seriesOf('2024-11 (3)')).toBe(''))
})
