import { createWriteStream } from 'node:fs'
import { Readable, Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import type { ReadableStream } from 'node:stream/web'
import { z } from 'zod'
import { TidyError } from '@tidy-reel/core/fault'
import { Item } from '@tidy-reel/core/match/item'
import type { StockLibrary, StockQuery } from './contract.ts'

const SEARCH_LIMIT_MS = 8000
/** Painting a clip at full size can take a while; a library that says nothing for so long is given up. */
const FILE_LIMIT_MS = 240_000
const FILE_BYTES_LIMIT = 400 * 1024 * 1024

/** Items that do not read as items are passed over: one bad entry does not spoil a page. */
const Page = z.object({ items: z.array(z.unknown()).max(1000) })

/** A stock library behind the HTTP interface that `standins/stock` describes. */
export function stockClient(address: string): StockLibrary {
  const url = (path: string, query: Record<string, string | number | undefined> = {}) => {
    const target = new URL(path, address)
    for (const [key, value] of Object.entries(query)) if (value !== undefined) target.searchParams.set(key, String(value))
    return target
  }
  const ask = async (target: URL, limitMs: number, signal?: AbortSignal) => {
    try {
      return await fetch(target, { redirect: 'error', signal: AbortSignal.any([AbortSignal.timeout(limitMs), ...(signal ? [signal] : [])]) })
    } catch {
      if (signal?.aborted) throw new TidyError('cancelled')
      throw new TidyError('stock_unreachable', { address })
    }
  }
  return {
    async search({ words, kind, orientation, page, perPage }: StockQuery, signal) {
      const answer = await ask(url('/v1/items', { q: words, kind, orientation, page, per_page: perPage }), SEARCH_LIMIT_MS, signal)
      const read = Page.safeParse(answer.ok ? await answer.json().catch(() => undefined) : undefined)
      if (!read.success) throw new TidyError('stock_answer_invalid', { address })
      return read.data.items.flatMap((entry) => {
        const item = Item.safeParse(entry)
        return item.success ? [item.data] : []
      })
    },
    async download({ id, title }, height, out, signal) {
      const answer = await ask(url(`/v1/items/${encodeURIComponent(id)}/file`, { height }), FILE_LIMIT_MS, signal)
      if (!answer.ok || !answer.body) throw new TidyError('media_unusable', { title, reason: `the library answered ${answer.status}` })
      let bytes = 0
      const counted = new Transform({
        transform(chunk: Buffer, _encoding, done) {
          bytes += chunk.length
          done(bytes > FILE_BYTES_LIMIT ? new TidyError('media_unusable', { title, reason: 'its file is too large' }) : null, chunk)
        },
      })
      try {
        await pipeline(Readable.fromWeb(answer.body as ReadableStream), counted, createWriteStream(out), signal ? { signal } : {})
      } catch (cause) {
        if (signal?.aborted) throw new TidyError('cancelled')
        if (cause instanceof TidyError || (cause as NodeJS.ErrnoException).code === 'ENOSPC') throw cause
        throw new TidyError('media_unusable', { title, reason: 'its file broke off half-way' })
      }
    },
    thumbnailAddress: (id) => url(`/v1/items/${encodeURIComponent(id)}/thumbnail`).href,
    fileAddress: (id, height) => url(`/v1/items/${encodeURIComponent(id)}/file`, { height }).href,
  }
}
