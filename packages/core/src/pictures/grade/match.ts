import { z } from 'zod'
import { lumaOf } from './bt709.ts'
import { GAMMA, MOST } from './colour.ts'
import { type Grade, GRADE_RANGES, gradeOver, type Rgb } from './grade.ts'

/** What light a picture is in. */
export const Cast = z.object({
  /** How light it is: stops under white, in the mean. */
  stops: z.number(),
  /** The colour of its light: red, green and blue in parts of their mean. */
  balance: z.tuple([z.number().positive(), z.number().positive(), z.number().positive()]),
})
export type Cast = z.infer<typeof Cast>

/**
 * Between the mean colour of a picture (1) and its lightest (∞): what is light tells the colour of
 * the light, but not one glint alone. Finlayson and Trezzi 2004 found 6 best; from memory.
 */
const NORM = 6
/** Black has no number of stops. */
const LEAST_LIGHT = 0.002

/**
 * The light a picture was taken in, by its colours ("shades of grey").
 *
 * @param pixels RGB, 8 bits each
 */
export function castOf(pixels: Uint8Array): Cast {
  const count = Math.max(1, Math.floor(pixels.length / 3))
  const sums: [number, number, number] = [0, 0, 0]
  let stops = 0
  for (let i = 0; i < count; i++) {
    const [r = 0, g = 0, b = 0] = [0, 1, 2].map((c) => ((pixels[3 * i + c] ?? 0) / 255) ** GAMMA)
    sums[0] += r ** NORM / count
    sums[1] += g ** NORM / count
    sums[2] += b ** NORM / count
    stops += Math.log2(Math.max(LEAST_LIGHT, lumaOf([r, g, b]))) / count
  }
  const light = sums.map((sum) => Math.max(LEAST_LIGHT, sum ** (1 / NORM)))
  const mean = light.reduce((a, b) => a + b, 0) / 3
  const [r = 1, g = 1, b = 1] = light.map((one) => round(one / mean, 1000))
  return { stops: round(stops, 100), balance: [r, g, b] }
}

const round = (n: number, parts: number) => Math.round(n * parts) / parts

/** So coarsely is the usual light told, that one picture more or less seldom changes it. */
const COARSE = { stops: 0.25, balance: 0.04 }

/** The light most pictures of a film are in. @returns undefined for none */
export function usualCast(casts: readonly Cast[]): Cast | undefined {
  if (!casts.length) return undefined
  const middle = (values: number[], step: number) => {
    const sorted = values.sort((a, b) => a - b)
    return Math.round((sorted[Math.floor(sorted.length / 2)] ?? 0) / step) * step
  }
  const part = (i: 0 | 1 | 2) =>
    middle(
      casts.map(({ balance }) => balance[i]),
      COARSE.balance,
    )
  return {
    stops: middle(
      casts.map(({ stops }) => stops),
      COARSE.stops,
    ),
    balance: [part(0), part(1), part(2)],
  }
}

/** Night stays night: what a picture shows has a light of its own. By eye. */
const FURTHEST = { exposure: 0.8, warmth: 60, tint: 50 }
/** Of the way to the usual light, at 100: the rest is what the pictures show. */
const SHARE = { exposure: 0.6, balance: 0.8 }

/**
 * A grade that brings a picture nearer to the light of the others, as much as it says.
 *
 * @returns without `match`
 */
export function matchedGrade(grade: Grade, own: Cast | undefined, usual: Cast | undefined): Grade {
  const { match = 0, ...rest } = grade
  if (!match || !own || !usual) return rest
  const strength = match / 100
  const within = (n: number, most: number) => Math.min(most, Math.max(-most, n))
  const wanted = [0, 1, 2].map(
    (c) => ((usual.balance[c] ?? 1) / (own.balance[c] ?? 1)) ** (SHARE.balance * strength),
  )
  const mean = wanted.reduce((a, b) => a + b, 0) / 3
  const [red, green, blue] = wanted.map((gain) => gain / mean) as unknown as Rgb
  // Read back from the factors that warmth and tint make (`lighting` in colour.ts).
  const warmth = (100 * (red - blue)) / 2 / MOST.warmth
  const tint = (100 * (1 - green)) / MOST.tint
  const exposure = SHARE.exposure * strength * (usual.stops - own.stops)
  return gradeOver(rest, {
    exposure: round(within(exposure, Math.min(FURTHEST.exposure, GRADE_RANGES.exposure[1])), 20),
    warmth: round(within(warmth, FURTHEST.warmth), 1),
    tint: round(within(tint, FURTHEST.tint), 1),
  })
}
