import type { Item, Orientation } from '@tidy-reel/core/match/item'

export interface StockQuery {
  words: string
  kind?: Item['kind']
  orientation?: Orientation
  page?: number
  perPage?: number
}

/** What the engine needs of a stock library. */
export interface StockLibrary {
  /** @throws TidyError `stock_unreachable`, `stock_answer_invalid` */
  search(query: StockQuery, signal?: AbortSignal): Promise<Item[]>
  /** Writes an item's file, its shorter side at least `height` pixels where there is such a one. */
  download(item: { id: string; title: string }, height: number, out: string, signal?: AbortSignal): Promise<void>
  /** Writes a small JPEG of an item. */
  thumbnail(id: string, out: string, signal?: AbortSignal): Promise<void>
}
