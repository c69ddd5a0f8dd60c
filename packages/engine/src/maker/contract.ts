import type { Item, Orientation } from '@tidy-reel/core/pictures/item'

/** What a made picture is to show. */
export interface PictureWish {
  description: string
  /** One of the maker's. */
  style: string
  /** Things that must not be seen. */
  without: readonly string[]
  shape: Extract<Orientation, 'landscape' | 'portrait'>
  /** The same wish with the same seed is the same picture; a variant has the next. */
  seed: number
}

export interface MakerStyle {
  id: string
  name: string
}

/** What the engine needs of one that makes pictures from words. */
export interface PictureMaker {
  /** @throws TidyError `maker_unreachable`, `maker_answer_invalid` */
  styles(signal?: AbortSignal): Promise<MakerStyle[]>
  /** Variants of a wish, as pictures of the channel's own, their files at hand. */
  make(wish: PictureWish, variants: number, signal?: AbortSignal): Promise<Item[]>
}
