import { describe, expect, it } from 'vitest'
import { heldTogether } from './held-together.ts'

const tone = (hz: number, level: number) =>
  Float32Array.from({ length: 4800 }, (_, i) => level * Math.sin((2 * Math.PI * hz * i) / 48_000))
/** Pearson's correlation of both channels. */
function correlation([left, right]: readonly [Float32Array, Float32Array]) {
  const sum = (a: Float32Array, b: Float32Array) => a.reduce((all, x, i) => all + x * b[i]!, 0)
  return sum(left, right) / Math.sqrt(sum(left, left) * sum(right, right))
}
/** A middle and what is turned over in the other channel. */
const mixed = (middle: Float32Array, side: Float32Array) =>
  [middle.map((x, i) => x + side[i]!), middle.map((x, i) => x - side[i]!)] as const

describe('heldTogether', () => {
  it('leaves alone what agrees', () => {
    const near = mixed(tone(400, 0.3), tone(700, 0.1))
    const [left, right] = heldTogether(near)
    left.forEach((x, i) => expect(x).toBeCloseTo(near[0][i]!, 6))
    right.forEach((x, i) => expect(x).toBeCloseTo(near[1][i]!, 6))
  })
  it('brings together what is turned over, and keeps what one loudspeaker plays', () => {
    const far = mixed(tone(400, 0.1), tone(700, 0.3))
    expect(correlation(far)).toBeLessThan(-0.7)
    const held = heldTogether(far)
    // Half as much apart as in common: (1 - 0.5) / (1 + 0.5).
    expect(correlation(held)).toBeCloseTo(1 / 3, 2)
    held[0].forEach((x, i) => expect(x + held[1][i]!).toBeCloseTo(far[0][i]! + far[1][i]!, 6))
  })
  it('stays silent where there is nothing', () => {
    const nothing = new Float32Array(10)
    expect(heldTogether([nothing, nothing])).toEqual([nothing, nothing])
  })
})
