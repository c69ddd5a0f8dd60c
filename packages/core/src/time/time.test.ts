import { describe, expect, it } from 'vitest'
import { frameAtSample, parseFrameRate, SAMPLE_RATE } from './time.ts'

describe('frameAtSample', () => {
  it('rounds 500 scenes of 1.234567 s at 30000/1001 as arithmetic does', () => {
    // Arithmetic (CHECKS: cumulative rounding): the last boundary is round(500 · 1.234567 · 30000 /
    // 1001).
    const samples = Math.round(500 * 1.234567 * SAMPLE_RATE)
    expect(frameAtSample(samples, [30000, 1001])).toBe(Math.round((500 * 1.234567 * 30000) / 1001))
  })
  it('puts ten minutes of 29.97 at 17,982 frames (SMPTE ST 12-1, from memory)', () => {
    expect(frameAtSample(Math.round(((17982 * 1.001) / 30) * SAMPLE_RATE), [30000, 1001])).toBe(
      17982,
    )
  })
})

describe('parseFrameRate', () => {
  it('knows the named rates and nothing else', () => {
    expect(parseFrameRate('29.97')).toEqual([30000, 1001])
    expect(parseFrameRate('31')).toBeUndefined()
  })
})
