import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cropAt, eased, easeOf, stillMove, viewAnew } from './move.ts'

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
          const crop = cropAt(stillMove(seed, 6, width % 3), progress, { width, height }, w / h)
          expect(crop.x).toBeGreaterThanOrEqual(-1e-9)
          expect(crop.y).toBeGreaterThanOrEqual(-1e-9)
          expect(crop.x + crop.width).toBeLessThanOrEqual(width + 1e-6)
          expect(crop.y + crop.height).toBeLessThanOrEqual(height + 1e-6)
          expect(crop.width / crop.height).toBeCloseTo(w / h, 6)
        },
      ),
    )
  })
  it('moves by the same step each frame once it is under way: no judder is planned in', () => {
    for (const seed of ['a', 'b', 'c', 'd', 'e', 'f']) {
      const ease = easeOf(8)
      const crops = Array.from({ length: 240 }, (_, i) =>
        cropAt(stillMove(seed, 8), eased(i / 239, ease), { width: 2150, height: 1210 }, 16 / 9),
      )
      const steps = crops
        .slice(1)
        .map((crop, i) => crop.x + crop.width / 2 - (crops[i]!.x + crops[i]!.width / 2))
        .slice(Math.ceil(ease * 239), -Math.ceil(ease * 239))
      expect(Math.max(...steps) - Math.min(...steps)).toBeLessThan(0.02)
    }
  })
})

describe('eased', () => {
  it('goes from 0 to 1, never back, and neither begins nor ends with a jerk', () => {
    for (const seconds of [0.4, 1, 2, 5, 30]) {
      const ease = easeOf(seconds)
      const frames = Math.round(seconds * 30)
      const places = Array.from({ length: frames + 1 }, (_, i) => eased(i / frames, ease))
      expect(places[0]).toBe(0)
      expect(places.at(-1)).toBeCloseTo(1, 12)
      const steps = places.slice(1).map((place, i) => place - places[i]!)
      expect(Math.min(...steps)).toBeGreaterThan(0)
      // Speed changes by the same little from frame to frame, and at both ends alike.
      const changes = steps.slice(1).map((step, i) => Math.abs(step - steps[i]!))
      expect(Math.max(...changes)).toBeLessThanOrEqual(steps[0]! * 2 + 1e-9)
      steps.forEach((step, i) => expect(step).toBeCloseTo(steps[steps.length - 1 - i]!, 9))
    }
  })
})

describe('stillMove', () => {
  /** The way of the view's edges, in parts of the picture a second. */
  const speedOf = (seed: string, seconds: number, times = 0) => {
    const { from, to } = stillMove(seed, seconds, times)
    return Math.max(Math.abs(to.scale - from.scale), Math.abs(to.x - from.x)) / seconds
  }

  it('is the same for the same picture, and always a move', () => {
    for (const seed of ['a', 'b', 'c', 'd', 'e', 'f', 'g']) {
      expect(stillMove(seed, 5)).toEqual(stillMove(seed, 5))
      expect(stillMove(seed, 5).from).not.toEqual(stillMove(seed, 5).to)
    }
  })
  it('varies from picture to picture', () => {
    expect(
      new Set(Array.from({ length: 40 }, (_, i) => JSON.stringify(stillMove(`photo ${i}`, 5))))
        .size,
    ).toBeGreaterThan(10)
  })
  it('is as fast for a short picture as for a long one, and no faster for a very long one', () => {
    for (const seed of ['a', 'b', 'c', 'd', 'e', 'f', 'g'])
      for (const times of [0, 1, 2]) {
        for (const seconds of [2, 4, 6, 10])
          expect(speedOf(seed, seconds, times)).toBeCloseTo(0.02, 9)
        expect(speedOf(seed, 30, times)).toBeLessThan(0.02)
      }
  })
  it('frames and moves a picture anew that is seen again', () => {
    for (const seed of ['a', 'b', 'c', 'd', 'e', 'f', 'g']) {
      const seen = [0, 1, 2, 3].map((times) => stillMove(seed, 5, times))
      expect(new Set(seen.map((move) => JSON.stringify(move))).size).toBe(4)
      // Seen from nearer, and from the other side the next time.
      expect(Math.max(seen[1]!.from.scale, seen[1]!.to.scale)).toBeLessThanOrEqual(0.84)
      expect(viewAnew(seed, 1).x + viewAnew(seed, 2).x).toBeCloseTo(1, 9)
    }
  })
})
