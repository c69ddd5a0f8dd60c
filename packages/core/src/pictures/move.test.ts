import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cropAt, stillMove } from './move.ts'

const SHAPES: [number, number][] = [
  [1920, 1080],
  [1080, 1920],
  [1080, 1080],
]

describe('cropAt', () => {
  it('stays inside the picture, in the shape of the film, for any picture, move and moment', () => {
    const side = fc.integer({ min: 100, max: 6000 })
    fc.assert(
      fc.property(
        fc.string(),
        fc.double({ min: 0, max: 1, noNaN: true }),
        side,
        side,
        fc.constantFrom(...SHAPES),
        (seed, progress, width, height, [w, h]) => {
          const crop = cropAt(stillMove(seed), progress, { width, height }, w / h)
          expect(crop.x).toBeGreaterThanOrEqual(-1e-9)
          expect(crop.y).toBeGreaterThanOrEqual(-1e-9)
          expect(crop.x + crop.width).toBeLessThanOrEqual(width + 1e-6)
          expect(crop.y + crop.height).toBeLessThanOrEqual(height + 1e-6)
          expect(crop.width / crop.height).toBeCloseTo(w / h, 6)
        },
      ),
    )
  })
  it('moves by the same step each frame: no judder is planned in', () => {
    for (const seed of ['a', 'b', 'c', 'd', 'e', 'f']) {
      const crops = Array.from({ length: 240 }, (_, i) =>
        cropAt(stillMove(seed), i / 239, { width: 2150, height: 1210 }, 16 / 9),
      )
      const steps = crops
        .slice(1)
        .map((crop, i) => crop.x + crop.width / 2 - (crops[i]!.x + crops[i]!.width / 2))
      expect(Math.max(...steps) - Math.min(...steps)).toBeLessThan(0.02)
    }
  })
})

describe('stillMove', () => {
  it('is the same for the same picture, and always a move', () => {
    for (const seed of ['a', 'b', 'c', 'd', 'e', 'f', 'g']) {
      expect(stillMove(seed)).toEqual(stillMove(seed))
      expect(stillMove(seed).from).not.toEqual(stillMove(seed).to)
    }
  })
  it('varies from picture to picture', () => {
    expect(
      new Set(Array.from({ length: 40 }, (_, i) => JSON.stringify(stillMove(`photo ${i}`)))).size,
    ).toBeGreaterThan(10)
  })
})
