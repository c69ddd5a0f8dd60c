import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { powerOf } from './loudness.ts'
import { type MusicPiece, sequenceLevels } from './sequence-levels.ts'

const piece = (set: Partial<MusicPiece>): MusicPiece => ({
  powers: Array.from({ length: 100 }, () => powerOf(-26)),
  dipped: Array.from({ length: 100 }, () => powerOf(-28)),
  from: 0,
  at: 0,
  until: 480_000,
  fades: [0, 0],
  gain: 1,
  ...set,
})

describe('sequenceLevels', () => {
  it('adds up what overlaps, at its gain, from where it is begun to where it is over', () => {
    expect(sequenceLevels([piece({})], 480_000).lufs).toBeCloseTo(-26)
    expect(sequenceLevels([piece({}), piece({})], 480_000).lufs).toBeCloseTo(-26 + 3.01, 1)
    expect(sequenceLevels([piece({ gain: 0.5 })], 480_000).lufs).toBeCloseTo(-32.02, 1)
    const { levels } = sequenceLevels([piece({ from: 240_000, until: 300_000 })], 480_000)
    // Half seconds of the film: five that are left of the sound, then silence.
    expect(levels.slice(0, 10)).toEqual(Array.from({ length: 10 }, () => -28))
    expect(levels.slice(11)).toEqual(Array.from({ length: 9 }, () => -70))
  })
  it('is a number everywhere, whatever pieces there are', () => {
    const nat = (max: number) => fc.nat({ max })
    const any = fc.record({
      from: nat(480_000),
      at: nat(480_000),
      until: nat(960_000),
      fades: fc.tuple(fc.constantFrom(0, 960, 72_000), fc.constantFrom(0, 960, 72_000)),
      gain: fc.constantFrom(0, 0.1, 4),
    })
    fc.assert(
      fc.property(fc.array(any, { maxLength: 5 }), nat(960_000), (sets, samples) => {
        const { lufs, levels } = sequenceLevels(sets.map(piece), samples)
        expect(Number.isFinite(lufs)).toBe(true)
        expect(levels.every(Number.isFinite)).toBe(true)
      }),
    )
  })
})
