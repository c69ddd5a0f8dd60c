import { rgbOfHex } from '../text/hex-colour.ts'

/** Relative luminance of a grey of this tone, 0 to 1 (WCAG 2.2). */
export const luminanceOfTone = (tone: number): number =>
  tone <= 0.04045 ? tone / 12.92 : ((tone + 0.055) / 1.055) ** 2.4

/** Relative luminance of a colour `#RRGGBB`, 0 to 1 (WCAG 2.2). */
export function luminance(colour: string): number {
  const [r, g, b] = rgbOfHex(colour)
  return 0.2126 * luminanceOfTone(r) + 0.7152 * luminanceOfTone(g) + 0.0722 * luminanceOfTone(b)
}

/** Contrast of two luminances, 1 to 21 (WCAG 2.2). */
export const contrastOf = (a: number, b: number): number =>
  (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05)

/** Contrast of two colours, 1 to 21. */
export const contrast = (a: string, b: string): number => contrastOf(luminance(a), luminance(b))

/** A colour between two. @param part of the second, 0 to 1 */
export const mixed = (a: string, b: string, part: number): string =>
  `#${[1, 3, 5]
    .map((i) => {
      const [from, to] = [a, b].map((colour) => parseInt(colour.slice(i, i + 2), 16)) as [
        number,
        number,
      ]
      return Math.round(from + (to - from) * part)
        .toString(16)
        .padStart(2, '0')
    })
    .join('')}`

/** WCAG 2.2 SC 1.4.3: what letters need at least. */
export const LEGIBLE = 4.5
/** WCAG 2.2 SC 1.4.11: what shapes need at least. */
export const VISIBLE = 3
