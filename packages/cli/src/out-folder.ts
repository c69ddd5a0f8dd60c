import { mkdir, mkdtemp, rm, stat } from 'node:fs/promises'
import { dirname, join, resolve } from 'node:path'
import { TidyError } from '@tidy-reel/core/faults/fault'

/**
 * The folder a film is to be written into, made and tried before any work is done.
 *
 * @throws TidyError `option_invalid` for an empty name, `folder_not_writable`, `disk_full`
 */
export async function outFolder(asked: string): Promise<string> {
  if (!asked.trim())
    throw new TidyError('option_invalid', {
      option: '--out',
      value: asked,
      wanted: 'the name of a folder',
    })
  const folder = resolve(asked)
  try {
    await madeFolder(folder)
    await rm(await mkdtemp(join(folder, '.try-')), { recursive: true })
  } catch (cause) {
    if ((cause as NodeJS.ErrnoException).code === 'ENOSPC') throw new TidyError('disk_full')
    throw new TidyError('folder_not_writable', { name: asked })
  }
  return folder
}

/** One level after the other: Node's own way of making several never returns where none can be. */
async function madeFolder(folder: string): Promise<void> {
  const isThere = await stat(folder).then(
    () => true,
    (cause: unknown) => {
      if ((cause as NodeJS.ErrnoException).code !== 'ENOENT') throw cause
      return false
    },
  )
  if (isThere) return
  await madeFolder(dirname(folder))
  await mkdir(folder)
}
