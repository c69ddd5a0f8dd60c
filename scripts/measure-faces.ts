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
import { faceMetrics } from '../packages/engine/src/own/face-metrics.ts'

const require = createRequire(import.meta.url)
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
  return faceMetrics(fonts as [fontkit.Font, ...fontkit.Font[]])
}

const all = Object.fromEntries(
  Object.entries({ ...FACES, ...SCRIPT_FACES }).map(([id, face]) => [id, measured(face)]),
)
writeFileSync(
  new URL('../packages/core/src/film/lettering/face-metrics.json', import.meta.url),
  `${JSON.stringify(all, null, 2)}\n`,
)
