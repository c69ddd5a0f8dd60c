import { computed, ref, shallowRef, watch } from 'vue'
import type { PictureFilter } from '@tidy-reel/core/pictures/filter'
import { LIBRARY_PAGE as PAGE, type PictureView, type Shelf } from '@tidy-reel/core/views/library'
import { libraryApi, type LibraryAsked } from '../api/library.ts'

/** Pages of a list by their number, each of `LIBRARY_PAGE` pictures. */
export type LibraryPages = ReadonlyMap<number, readonly PictureView[]>

/** The picture at a place of the list; undefined while its page has not come. */
export const pictureAt = (pages: LibraryPages, place: number): PictureView | undefined =>
  pages.get(Math.floor(place / PAGE))?.[place % PAGE]

/**
 * What part of the library is looked at, its pictures fetched page by page as they come into view.
 */
export function useLibrary() {
  const shelf = ref<Shelf>('all')
  const collection = ref<string>()
  const words = ref('')
  const filter = ref<PictureFilter>({})
  const count = ref<number>()
  /** The pages fetched so far, by number: of a large library many. */
  const pages = shallowRef<LibraryPages>(new Map())
  const collections = ref<{ name: string; pictures: number }[]>([])
  const problem = ref('')
  const asked = computed((): LibraryAsked => ({
    words: words.value,
    shelf: shelf.value,
    collection: collection.value,
    ...filter.value,
  }))
  let underWay = new Set<number>()
  let request = new AbortController()

  async function reload() {
    request.abort()
    const { signal } = (request = new AbortController())
    underWay = new Set([0])
    problem.value = ''
    try {
      const [first, many] = await Promise.all([
        libraryApi.library(asked.value, 0, signal),
        libraryApi.libraryCount(asked.value),
      ])
      if (signal.aborted) return
      pages.value = new Map([[0, first]])
      count.value = Math.max(many, first.length)
    } catch (cause) {
      if (!signal.aborted) problem.value = (cause as Error).message
    }
  }
  /** Fetches the pages that hold these places, unless they are there or on their way. */
  async function need(from: number, to: number) {
    const { signal } = request
    for (let page = Math.floor(from / PAGE); page <= Math.floor(to / PAGE); page++) {
      if (underWay.has(page) || page * PAGE >= (count.value ?? 0)) continue
      underWay.add(page)
      const found = await libraryApi.library(asked.value, page * PAGE, signal).catch(() => {
        underWay.delete(page)
        return undefined
      })
      if (signal.aborted) return
      if (found) pages.value = new Map(pages.value).set(page, found)
    }
  }
  async function loadCollections() {
    collections.value = await libraryApi.collections().catch(() => collections.value)
  }
  /** Another face for a picture that is shown. */
  function replace(picture: PictureView) {
    const isIt = ({ item }: PictureView) => item.id === picture.item.id
    pages.value = new Map(
      [...pages.value].map(([page, list]) => [
        page,
        list.some(isIt) ? list.map((known) => (isIt(known) ? picture : known)) : list,
      ]),
    )
  }
  watch(asked, () => void reload())
  return {
    shelf,
    collection,
    words,
    filter,
    count,
    pages,
    collections,
    problem,
    reload,
    need,
    loadCollections,
    replace,
  }
}
