import type { RefusalReason } from '@tidy-reel/core/document/document'
import type { PictureFilter } from '@tidy-reel/core/pictures/filter'
import type { Item } from '@tidy-reel/core/pictures/item'
import type {
  FoundView,
  LibraryPage,
  NotedView,
  PictureUse,
  PictureView,
  Shelf,
} from '@tidy-reel/core/views/library'
import { ask, bytesOf, post, query } from './ask.ts'

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
    ask<Item>(`/own?name=${encodeURIComponent(name.slice(-900))}`, bytesOf(file)),
  findPictures: (words: string, filter: PictureFilter = {}, page = 1, signal?: AbortSignal) =>
    ask<FoundView>(`/pictures?${query({ words, ...filter, page })}`, signal ? { signal } : {}),
  makerStyles: () =>
    ask<{ styles: { id: string; name: string }[] }>('/pictures/styles').then(
      ({ styles }) => styles,
    ),
  makePictures: (wish: MadeWish, signal?: AbortSignal) =>
    post<{ items: Item[] }>('/pictures/made', wish, signal).then(({ items }) => items),
  library: (asked: LibraryAsked, from = 0, signal?: AbortSignal) =>
    ask<LibraryPage>(`/library?${query({ ...asked, from })}`, signal ? { signal } : {}).then(
      ({ pictures }) => pictures,
    ),
  libraryCount: (asked: LibraryAsked) =>
    ask<{ count: number }>(`/library/count?${query({ ...asked })}`).then(({ count }) => count),
  collections: () =>
    ask<{ collections: { name: string; pictures: number }[] }>('/library/collections').then(
      ({ collections }) => collections,
    ),
  tagPictures: (ids: readonly string[], add: readonly string[], remove: readonly string[] = []) =>
    post<void>('/library/tags', { ids, add, remove }),
  collect: (ids: readonly string[], name: string, inside: boolean) =>
    post<void>('/library/collect', { ids, name, inside }),
  removePictures: (ids: readonly string[], removed: boolean) =>
    post<void>('/library/remove', { ids, removed }),
  setFavourite: (item: Item, favourite: boolean) =>
    ask<void>('/library/favourite', { method: 'PUT', body: JSON.stringify({ item, favourite }) }),
  refuseForChannel: (item: Item, reason: RefusalReason | null) =>
    ask<void>('/library/refused', { method: 'PUT', body: JSON.stringify({ item, reason }) }),
  describePicture: (
    id: string,
    said: Partial<Pick<Item, 'title' | 'description' | 'author' | 'licence'>> & {
      people?: boolean
    },
  ) =>
    ask<PictureView>(`/library/${encodeURIComponent(id)}`, {
      method: 'PATCH',
      body: JSON.stringify(said),
    }),
  pictureUses: (id: string) =>
    ask<{ uses: PictureUse[] }>(`/library/${encodeURIComponent(id)}/uses`).then(({ uses }) => uses),
  pictureTwins: (id: string) =>
    ask<{ pictures: PictureView[] }>(`/library/${encodeURIComponent(id)}/twins`).then(
      ({ pictures }) => pictures,
    ),
  libraryList: '/api/library/list.csv',
  takePictureList: (file: File) =>
    ask<NotedView>(`/own/list?name=${encodeURIComponent(file.name)}`, bytesOf(file)),
  takeSidecar: (file: File) =>
    ask<{ described: number }>(`/own/sidecar?name=${encodeURIComponent(file.name)}`, bytesOf(file)),
}
