import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bestViewIn, isWorded, losesItsSubject } from './framing.ts'
import { bestWindow, INTEREST_PIXELS, interestIn, interestOf } from './interest.ts'
import { lightOf } from './light.ts'

const { width, height } = INTEREST_PIXELS
type Colour = readonly [number, number, number]
const picture = (colour: (x: number, y: number) => Colour) =>
  Uint8Array.from({ length: width * height * 3 }, (_, i) => {
    const [x, y] = [Math.floor(i / 3) % width, Math.floor(i / 3 / width)]
    return colour(x / width, y / height)[i % 3] ?? 0
  })
/** A ball before a hilly meadow under a sky, with a little grain. */
const ball = (at: number, colour: Colour = [200, 40, 30]) =>
  picture((x, y) => {
    if (Math.hypot((x - at) * 16, (y - 0.6) * 9) < 1.4) return colour
    const grain = ((x * 7919 + y * 104_729) % 1) * 14
    const hill = 0.5 + 0.06 * Math.sin(9 * x)
    return y < hill ? [150 + grain, 185 + grain, 220] : [90 + grain, 140 + grain, 80]
  })

describe('interestOf', () => {
  it.each([0.2, 0.35, 0.5, 0.65, 0.8])('finds a ball at %d of the width', (at) => {
    const interest = interestOf(ball(at))
    const { middle } = bestWindow(interestIn([interest]).across, 0.3)
    expect(Math.abs(middle - at)).toBeLessThan(0.08)
  })
  it('finds nothing in a plain picture, and its middle is as good as any', () => {
    const { across } = interestIn([interestOf(picture(() => [120, 130, 140]))])
    expect(bestWindow(across, 0.3).middle).toBeCloseTo(0.5, 1)
  })
  it('refuses another number of pixels', () =>
    expect(() => interestOf(new Uint8Array(12))).toThrow(RangeError))
})

describe('bestWindow', () => {
  it('is the best of all places, by trying each, and lies inside', () => {
    const values = fc.array(fc.integer({ min: 0, max: 63 }), { minLength: 32, maxLength: 32 })
    fc.assert(
      fc.property(values, fc.integer({ min: 2, max: 30 }), (all, cells) => {
        const { middle, kept } = bestWindow(all, cells / 32)
        expect(middle - cells / 64).toBeGreaterThanOrEqual(-1e-9)
        expect(middle + cells / 64).toBeLessThanOrEqual(1 + 1e-9)
        const sum = all.reduce((a, b) => a + b, 0)
        const most = Math.max(
          ...all.map((_, i) =>
            i + cells > 32 ? 0 : all.slice(i, i + cells).reduce((a, b) => a + b, 0),
          ),
        )
        // What lies in a window's middle counts for more, so it may show less by that much.
        if (sum) expect(kept * sum).toBeGreaterThan(most / 1.5 - 0.03 * sum)
      }),
    )
  })
  it('shows all where the window is as long as the picture', () =>
    expect(bestWindow([1, 2, 3], 1)).toEqual({ middle: 0.5, kept: 1 }))
})

describe('bestViewIn', () => {
  it('crops a wide picture to its subject in an upright film, and not in one of its own shape', () => {
    const moments = [interestOf(ball(0.75))]
    expect(bestViewIn(moments, { aspect: 16 / 9, film: 9 / 16 }).at(1).x).toBeGreaterThan(0.67)
    expect(bestViewIn(moments, { aspect: 16 / 9, film: 16 / 9 }).at(1)).toEqual({
      ...{ x: 0.5, y: 0.5, scale: 1 },
    })
  })
})

describe('losesItsSubject', () => {
  const light = (pixels: Uint8Array) =>
    lightOf([new Uint8Array(32 * 18).fill(120)], 16 / 9, { interest: [interestOf(pixels)] })

  it('is so for words, and for two things far apart, where the film is upright', () => {
    const one = light(ball(0.5))
    const apart = picture((x, y) =>
      Math.min(
        Math.hypot((x - 0.16) * 16, (y - 0.55) * 9),
        Math.hypot((x - 0.84) * 16, (y - 0.55) * 9),
      ) < 1.6
        ? [200, 40, 30]
        : [150, 185, 220],
    )
    expect(losesItsSubject('A ball', one, 9 / 16)).toBe(false)
    expect(losesItsSubject('A map of the coast', one, 9 / 16)).toBe(true)
    expect(losesItsSubject('A map of the coast', one, 16 / 9)).toBe(false)
    expect(losesItsSubject('Two balls', light(apart), 9 / 16)).toBe(true)
    expect(losesItsSubject('Two balls', light(apart), 16 / 9)).toBe(false)
  })
  it('knows what has words by its title', () => {
    expect(['Old newspaper', 'Tide charts'].every(isWorded)).toBe(true)
    expect(['A harbour', 'Mapping the sea'].some(isWorded)).toBe(false)
  })
})
