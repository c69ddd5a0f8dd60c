import { describe, expect, it } from 'vitest'
import { bedLevels } from './bed-levels.ts'
import { filterOf, peaking } from './biquad.ts'
import { widened } from './widened.ts'

const RATE = 16_000
/** Noise that is the same each time. */
function noise(length: number): Float32Array {
  let seed = 1
  return Float32Array.from({ length }, () => {
    seed = (seed * 48271) % 2147483647
    return 0.2 * (seed / 2147483647 - 0.5)
  })
}
const power = (pcm: Float32Array) => pcm.reduce((sum, x) => sum + x * x, 0) / pcm.length
const correlation = (a: Float32Array, b: Float32Array) =>
  a.reduce((sum, x, i) => sum + x * b[i]!, 0) / a.length / Math.sqrt(power(a) * power(b))

describe('widened', () => {
  it('makes two channels of one, and loses nothing where both are added up', () => {
    const one = noise(RATE)
    const [left, right] = widened([one, one], RATE)
    expect(correlation(left, right)).toBeLessThan(0.9)
    left.forEach((x, i) => expect(x + right[i]!).toBeCloseTo(2 * one[i]!, 5))
  })
  it('leaves the bass in the middle', () => {
    const bass = Float32Array.from({ length: RATE }, (_, i) =>
      Math.sin((2 * Math.PI * 60 * i) / RATE),
    )
    const [left, right] = widened([bass, bass], RATE)
    expect(correlation(left, right)).toBeGreaterThan(0.98)
  })
})

describe('peaking', () => {
  it.each([
    [2000, -6],
    [60, 0],
    [7500, 0],
  ])('at %d Hz changes a tone by %d dB, as the cookbook’s transfer function does', (hz, db) => {
    const tone = Float32Array.from({ length: RATE }, (_, i) =>
      Math.sin((2 * Math.PI * hz * i) / RATE),
    )
    const out = filterOf(peaking(2000, 0.7, -6, RATE))(tone)
    const change = 10 * Math.log10(power(out.subarray(RATE / 2)) / power(tone.subarray(RATE / 2)))
    expect(Math.abs(change - db)).toBeLessThan(0.15)
  })
})

describe('bedLevels', () => {
  it('tells a loop’s loudness, each half second of it, with what rings on into the next round', () => {
    const loud = noise(4 * RATE)
    loud.fill(0, RATE, 3 * RATE)
    const { lufs, levels, loopSamples } = bedLevels([loud, loud], 3 * RATE, RATE)
    expect(loopSamples).toBe(3 * RATE)
    expect(levels).toHaveLength(6)
    // The second after the loop is as loud as its first: 3 dB more where both sound.
    const alone = bedLevels(
      [loud.subarray(0, 3 * RATE), loud.subarray(0, 3 * RATE)],
      3 * RATE,
      RATE,
    )
    expect(levels[0]! - alone.levels[0]!).toBeCloseTo(3, 0)
    expect(levels[3]).toBe(-70)
    expect(lufs).toBeGreaterThan(levels[0]! - 3)
  })
})
