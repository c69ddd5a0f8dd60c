import { z } from 'zod'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { Item } from '@tidy-reel/core/pictures/item'
import type { PictureProvider, StockQuery } from '../contract.ts'
import {
  FILE_BYTES_LIMIT,
  type Patience,
  providerHttp,
  THUMBNAIL_BYTES_LIMIT,
} from './provider-http.ts'

/** Items that do not read as items are passed over: one bad entry does not spoil a page. */
const Page = z.object({ items: z.array(z.unknown()).max(1000) })

/**
 * A stock library that lists numbered pages: the HTTP interface that `standins/stock` describes.
 */
export function pagesProvider(address: string, patience: Partial<Patience> = {}): PictureProvider {
  const http = providerHttp(address, patience)
  const item = (id: string, what: string) => http.url(`/v1/items/${encodeURIComponent(id)}/${what}`)
  return {
    async search({ words, kind, orientation, page, perPage }: StockQuery, signal) {
      const target = http.url('/v1/items')
      for (const [key, value] of Object.entries({
        q: words,
        kind,
        orientation,
        page,
        per_page: perPage,
      }))
        if (value !== undefined) target.searchParams.set(key, String(value))
      const read = Page.safeParse(await http.json(target, {}, signal))
      if (!read.success) throw new TidyError('stock_answer_invalid', { address })
      return read.data.items.flatMap((entry) => {
        const known = Item.safeParse(entry)
        return known.success ? [known.data] : []
      })
    },
    download({ id, title }, height, out, signal) {
      const target = item(id, 'file')
      target.searchParams.set('height', String(height))
      return http.file(target, title, FILE_BYTES_LIMIT, out, signal)
    },
    thumbnail: (id, out, signal) =>
      http.file(item(id, 'thumbnail'), id, THUMBNAIL_BYTES_LIMIT, out, signal),
  }
}
