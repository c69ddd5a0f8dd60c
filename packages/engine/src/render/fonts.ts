import { existsSync } from 'node:fs'
import { copyFile, mkdir } from 'node:fs/promises'
import { createRequire } from 'node:module'
import { basename, dirname, join } from 'node:path'

const require = createRequire(import.meta.url)
const FACES = [
  ...['latin', 'latin-ext', 'cyrillic', 'greek', 'vietnamese'].map(
    (part) => `@fontsource/source-sans-3/files/source-sans-3-${part}-600-normal.woff2`,
  ),
  ...['latin', 'latin-ext'].map(
    (part) => `@fontsource/newsreader/files/newsreader-${part}-500-normal.woff2`,
  ),
]

/** Puts the faces that films are lettered in into one folder, for libass's `fontsdir`. */
export async function fontsFolder(folder: string): Promise<string> {
  await mkdir(folder, { recursive: true })
  for (const face of FACES) {
    const [scope, name, ...rest] = face.split('/')
    const source = join(dirname(require.resolve(`${scope}/${name}/package.json`)), ...rest)
    const target = join(folder, basename(face))
    if (!existsSync(target) && existsSync(source)) await copyFile(source, target)
  }
  return folder
}
