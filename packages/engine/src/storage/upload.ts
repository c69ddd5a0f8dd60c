import { createHash, randomUUID } from 'node:crypto'
import { createWriteStream } from 'node:fs'
import { mkdir, rm } from 'node:fs/promises'
import { join } from 'node:path'
import { type Readable, Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { TidyError } from '@tidy-reel/core/faults/fault'

/**
 * Receives a file into a folder under another name, hands it on with the SHA-256 of its bytes (32
 * hex digits), and clears away what is left of it: cut off half-way, it leaves nothing.
 *
 * @param refuse makes the fault for a file that is empty or over `limit` bytes
 * @throws TidyError of `refuse`, `disk_full`
 */
export async function received<T>(
  folder: string,
  bytes: Readable,
  limit: number,
  refuse: (reason: string) => TidyError,
  use: (half: string, hash: string) => Promise<T>,
): Promise<T> {
  const half = join(folder, `${randomUUID()}.part`)
  await mkdir(folder, { recursive: true })
  try {
    const hash = createHash('sha256')
    let size = 0
    const counted = new Transform({
      transform(chunk: Buffer, _encoding, done) {
        size += chunk.length
        hash.update(chunk)
        done(size > limit ? refuse(`it is larger than ${limit / 1024 / 1024} MB`) : null, chunk)
      },
    })
    await pipeline(bytes, counted, createWriteStream(half))
    if (size === 0) throw refuse('it is empty')
    return await use(half, hash.digest('hex').slice(0, 32))
  } catch (cause) {
    throw (cause as NodeJS.ErrnoException).code === 'ENOSPC' ? new TidyError('disk_full') : cause
  } finally {
    await rm(half, { force: true })
  }
}
