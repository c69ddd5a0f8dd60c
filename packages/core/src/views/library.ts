import type { RefusalReason } from '../document/document.ts'
import type { Item } from '../pictures/item.ts'
import type { Colour } from '../pictures/look.ts'
import type { SkippedRow } from '../text/named-rows.ts'

/** Parts of the library that can be looked at alone. */
export const SHELVES = [
  'all',
  'own',
  'made',
  'favourites',
  'recent',
  'untagged',
  'alike',
  'refused',
] as const
/** Pictures of one answer. */
export const LIBRARY_PAGE = 100
/**
 * Pictures that a search of the library weighs against each other; of a common word there are more.
 */
export const MOST_FOUND = 600
export type Shelf = (typeof SHELVES)[number]

/** A picture of the channel's library. */
export interface PictureView {
  item: Item
  favourite: boolean
  collections: string[]
  colours: Colour[]
  /** Whether people are in it, as its words or a person say. */
  people: boolean
  /** Variance of detail; null while nobody has looked. */
  sharpness: number | null
  /** Why a person wants it in no film; null where nobody turned it down. */
  refused: RefusalReason | null
  /** ISO 8601. */
  addedAt: string
  /** When a person last chose it; null: never. */
  usedAt: string | null
}

/** What matches a search of the library. */
export interface LibraryPage {
  pictures: PictureView[]
}

/** A film that shows a picture. */
export interface PictureUse {
  episodeId: string
  title: string
  /** Scenes that show it, counted from 1. */
  scenes: number[]
}

/** What a search of everything brought. */
export interface FoundView {
  items: Item[]
  /** What providers said that failed. */
  remarks: string[]
  /** Whether a further page may bring more. */
  more: boolean
}

/** What came of a list that describes pictures. */
export interface NotedView {
  described: number
  /** Rows that name no picture of the library, and what the first of them name. */
  unknown: number
  called: string[]
  /** The first rows that could not be used. */
  skipped: SkippedRow[]
}
