/**
 * Measures the letters of the shipped faces into `core/film/lettering/face-metrics.json`, so that
 * lines are broken and boxes known without a font at hand. Run after a face was added:
 * `npx tsx scripts/measure-faces.ts`.
 */
import { readFileSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import * as fontkit from 'fontkit'
import { type Face, FACES, fontFiles, SCRIPT_FACES } from '../packages/core/src/style/faces.ts'

const require = createRequire(import.meta.url)
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

/** Font files of packages hold one font each. */
function asFont(read: fontkit.Font | fontkit.FontCollection): fontkit.Font {
  if ('fonts' in read) throw new Error('a collection of fonts')
  return read
}

function measured(face: Face) {
  const folder = (name: string) => join(dirname(require.resolve(`${name}/package.json`)), 'files')
  const fonts = fontFiles(face).map(({ package: name, file }) =>
    asFont(fontkit.create(readFileSync(join(folder(name), file)))),
  )
  const first = fonts[0]!
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

const all = Object.fromEntries(
  Object.entries({ ...FACES, ...SCRIPT_FACES }).map(([id, face]) => [id, measured(face)]),
)
writeFileSync(
  new URL('../packages/core/src/film/lettering/face-metrics.json', import.meta.url),
  `${JSON.stringify(all, null, 2)}\n`,
)
