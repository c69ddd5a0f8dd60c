import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { lumaOf, rgbOfYuv, yuvOfRgb } from './bt709.ts'
import { gradedColour } from './colour.ts'
import { type Grade, GRADE_LOOKS, GRADE_RANGES, gradeOver, isPlain, type Rgb } from './grade.ts'
import { gradeLut, LUT_SCALE, LUT_SIDE, LUT_STEP } from './lut.ts'
import { overlaidOf, vignetteAt } from './overlaid.ts'
import { gradePixels } from './pixels.ts'

const share = fc.double({ min: 0, max: 1, noNaN: true })
const colour = fc.tuple(share, share, share)
const numbers = fc.record(
  Object.fromEntries(
    Object.entries({ ...GRADE_RANGES, strength: [0, 100] }).map(([name, [min, max]]) => [
      name,
      fc.double({ min, max, noNaN: true }),
    ]),
  ),
  { requiredKeys: [] },
) as fc.Arbitrary<Grade>
const grades = fc
  .tuple(numbers, fc.option(fc.constantFrom(...GRADE_LOOKS)))
  .map(([grade, look]): Grade => (look ? { ...grade, look } : grade))
const greys = Array.from({ length: 101 }, (_, i): Rgb => [i / 100, i / 100, i / 100])

describe('gradedColour', () => {
  it('leaves every colour as it is where nothing is changed', () => {
    fc.assert(
      fc.property(colour, (one) => {
        gradedColour(one, {}).forEach((v, i) => expect(v).toBeCloseTo(one[i]!, 9))
      }),
    )
  })
  it('gives colours, whatever is asked for', () => {
    fc.assert(
      fc.property(colour, grades, (one, grade) => {
        for (const v of gradedColour(one, grade)) {
          expect(v).toBeGreaterThanOrEqual(0)
          expect(v).toBeLessThanOrEqual(1)
        }
      }),
    )
  })
  it('never makes the lighter of two greys the darker one', () => {
    fc.assert(
      fc.property(grades, (grade) => {
        const lumas = greys.map((grey) => lumaOf(gradedColour(grey, grade)))
        lumas.slice(1).forEach((luma, i) => expect(luma).toBeGreaterThanOrEqual(lumas[i]! - 1e-9))
      }),
    )
  })
  // A stop is twice the light (photographic exposure); light is the 2.2nd power of what is shown.
  it.each([-2, -1, 1])('changes light by the factor that %i stops are', (exposure) => {
    const before = 0.3
    const [after] = gradedColour([before, before, before], { exposure })
    expect((after / before) ** 2.2).toBeCloseTo(2 ** exposure, 6)
  })
  it('is as light after white balance as before', () => {
    const grey: Rgb = [0.4, 0.4, 0.4]
    const light = (one: Rgb) => lumaOf([one[0] ** 2.2, one[1] ** 2.2, one[2] ** 2.2])
    for (const grade of [{ warmth: 60 }, { warmth: -60 }, { tint: 50 }])
      expect(light(gradedColour(grey, grade))).toBeCloseTo(light(grey), 6)
    const [r, , b] = gradedColour(grey, { warmth: 60 })
    expect(r).toBeGreaterThan(b)
  })
  // ITU-R BT.709, 3.2: luma is 0.2126 red, 0.7152 green and 0.0722 blue.
  it('makes black and white of luma', () => {
    expect(gradedColour([1, 0, 0], { grey: true })).toEqual([0.2126, 0.2126, 0.2126])
    const tones = { twoTone: { dark: '#102030', light: '#f0e0d0' } }
    expect(gradedColour([0, 0, 0], tones)).toEqual([16 / 255, 32 / 255, 48 / 255])
    gradedColour([1, 1, 1], tones).forEach((v, i) =>
      expect(v).toBeCloseTo([240, 224, 208][i]! / 255, 9),
    )
  })
  it('lays so much of a look over it as is asked for', () => {
    const one: Rgb = [0.2, 0.5, 0.7]
    for (const look of GRADE_LOOKS) {
      const [none, half, all] = [0, 50, 100].map((strength) =>
        gradedColour(one, { look, strength }),
      )
      none!.forEach((v, i) => expect(v).toBeCloseTo(one[i]!, 9))
      half!.forEach((v, i) => expect(v).toBeCloseTo((none![i]! + all![i]!) / 2, 9))
      expect(all).not.toEqual(none)
    }
  })
})

