import { rgbOfYuv, yuvOfRgb } from './bt709.ts'
import type { Grade } from './grade.ts'
import { LUT_SCALE, LUT_SIDE, LUT_STEP } from './lut.ts'
import { GRAIN_STEPS, overlaidOf, vignetteAt } from './overlaid.ts'

/** Pixels of red, green, blue and opacity, 8 bits each, row by row. */
export interface Pixels {
  data: Uint8ClampedArray
  width: number
  height: number
}

/**
 * Grades pixels in place, one by one: slow beside a graphics processor or vectors, and everywhere
 * to be had.
 *
 * @param lut    `gradeLut` of the grade
 * @param random in [0, 1), for grain
 * @param fine   how large a pixel of the film is beside one of these, at most 1: grain is evened out
 */
export function gradePixels(
  { data, width, height }: Pixels,
  grade: Grade,
  lut: Int16Array,
  random: () => number,
  fine = 1,
): void {
  const { vignette, grain } = overlaidOf(grade)
  const deviation = (GRAIN_STEPS * grain * fine) / 100
  for (let j = 0; j < height; j++)
    for (let i = 0; i < width; i++) {
      const at = 4 * (j * width + i)
      const rgb = [data[at]! / 255, data[at + 1]! / 255, data[at + 2]! / 255] as const
      let [y, u, v] = yuvOfRgb(rgb)
      const point = pointOf(y, u, v)
      y = between(lut, point, 0)
      u = between(lut, point, 1)
      v = between(lut, point, 2)
      if (vignette) {
        const light = vignetteAt(vignette, (2 * i + 1) / width - 1, (2 * j + 1) / height - 1)
        y = 16 + (y - 16) * light
        u = 128 + (u - 128) * light
        v = 128 + (v - 128) * light
      }
      // Near enough to normal: three of them have a deviation of a half.
      if (deviation) y += 2 * deviation * (random() + random() + random() - 1.5)
      const [r, g, b] = rgbOfYuv(y, u, v)
      data[at] = 255 * r
      data[at + 1] = 255 * g
      data[at + 2] = 255 * b
    }
}

interface Point {
  first: number
  y: number
  u: number
  v: number
}

/** The point of the table below a colour, and how far the colour is from it, 0 to 1 each. */
function pointOf(y: number, u: number, v: number): Point {
  const [py, pu, pv] = [y / LUT_STEP, u / LUT_STEP, v / LUT_STEP]
  const floor = (p: number) => Math.min(LUT_SIDE - 2, Math.max(0, Math.floor(p)))
  const [fy, fu, fv] = [floor(py), floor(pu), floor(pv)]
  return {
    first: 3 * (fy + LUT_SIDE * (fu + LUT_SIDE * fv)),
    y: py - fy,
    u: pu - fu,
    v: pv - fv,
  }
}

const U = 3 * LUT_SIDE
const V = U * LUT_SIDE

function between(lut: Int16Array, { first, y, u, v }: Point, component: number): number {
  const at = first + component
  const along = (from: number) => lut[from]! * (1 - y) + lut[from + 3]! * y
  const near = along(at) * (1 - u) + along(at + U) * u
  const far = along(at + V) * (1 - u) + along(at + V + U) * u
  return (near * (1 - v) + far * v) / LUT_SCALE
}
