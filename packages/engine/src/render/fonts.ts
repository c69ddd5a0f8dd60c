import { existsSync } from 'node:fs'
import { copyFile, mkdir } from 'node:fs/promises'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { FACES, fontFiles, SCRIPT_FACES } from '@tidy-reel/core/style/faces'

/** Of Debian's `fonts-noto-cjk`, where `npm run demo` and `npm test` put it; libass finds it there. */
export const EAST_ASIAN_FONT = '/usr/share/fonts/opentype/noto/NotoSansCJK-Bold.ttc'

const require = createRequire(import.meta.url)

/** Puts the faces that films are lettered in into one folder, for libass's `fontsdir`. */
export async function fontsFolder(folder: string): Promise<string> {
  await mkdir(folder, { recursive: true })
  const files = [...Object.values(FACES), ...Object.values(SCRIPT_FACES)].flatMap(fontFiles)
  for (const { package: name, file } of files) {
    const source = join(dirname(require.resolve(`${name}/package.json`)), 'files', file)
    const target = join(folder, file)
    if (!existsSync(target) && existsSync(source)) await copyFile(source, target)
  }
  return folder
}
