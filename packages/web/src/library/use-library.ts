import { computed, ref, shallowRef, watch } from 'vue'
import type { PictureFilter } from '@tidy-reel/core/match/filter'
import { LIBRARY_PAGE as PAGE, type PictureView, type Shelf } from '@tidy-reel/core/views/library'
import { api, type LibraryAsked } from '../api.ts'

/** What part of the library is looked at, its pictures fetched page by page as they come into view. */
export function useLibrary() {
  const shelf = ref<Shelf>('all')
  const collection = ref<string>()
  const words = ref('')
  const filter = ref<PictureFilter>({})
  const count = ref<number>()
  /** By place in the list. */
  const pictures = shallowRef(new Map<number, PictureView>())
  const collections = ref<{ name: string; pictures: number }[]>([])
  const problem = ref('')
  const asked = computed((): LibraryAsked => ({ words: words.value, shelf: shelf.value, collection: collection.value, ...filter.value }))
  let pages = new Set<number>()
  let request = new AbortController()

  async function reload() {
    request.abort()
    const { signal } = (request = new AbortController())
    pages = new Set()
    problem.value = ''
    try {
      const [first, many] = await Promise.all([api.library(asked.value, 0, signal), api.libraryCount(asked.value)])
      if (signal.aborted) return
      pages.add(0)
      pictures.value = new Map(first.map((picture, i) => [i, picture]))
      count.value = Math.max(many, first.length)
    } catch (cause) {
      if (!signal.aborted) problem.value = (cause as Error).message
    }
  }
  /** Fetches the pages that hold these places, unless they are there or on their way. */
  async function need(from: number, to: number) {
    const { signal } = request
    for (let page = Math.floor(from / PAGE); page <= Math.floor(to / PAGE); page++) {
      if (pages.has(page) || page * PAGE >= (count.value ?? 0)) continue
      pages.add(page)
      const found = await api.library(asked.value, page * PAGE, signal).catch(() => {
        pages.delete(page)
        return []
      })
      if (signal.aborted) return
      pictures.value = new Map([...pictures.value, ...found.map((picture, i) => [page * PAGE + i, picture] as const)])
    }
  }
  async function loadCollections() {
    collections.value = await api.collections().catch(() => collections.value)
  }
  /** Another face for a picture that is shown. */
  function replace(picture: PictureView) {
    pictures.value = new Map([...pictures.value].map(([at, known]) => [at, known.item.id === picture.item.id ? picture : known]))
  }
  watch(asked, () => void reload())
  return { shelf, collection, words, filter, count, pictures, collections, problem, reload, need, loadCollections, replace }
}
