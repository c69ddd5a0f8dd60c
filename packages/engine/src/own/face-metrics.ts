import type { Font } from 'fontkit'
import type { FaceMetrics } from '@tidy-reel/core/style/own-face'

/** What is measured: Latin with its extensions, Greek, Cyrillic, marks, and the other scripts. */
const RANGES = [
  [0x20, 0x7e],
  [0xa0, 0x17f],
  [0x370, 0x3ff],
  [0x400, 0x45f],
  [0x5d0, 0x5ea],
  [0x620, 0x64a],
  [0x660, 0x669],
  [0x904, 0x94d],
  [0x966, 0x96f],
  [0xe01, 0xe4e],
  [0x1ea0, 0x1ef9],
  [0x2010, 0x2026],
  [0x2030, 0x203a],
  [0x20a0, 0x20bf],
  [0x2190, 0x2193],
  [0x2212, 0x2212],
] as const

/**
 * Measures the letters of a face.
 *
 * @param fonts its files, each with a part of its letters
 * @throws what fontkit throws of a damaged file
 */
export function faceMetrics(fonts: readonly [Font, ...Font[]]): FaceMetrics {
  const [first] = fonts
  const scale = 1000 / first.unitsPerEm
  const thousandths = (units: number) => Math.round(units * scale)
  const letters: [string, number, number, number][] = []
  for (const [from, to] of RANGES)
    for (let code = from; code <= to; code++) {
      const font = fonts.find((one) => one.hasGlyphForCodePoint(code))
      if (!font) continue
      const glyph = font.glyphForCodePoint(code)
      const { minY, maxY } = glyph.bbox
      letters.push([
        String.fromCodePoint(code),
        thousandths(glyph.advanceWidth),
        Number.isFinite(maxY) ? thousandths(maxY) : 0,
        Number.isFinite(minY) ? thousandths(minY) : 0,
      ])
    }
  return {
    ascent: thousandths(first['OS/2'].winAscent),
    descent: thousandths(first['OS/2'].winDescent),
    letters: letters.map(([letter]) => letter).join(''),
    advances: letters.map(([, advance]) => advance),
    tops: letters.map(([, , top]) => top),
    feet: letters.map(([, , , foot]) => foot),
  }
}
