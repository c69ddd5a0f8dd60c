import type { TidyError } from '@tidy-reel/core/faults/fault'
import type { Item, Orientation } from '@tidy-reel/core/pictures/item'

export interface StockQuery {
  words: string
  kind?: Item['kind']
  orientation?: Orientation
  /** From 1. */
  page?: number
  perPage?: number
}

/** Whatever hands out pictures by their ids. */
export interface PictureFiles {
  /** Writes an item's file, its shorter side at least `height` pixels where there is such a one. */
  download(
    item: { id: string; title: string },
    height: number,
    out: string,
    signal?: AbortSignal,
  ): Promise<void>
  /** Writes a small JPEG of an item. */
  thumbnail(id: string, out: string, signal?: AbortSignal): Promise<void>
}

/**
 * What the engine needs of one that offers pictures: a stock library, an archive, a shelf of one's
 * own.
 */
export interface PictureProvider extends PictureFiles {
  /** @throws TidyError `stock_unreachable`, `stock_answer_invalid` */
  search(query: StockQuery, signal?: AbortSignal): Promise<Item[]>
}

/** Pictures found, and what those providers said that found none because they failed. */
export interface Found {
  items: Item[]
  faults: TidyError[]
}

/** All pictures there are. A provider that fails costs its own pictures and nothing else. */
export interface PictureLibrary extends PictureFiles {
  /** @throws TidyError `cancelled` alone */
  search(query: StockQuery, signal?: AbortSignal): Promise<Found>
}
