import { describe, expect, it } from 'vitest'
import { breathsBetween } from './noises.ts'

const RATE = 16_000
/** Noise of a level (dB) for some seconds; the same for the same seed. */
function noise(seconds: number, db: number, seed: number): number[] {
  let state = seed
  const level = 10 ** (db / 20) * Math.sqrt(3)
  return Array.from({ length: seconds * RATE }, () => {
    state = (state * 1_103_515_245 + 12_345) % 2_147_483_648
    return level * ((state / 2_147_483_648) * 2 - 1)
  })
}
const words = [
  { start: 0, end: 1 },
  { start: 2, end: 3 },
]
const between = (middle: number[]) =>
  Float32Array.from([...noise(1, -20, 1), ...middle, ...noise(1, -20, 2)])

describe('breathsBetween', () => {
  it('finds what is weaker than speech and stronger than silence, where it is', () => {
    const [breath, ...others] = breathsBetween(
      between([...noise(0.3, -70, 3), ...noise(0.4, -42, 4), ...noise(0.3, -70, 5)]),
      RATE,
      words,
    )
    expect(others).toEqual([])
    expect(breath!.kind).toBe('breath')
    expect(breath!.from).toBeCloseTo(1.3, 1)
    expect(breath!.to).toBeCloseTo(1.7, 1)
  })
  it.each([
    ['silence', [...noise(1, -70, 3)]],
    ['a click', [...noise(0.48, -70, 3), ...noise(0.04, -42, 4), ...noise(0.48, -70, 5)]],
    ['more speech', [...noise(0.3, -70, 3), ...noise(0.4, -22, 4), ...noise(0.3, -70, 5)]],
  ])('passes over %s', (_what, middle) => {
    expect(breathsBetween(between(middle), RATE, words)).toEqual([])
  })
  it('finds nothing without words', () =>
    expect(breathsBetween(new Float32Array(RATE), RATE, [])).toEqual([]))
})
