import { describe, expect, it } from 'vitest'
import { gradedColour } from './colour.ts'
import type { Grade, Rgb } from './grade.ts'
import { type Cast, castOf, matchedGrade, usualCast } from './match.ts'

/** A hundred colours as a landscape has them: greys, greens, blues, a little red. */
const SCENE: Rgb[] = Array.from({ length: 400 }, (_, i): Rgb => {
  const light = 0.08 + 0.8 * (((i * 37) % 100) / 100)
  const lean = [
    [1, 1, 1],
    [0.8, 1, 0.7],
    [0.75, 0.9, 1],
    [1, 0.8, 0.75],
  ][i % 4] as unknown as Rgb
  return [light * lean[0], light * lean[1], light * lean[2]]
})
const pixels = (grade: Grade) =>
  Uint8Array.from(
    SCENE.flatMap((colour) => [...gradedColour(colour, grade)].map((v) => Math.round(v * 255))),
  )
/** As cameras and hours of the day would have it. */
const LIGHTS: Grade[] = [
  {},
  { warmth: 50 },
  { warmth: -50, exposure: -0.5 },
  { tint: 40, exposure: 0.4 },
  { tint: -40, warmth: 25 },
]

describe('castOf', () => {
  it('tells light from less of it, and its colour', () => {
    const [plain, warm, cold] = LIGHTS.map((grade) => castOf(pixels(grade))) as [Cast, Cast, Cast]
    expect(warm.balance[0] / warm.balance[2]).toBeGreaterThan(plain.balance[0] / plain.balance[2])
    expect(cold.balance[0] / cold.balance[2]).toBeLessThan(plain.balance[0] / plain.balance[2])
    expect(plain.stops - cold.stops).toBeCloseTo(0.5, 0)
  })
  it('has numbers for black and for nothing', () => {
    for (const none of [new Uint8Array(30), new Uint8Array()])
      for (const value of [castOf(none).stops, ...castOf(none).balance])
        expect(Number.isFinite(value)).toBe(true)
  })
})

describe('matchedGrade', () => {
  const casts = LIGHTS.map((grade) => castOf(pixels(grade)))
  const usual = usualCast(casts)
  /** How far pictures lie apart: in the ratio of red to blue, in green, in stops. */
  const spread = (some: readonly Cast[]) => {
    const reach = (of: (cast: Cast) => number) =>
      Math.max(...some.map(of)) - Math.min(...some.map(of))
    return [
      reach(({ balance }) => Math.log2(balance[0] / balance[2])),
      reach(({ balance }) => Math.log2(balance[1])),
      reach(({ stops }) => stops),
    ]
  }

  it('brings pictures of the same under other lights together: less than half as far apart', () => {
    const matched = LIGHTS.map((light, i) => {
      const { match: _, ...own } = matchedGrade({ match: 100 }, casts[i], usual)
      const seen = SCENE.map((colour) => gradedColour(gradedColour(colour, light), own))
      return castOf(Uint8Array.from(seen.flatMap((c) => [...c].map((v) => Math.round(v * 255)))))
    })
    const [before, after] = [spread(casts), spread(matched)]
    after.forEach((reach, i) => expect(reach).toBeLessThan((before[i] ?? 0) / 2))
  })
  it('does as much as it is told, on top of the grade there is, and nothing where nobody looked', () => {
    const warm = casts[1]
    const [half, whole] = [50, 100].map((match) =>
      matchedGrade({ match, contrast: 20 }, warm, usual),
    )
    expect(whole?.warmth).toBeLessThan(half?.warmth ?? 0)
    expect(half?.warmth).toBeLessThan(0)
    expect(whole).toMatchObject({ contrast: 20 })
    expect(matchedGrade({ match: 100, fade: 9 }, undefined, usual)).toEqual({ fade: 9 })
    expect(matchedGrade({ fade: 9 }, warm, usual)).toEqual({ fade: 9 })
  })
  it('lets night be night', () => {
    const night = castOf(pixels({ exposure: -3 }))
    expect(matchedGrade({ match: 100 }, night, usual).exposure).toBeLessThanOrEqual(0.8)
  })
  it('has the same usual light with one picture more or less, mostly', () => {
    const many = Array.from({ length: 40 }, (_, i) => castOf(pixels({ warmth: (i * 7) % 60 })))
    const all = usualCast(many)
    const changed = many.filter((_, i) => {
      const fewer = usualCast(many.toSpliced(i, 1))
      return JSON.stringify(fewer) !== JSON.stringify(all)
    })
    expect(changed.length).toBeLessThan(8)
    expect(usualCast([])).toBeUndefined()
  })
})
