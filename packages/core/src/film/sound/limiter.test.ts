import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { limited, LIMITER_REACH, limiterGains } from './limiter.ts'
import { truePeakMeter } from './true-peak.ts'

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

describe('limiterGains', () => {
  const noise = fc.array(fc.float({ min: -3, max: 3, noNaN: true }), {
    minLength: 100,
    maxLength: 2500,
  })
  it('hold both channels by the same gains, never above 1', () => {
    fc.assert(
      fc.property(noise, noise, (a, b) => {
        const length = Math.min(a.length, b.length)
        const channels = [a, b].map((list) => Float32Array.from(list.slice(0, length)))
        const gains = limiterGains(channels, 0.8)
        expect(gains).toHaveLength(length)
        for (const pcm of channels)
          pcm.forEach((x, i) => {
            expect(gains[i]).toBeLessThanOrEqual(1)
            expect(Math.abs(x) * gains[i]!).toBeLessThanOrEqual(0.8 + 1e-5)
          })
      }),
      { numRuns: 40 },
    )
  })
  it('hold what peaks between samples: a tone at a quarter of the rate, sampled beside its peaks', () => {
    const tone = Float32Array.from(
      { length: 9600 },
      (_, i) => 0.98 * Math.sin((Math.PI / 2) * i + Math.PI / 4),
    )
    expect(Math.max(...tone)).toBeLessThan(0.7)
    const gains = limiterGains([tone], 0.8)
    const meter = truePeakMeter(1)
    meter.add([tone.map((x, i) => x * gains[i]!)])
    expect(meter.peak()).toBeLessThan(0.81)
  })
  it('are the same whether a film is held whole or in pieces that know their surroundings', () => {
    const pcm = Float32Array.from(
      { length: 8000 },
      (_, i) => (i % 1700 === 900 ? 2 : 0.4) * Math.sin(i / 5),
    )
    const whole = limiterGains([pcm], 0.5)
    const [from, to] = [2000, 5000]
    const piece = limiterGains([pcm.subarray(from - LIMITER_REACH, to + LIMITER_REACH)], 0.5)
    expect(piece.subarray(LIMITER_REACH, LIMITER_REACH + to - from)).toEqual(
      whole.subarray(from, to),
    )
  })
})
