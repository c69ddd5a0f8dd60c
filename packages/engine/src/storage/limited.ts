import { buffer } from 'node:stream/consumers'
import type { TidyError } from '@tidy-reel/core/faults/fault'

/** Bytes as they come, up to a limit in bytes; what is beyond is never held. */
async function* limited(
  bytes: AsyncIterable<Buffer>,
  limit: number,
  refuse: () => TidyError,
): AsyncGenerator<Buffer> {
  let size = 0
  for await (const chunk of bytes) {
    size += chunk.length
    if (size > limit) throw refuse()
    yield chunk
  }
}

/** All of a short file. @throws what `refuse` makes of one over the limit */
export const allOf = (
  bytes: AsyncIterable<Buffer>,
  limit: number,
  refuse: () => TidyError,
): Promise<Buffer> => buffer(limited(bytes, limit, refuse))
