import type { Rgb } from './grade.ts'

/** ITU-R BT.709, 3.2: shares of red, green and blue in luma. */
export const KR = 0.2126
export const KB = 0.0722
export const KG = 1 - KR - KB

/** How light a colour looks. */
export const lumaOf = ([r, g, b]: Rgb): number => KR * r + KG * g + KB * b

/** A colour of 8-bit limited-range components, 0 to 1 each; colours that are none are cut off. */
export function rgbOfYuv(y: number, u: number, v: number): Rgb {
  const luma = (y - 16) / 219
  const [b, r] = [((u - 128) / 224) * 2 * (1 - KB), ((v - 128) / 224) * 2 * (1 - KR)]
  const within = (one: number) => Math.min(1, Math.max(0, one))
  return [within(luma + r), within(luma - (KB * b + KR * r) / KG), within(luma + b)]
}

/** 8-bit limited-range components of a colour, unrounded (ITU-R BT.709, 3.2 to 3.4). */
export function yuvOfRgb(colour: Rgb): [y: number, u: number, v: number] {
  const luma = lumaOf(colour)
  return [
    16 + 219 * luma,
    128 + (224 * (colour[2] - luma)) / (2 * (1 - KB)),
    128 + (224 * (colour[0] - luma)) / (2 * (1 - KR)),
  ]
}
