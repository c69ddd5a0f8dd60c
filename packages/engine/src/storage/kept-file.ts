import { createHash, randomUUID } from 'node:crypto'
import { existsSync } from 'node:fs'
import { mkdir, rename, rm } from 'node:fs/promises'
import { dirname } from 'node:path'
import { TidyError } from '@tidy-reel/core/faults/fault'

/** SHA-256 of a value's JSON, 32 hex digits: the name of what was made from it. */
export const contentHash = (value: unknown) =>
  createHash('sha256').update(JSON.stringify(value)).digest('hex').slice(0, 32)

/**
 * A file that is made once: where it exists, nothing happens; else `make` writes it under another
 * name and it appears whole. Killed half-way, it leaves no file that could be taken for the
 * finished one.
 */
export async function keptFile(
  file: string,
  make: (half: string) => Promise<void>,
): Promise<string> {
  return existsSync(file) ? file : replacedFile(file, make)
}

/**
 * A file written anew, in the place of one that may be there: at each moment it is whole, the old
 * or the new.
 */
export async function replacedFile(
  file: string,
  make: (half: string) => Promise<void>,
): Promise<string> {
  await mkdir(dirname(file), { recursive: true })
  const half = file.replace(/(\.\w+)$/, `.${randomUUID().slice(0, 8)}.part$1`)
  try {
    await make(half)
    await rename(half, file)
  } catch (cause) {
    await rm(half, { force: true })
    throw (cause as NodeJS.ErrnoException).code === 'ENOSPC' ? new TidyError('disk_full') : cause
  }
  return file
}
