import { grading } from './colour.ts'
import type { Grade, Rgb } from './grade.ts'

/** Points a side: one every eight steps of an 8-bit component, the last one step past it. */
export const LUT_SIDE = 33
/** Steps of a component from one point to the next. */
export const LUT_STEP = 8
/** Values are kept in sixteenths of a step. */
export const LUT_SCALE = 16

/** ITU-R BT.709, 3.2 to 3.4: components of 8 bits in limited range. */
const KR = 0.2126
const KB = 0.0722
const KG = 1 - KR - KB

/** A colour of 8-bit limited-range components, 0 to 1 each; colours that are none are cut off. */
export function rgbOfYuv(y: number, u: number, v: number): Rgb {
  const luma = (y - 16) / 219
  const [b, r] = [((u - 128) / 224) * 2 * (1 - KB), ((v - 128) / 224) * 2 * (1 - KR)]
  const within = (one: number) => Math.min(1, Math.max(0, one))
  return [within(luma + r), within(luma - (KB * b + KR * r) / KG), within(luma + b)]
}

/** 8-bit limited-range components of a colour, unrounded. */
export function yuvOfRgb([r, g, b]: Rgb): [y: number, u: number, v: number] {
  const luma = KR * r + KG * g + KB * b
  return [
    16 + 219 * luma,
    128 + (224 * (b - luma)) / (2 * (1 - KB)),
    128 + (224 * (r - luma)) / (2 * (1 - KR)),
  ]
}

/**
 * A grade as a table of colours, in the components films are encoded in: what is between its points
 * is interpolated.
 *
 * @returns of `LUT_SIDE`³ points, luma running quickest, then the blue difference, then the red: Y, U
 *   and V in sixteenths
 */
export function gradeLut(grade: Grade): Int16Array {
  const graded = grading(grade)
  const table = new Int16Array(3 * LUT_SIDE ** 3)
  let at = 0
  for (let v = 0; v < LUT_SIDE; v++)
    for (let u = 0; u < LUT_SIDE; u++)
      for (let y = 0; y < LUT_SIDE; y++) {
        // Components that are no colour keep what is beyond: a grade that changes nothing changes
        // nothing of them.
        const point = [y * LUT_STEP, u * LUT_STEP, v * LUT_STEP] as const
        const colour = rgbOfYuv(...point)
        const [before, after] = [yuvOfRgb(colour), yuvOfRgb(graded(colour))]
        for (const i of [0, 1, 2] as const)
          table[at++] = Math.round((point[i] + after[i] - before[i]) * LUT_SCALE)
      }
  return table
}
