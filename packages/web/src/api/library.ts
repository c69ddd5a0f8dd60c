import type { RefusalReason } from '@tidy-reel/core/document/document'
import type { PictureFilter } from '@tidy-reel/core/pictures/filter'
import type { Item } from '@tidy-reel/core/pictures/item'
import type { Shelf } from '@tidy-reel/core/views/library'
import { ask } from './ask.ts'

/** What is asked of the picture maker. */
export interface MadeWish {
  description: string
  style: string
  without: string[]
  shape: 'landscape' | 'portrait'
  seed: number
}

/** What is asked of the library. */
export type LibraryAsked = PictureFilter & {
  words: string
  shelf: Shelf
  collection?: string | undefined
}

/** Pictures: found, brought, made, and kept in the library. */
export const libraryApi = {
  /** @param name with the folders it lay in */
  takeOwnFile: (file: File, name = file.name) =>
    ask('POST /own', { query: { name: name.slice(-900) }, file }),
  findStickers: (words: string, signal?: AbortSignal) =>
    ask('GET /stickers', { query: { words }, signal }).then(({ stickers }) => stickers),
  takeSticker: (name: string) => ask('POST /stickers/:name', { path: { name } }),
  stickerAddress: (name: string) => `/api/stickers/${name}`,
  findPictures: (words: string, filter: PictureFilter = {}, page = 1, signal?: AbortSignal) =>
    ask('GET /pictures', { query: { words, ...filter, page }, signal }),
  makerStyles: () => ask('GET /pictures/styles').then(({ styles }) => styles),
  makePictures: (wish: MadeWish, signal?: AbortSignal) =>
    ask('POST /pictures/made', { json: wish, signal }).then(({ items }) => items),
  library: (asked: LibraryAsked, from = 0, signal?: AbortSignal) =>
    ask('GET /library', { query: { ...asked, from }, signal }).then(({ pictures }) => pictures),
  libraryCount: (asked: LibraryAsked) =>
    ask('GET /library/count', { query: { ...asked } }).then(({ count }) => count),
  collections: () => ask('GET /library/collections').then(({ collections }) => collections),
  tagPictures: (ids: readonly string[], add: readonly string[], remove: readonly string[] = []) =>
    ask('POST /library/tags', { json: { ids, add, remove } }),
  collect: (ids: readonly string[], name: string, inside: boolean) =>
    ask('POST /library/collect', { json: { ids, name, inside } }),
  removePictures: (ids: readonly string[], removed: boolean) =>
    ask('POST /library/remove', { json: { ids, removed } }),
  setFavourite: (item: Item, favourite: boolean) =>
    ask('PUT /library/favourite', { json: { item, favourite } }),
  refuseForChannel: (item: Item, reason: RefusalReason | null) =>
    ask('PUT /library/refused', { json: { item, reason } }),
  describePicture: (
    id: string,
    said: Partial<Pick<Item, 'title' | 'description' | 'author' | 'licence'>> & {
      people?: boolean
    },
  ) => ask('PATCH /library/:id', { path: { id }, json: said }),
  pictureUses: (id: string) =>
    ask('GET /library/:id/uses', { path: { id } }).then(({ uses }) => uses),
  pictureTwins: (id: string) =>
    ask('GET /library/:id/twins', { path: { id } }).then(({ pictures }) => pictures),
  libraryList: '/api/library/list.csv',
  takePictureList: (file: File) => ask('POST /own/list', { query: { name: file.name }, file }),
  takeSidecar: (file: File) => ask('POST /own/sidecar', { query: { name: file.name }, file }),
}
