import { existsSync } from 'node:fs'
import { join } from 'node:path'
import pLimit from 'p-limit'
import { contentHash, keptFile } from '../storage/kept-file.ts'
import type { StockLibrary } from './contract.ts'

/** How many are asked of the library at once. */
const AT_ONCE = 3
/** A page that waits for pictures holds one of the few connections a browser has; edits go before them. */
const PATIENCE_MS = 250

export interface Thumbnails {
  /** The file of an item's thumbnail; undefined while it is still under way: ask again. */
  file(id: string): Promise<string | undefined>
}

/** Thumbnails of a library, each fetched once and kept. */
export function thumbnails(folder: string, library: StockLibrary): Thumbnails {
  const limit = pLimit(AT_ONCE)
  const coming = new Map<string, Promise<string>>()
  return {
    async file(id) {
      const file = join(folder, `${contentHash({ id })}.jpg`)
      if (existsSync(file)) return file
      let come = coming.get(id)
      if (!come) {
        come = limit(() => keptFile(file, (half) => library.thumbnail(id, half))).finally(() => coming.delete(id))
        coming.set(id, come)
        // Whoever waits for it hears why it does not come; nobody need.
        come.catch(() => undefined)
      }
      return Promise.race([come, new Promise<undefined>((resolve) => setTimeout(() => resolve(undefined), PATIENCE_MS))])
    },
  }
}
