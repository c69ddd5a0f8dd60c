import { createWriteStream } from 'node:fs'
import { Readable, Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import type { ReadableStream } from 'node:stream/web'
import { z } from 'zod'
import { TidyError } from '@tidy-reel/core/fault'
import { Item } from '@tidy-reel/core/match/item'
import { withTimeLimit } from '../run/time-limit.ts'
import type { StockLibrary, StockQuery } from './contract.ts'

/** How long a library may take. Painting a clip at full size can take a while. */
const PATIENCE = { searchMs: 8000, fileMs: 240_000 }
const FILE_BYTES_LIMIT = 400 * 1024 * 1024
const THUMBNAIL_BYTES_LIMIT = 2 * 1024 * 1024

/** Items that do not read as items are passed over: one bad entry does not spoil a page. */
const Page = z.object({ items: z.array(z.unknown()).max(1000) })

/** A stock library behind the HTTP interface that `standins/stock` describes. */
export function stockClient(address: string, patience: Partial<typeof PATIENCE> = {}): StockLibrary {
  const { searchMs, fileMs } = { ...PATIENCE, ...patience }
  const url = (path: string, query: Record<string, string | number | undefined> = {}) => {
    const target = new URL(path, address)
    for (const [key, value] of Object.entries(query)) if (value !== undefined) target.searchParams.set(key, String(value))
    return target
  }
  const ask = <T>(target: URL, limitMs: number, signal: AbortSignal | undefined, read: (answer: Response, signal: AbortSignal) => Promise<T>) =>
    withTimeLimit(limitMs, signal, async (either) => {
      const answer = await fetch(target, { redirect: 'error', signal: either }).catch(() => {
        throw signal?.aborted ? new TidyError('cancelled') : new TidyError('stock_unreachable', { address })
      })
      return read(answer, either)
    })
  return {
    search: ({ words, kind, orientation, page, perPage }: StockQuery, signal) =>
      ask(url('/v1/items', { q: words, kind, orientation, page, per_page: perPage }), searchMs, signal, async (answer) => {
        const read = Page.safeParse(answer.ok ? await answer.json().catch(() => undefined) : undefined)
        if (signal?.aborted) throw new TidyError('cancelled')
        if (!read.success) throw new TidyError('stock_answer_invalid', { address })
        return read.data.items.flatMap((entry) => {
          const item = Item.safeParse(entry)
          return item.success ? [item.data] : []
        })
      }),
    download: ({ id, title }, height, out, signal) => fetchFile(url(`/v1/items/${encodeURIComponent(id)}/file`, { height }), title, fileMs, FILE_BYTES_LIMIT, out, signal),
    thumbnail: (id, out, signal) => fetchFile(url(`/v1/items/${encodeURIComponent(id)}/thumbnail`), id, fileMs, THUMBNAIL_BYTES_LIMIT, out, signal),
  }

  function fetchFile(target: URL, title: string, limitMs: number, limit: number, out: string, signal?: AbortSignal): Promise<void> {
    return ask(target, limitMs, signal, async (answer, either) => {
      if (!answer.ok || !answer.body) throw new TidyError('media_unusable', { title, reason: `the library answered ${answer.status}` })
      let bytes = 0
      const counted = new Transform({
        transform(chunk: Buffer, _encoding, done) {
          bytes += chunk.length
          done(bytes > limit ? new TidyError('media_unusable', { title, reason: 'its file is too large' }) : null, chunk)
        },
      })
      try {
        await pipeline(Readable.fromWeb(answer.body as ReadableStream), counted, createWriteStream(out), { signal: either })
      } catch (cause) {
        if (signal?.aborted) throw new TidyError('cancelled')
        if (cause instanceof TidyError || (cause as NodeJS.ErrnoException).code === 'ENOSPC') throw cause
        throw new TidyError('media_unusable', { title, reason: either.aborted ? 'its file did not come to an end' : 'its file broke off half-way' })
      }
    })
  }
}
