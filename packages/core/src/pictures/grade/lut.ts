import { rgbOfYuv, yuvOfRgb } from './bt709.ts'
import { grading } from './colour.ts'
import { Grade } from './grade.ts'

/** Points a side: one every eight steps of an 8-bit component, the last one step past it. */
export const LUT_SIDE = 33
/** Steps of a component from one point to the next. */
export const LUT_STEP = 8
/** Values are kept in sixteenths of a step. */
export const LUT_SCALE = 16

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

/** Characters of the names of tables that are kept: a film has few grades, and most pictures one. */
export const KEPT_COLOURS = 2000

/** What of a grade is a matter of one colour alone, as text: pictures that share it share a table. */
export function coloursOf({ vignette: _, grain: __, ...colours }: Grade): string {
  return JSON.stringify(colours)
}

/** The table of what `coloursOf` tells. */
export const lutOfColours = (colours: string): Int16Array =>
  gradeLut(Grade.parse(JSON.parse(colours)))
