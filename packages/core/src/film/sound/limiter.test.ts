import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { limited } from './limiter.ts'

describe('limited', () => {
  it('lets nothing over the ceiling and leaves quiet sound alone', () => {
    fc.assert(
      fc.property(
        fc.array(fc.float({ min: -4, max: 4, noNaN: true }), { minLength: 1, maxLength: 3000 }),
        (samples) => {
          const out = limited(Float32Array.from(samples), 0.7)
          expect(Math.max(...out.map(Math.abs))).toBeLessThanOrEqual(0.7 + 1e-6)
        },
      ),
      { numRuns: 40 },
    )
    const quiet = Float32Array.from({ length: 500 }, (_, i) => 0.5 * Math.sin(i / 9))
    expect(limited(quiet, 0.7)).toBe(quiet)
  })
  it('holds one peak by turning down a few milliseconds around it, no more', () => {
    const pcm = Float32Array.from({ length: 4800 }, (_, i) => (i === 2400 ? 1.4 : 0.2))
    const out = limited(pcm, 0.7)
    expect(out[2400]).toBeCloseTo(0.7, 3)
    expect(out[2000]).toBeCloseTo(0.2, 6)
    expect(out[2800]).toBeCloseTo(0.2, 6)
  })
})