describe('gradeOver', () => {
  it('adds numbers within their ranges and takes the rest of what is nearer', () => {
    expect(gradeOver({ exposure: 2, warmth: 20 }, { exposure: 2, warmth: -20 })).toEqual({
      exposure: 3,
    })
    expect(gradeOver({ look: 'dusk', strength: 40 }, { look: 'none' })).toEqual({})
    expect(gradeOver({ look: 'dusk', strength: 40 }, { look: 'ink' })).toEqual({ look: 'ink' })
    expect(gradeOver({ look: 'dusk', strength: 40 }, { grain: 5 })).toEqual({
      look: 'dusk',
      strength: 40,
      grain: 5,
    })
    expect(gradeOver({ look: 'dusk', strength: 0 })).toEqual({})
  })
  it('knows what changes nothing', () => {
    expect(isPlain({ exposure: 0, strength: 60, look: 'none' })).toBe(true)
    expect(isPlain({ grain: 1 })).toBe(false)
  })
})

describe('gradeLut', () => {
  // ITU-R BT.709, 3.4: black, white and pure red in 8 bits (memory: 16, 235 and 63/102/240).
  it('knows the components of colours', () => {
    expect(yuvOfRgb([0, 0, 0])).toEqual([16, 128, 128])
    yuvOfRgb([1, 1, 1]).forEach((n, i) => expect(n).toBeCloseTo([235, 128, 128][i]!, 6))
    expect(yuvOfRgb([1, 0, 0]).map(Math.round)).toEqual([63, 102, 240])
    fc.assert(
      fc.property(colour, (one) => {
        rgbOfYuv(...yuvOfRgb(one)).forEach((v, i) => expect(v).toBeCloseTo(one[i]!, 9))
      }),
    )
  })
  const at = (lut: Int16Array, y: number, u: number, v: number) => {
    const point = 3 * (y + LUT_SIDE * (u + LUT_SIDE * v))
    return [...lut.subarray(point, point + 3)].map((n) => n / LUT_SCALE)
  }
  it('leaves all components as they are where nothing is changed', () => {
    const plain = gradeLut({})
    for (const [y, u, v] of [
      [0, 0, 0],
      [32, 5, 17],
      [16, 16, 16],
      [2, 32, 32],
    ] as const)
      expect(at(plain, y, u, v)).toEqual([y, u, v].map((n) => n * LUT_STEP))
  })
  it('has at its points what the grade says of them', () => {
    const grade: Grade = { look: 'harbour', exposure: 0.4, saturation: 20 }
    const wanted = yuvOfRgb(gradedColour(rgbOfYuv(96, 120, 136), grade))
    at(gradeLut(grade), 12, 15, 17).forEach((n, i) =>
      expect(Math.abs(n - wanted[i]!)).toBeLessThan(0.04),
    )
  })
})

describe('gradePixels', () => {
  it('gives each pixel the colour the grade says', () => {
    const grade: Grade = { look: 'dusk', contrast: 20, warmth: -10 }
    const lut = gradeLut(grade)
    fc.assert(
      fc.property(colour, (one) => {
        const data = Uint8ClampedArray.from([...one, 1].map((v) => 255 * v))
        gradePixels({ data, width: 1, height: 1 }, grade, lut, () => 0.5)
        const before = one.map((v) => Math.round(255 * v) / 255) as [number, number, number]
        gradedColour(before, grade).forEach((v, i) =>
          expect(Math.abs(data[i]! - 255 * v)).toBeLessThan(6),
        )
      }),
    )
  })
  it('darkens corners and leaves the middle', () => {
    const data = new Uint8ClampedArray(4 * 9 * 9).fill(200)
    gradePixels({ data, width: 9, height: 9 }, { vignette: 90 }, gradeLut({}), () => 0.5)
    expect(data[0]).toBeLessThan(90)
    expect(data[4 * (9 * 4 + 4)]).toBe(200)
  })
})

describe('vignette and grain', () => {
  it('darken from the middle to the corners, evenly on all sides', () => {
    expect(vignetteAt(100, 0, 0)).toBe(1)
    expect(vignetteAt(60, 1, -1)).toBeCloseTo(vignetteAt(60, -1, 1), 9)
    expect(vignetteAt(60, 1, 0)).toBeGreaterThan(vignetteAt(60, 1, 1))
    expect(vignetteAt(0, 1, 1)).toBe(1)
  })
  it('come with a look as much as there is of it', () => {
    expect(overlaidOf({ look: 'reel', strength: 50, grain: 10 })).toEqual({
      vignette: 17,
      grain: 30,
    })
    expect(overlaidOf({})).toEqual({ vignette: 0, grain: 0 })
  })
})
