import { readdir, rm, stat } from 'node:fs/promises'
import { join } from 'node:path'

/**
 * Removes the files of a folder that were last written so long ago; what is away already, or stays,
 * is no fault.
 */
export async function removeOlder(folder: string, ms: number): Promise<void> {
  const border = Date.now() - ms
  for (const entry of await readdir(folder, { withFileTypes: true }).catch(() => [])) {
    if (!entry.isFile()) continue
    const file = join(folder, entry.name)
    const written = await stat(file).then(
      ({ mtimeMs }) => mtimeMs,
      () => Infinity,
    )
    if (written < border) await rm(file, { force: true }).catch(() => undefined)
  }
}
