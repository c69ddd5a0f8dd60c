import { existsSync } from 'node:fs'
import { join } from 'node:path'
import pLimit from 'p-limit'
import { isFault, TidyError } from '@tidy-reel/core/faults/fault'
import type { Look } from '@tidy-reel/core/pictures/look'
import { keepLook, keptLook } from '../own/look.ts'
import { contentHash, keptFile } from '../storage/kept-file.ts'
import type { PictureFiles } from './contract.ts'

/** How many are asked of the library at once. */
const AT_ONCE = 3
/**
 * A page that waits for pictures holds one of the few connections a browser has; edits go before
 * them.
 */
const PATIENCE_MS = 250

export interface Thumbnails {
  /** The file of an item's thumbnail; undefined while it is still under way: ask again. */
  file(id: string): Promise<string | undefined>
  /** What was seen of an item; undefined while its thumbnail has not come. */
  look(id: string): Look | undefined
}

const fileOf = (folder: string, id: string) => join(folder, `${contentHash({ id })}.jpg`)

/** What was seen of an item whose thumbnail is in the folder. */
export const lookOfThumbnail = (folder: string, id: string): Look | undefined =>
  keptLook(fileOf(folder, id))

/**
 * Fetches an item's thumbnail once, looks at it and keeps both: what is no picture, or unpacks to
 * more than there is room for, is none.
 */
export function thumbnailOf(folder: string, library: PictureFiles, id: string): Promise<string> {
  const file = fileOf(folder, id)
  return keptFile(file, async (half) => {
    await library.thumbnail(id, half)
    await keepLook(file, half).catch((cause: unknown) => {
      throw isFault(cause)
        ? cause
        : new TidyError('media_unusable', {
            title: id,
            reason: 'what was sent for a small picture of it is no picture',
          })
    })
  })
}

/** Thumbnails of a library, each fetched once and kept. */
export function thumbnails(folder: string, library: PictureFiles): Thumbnails {
  const limit = pLimit(AT_ONCE)
  const coming = new Map<string, Promise<string>>()
  return {
    look: (id) => lookOfThumbnail(folder, id),
    async file(id) {
      const file = fileOf(folder, id)
      if (existsSync(file)) return file
      let come = coming.get(id)
      if (!come) {
        come = limit(() => thumbnailOf(folder, library, id)).finally(() => coming.delete(id))
        coming.set(id, come)
        // Whoever waits for it hears why it does not come; nobody need.
        come.catch(() => undefined)
      }
      return Promise.race([
        come,
        new Promise<undefined>((resolve) => setTimeout(() => resolve(undefined), PATIENCE_MS)),
      ])
    },
  }
}
