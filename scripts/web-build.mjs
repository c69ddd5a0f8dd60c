import { existsSync, readdirSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { ROOT } from './prepare.mjs'

const newest = (folder) =>
  Math.max(
    0,
    ...readdirSync(folder, { recursive: true, withFileTypes: true })
      .filter((entry) => entry.isFile())
      .map((entry) => statSync(join(entry.parentPath, entry.name)).mtimeMs),
  )

/** Whether the built client is newer than everything it is made from. */
export function webIsBuilt() {
  const index = join(ROOT, 'packages/web/dist/index.html')
  if (!existsSync(index)) return false
  const built = statSync(index).mtimeMs
  return ['packages/web/src', 'packages/core/src'].every(
    (folder) => newest(join(ROOT, folder)) < built,
  )
}
