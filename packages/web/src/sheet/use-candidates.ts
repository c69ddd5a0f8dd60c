import { computed, ref, shallowRef, watch } from 'vue'
import type { OfferedPicture } from '@tidy-reel/core/match/pick'
import type { Sureness } from '@tidy-reel/core/match/sureness'
import type { PictureFilter } from '@tidy-reel/core/pictures/filter'
import type { Item } from '@tidy-reel/core/pictures/item'
import type { Shelf } from '@tidy-reel/core/views/library'
import type { SearchWord } from '@tidy-reel/core/words/search-words'
import { libraryApi } from '../api/library.ts'

export const PLACES = ['found', 'favourites', 'recent', 'film', 'make'] as const
export type CandidatePlace = (typeof PLACES)[number]

/** A picture that may be chosen, and what is to be said of it. */
export interface Offered {
  item: Item
  why: string
  sure?: Sureness
}

const WORDS_SHOWN = 4
const SHELF_OF: Partial<Record<CandidatePlace, Shelf>> = {
  favourites: 'favourites',
  recent: 'recent',
}

/**
 * Pictures that may be chosen for a scene: what matching found, what a search brings, what the
 * library has. The newest request wins.
 */
export function useCandidates(
  scene: () => { id: string; words: readonly SearchWord[]; picks: readonly OfferedPicture[] },
  filmItems: () => readonly Item[],
) {
  const place = ref<CandidatePlace>('found')
  /** What is searched for; undefined: what matching found is shown. */
  const words = ref<string[]>()
  const filter = ref<PictureFilter>({})
  const found = shallowRef<Item[]>([])
  const remarks = ref<string[]>([])
  const page = ref(1)
  const more = ref(false)
  const busy = ref(false)
  const favourites = ref(new Set<string>())
  let request = new AbortController()

  const own = computed(() =>
    scene()
      .words.slice(0, WORDS_SHOWN)
      .map(({ text }) => text),
  )
  const chips = computed(() => words.value ?? own.value)
  const shown = computed((): Offered[] => {
    if (place.value === 'film') return filmItems().map((item) => ({ item, why: item.author }))
    if (place.value === 'found' && !words.value)
      return scene().picks.map(({ item, why, sure, passed }) => ({
        item,
        why: passed ? `${why}; ${passed}` : why,
        sure,
      }))
    return found.value.map((item) => ({
      item,
      why: [item.author, item.licence].filter(Boolean).join(', '),
    }))
  })

  /**
   * Another scene is looked at: what was searched for the one before is over; where one looks
   * stays.
   */
  watch(
    () => scene().id,
    () => {
      words.value = undefined
      filter.value = {}
      if (place.value === 'found') reset()
    },
  )
  watch(place, () => void load())

  function reset() {
    request.abort()
    found.value = []
    remarks.value = []
    more.value = busy.value = false
    page.value = 1
  }
  async function load(next = 1) {
    const shelf = SHELF_OF[place.value]
    if (next === 1) reset()
    if (!shelf && !(place.value === 'found' && words.value)) return
    request.abort()
    const { signal } = (request = new AbortController())
    busy.value = true
    try {
      const asked = words.value?.join(' ') ?? ''
      const answer = shelf
        ? {
            items: (
              await libraryApi.library({ words: asked, shelf, ...filter.value }, 0, signal)
            ).map(({ item }) => item),
            remarks: [],
            more: false,
          }
        : await libraryApi.findPictures(asked, filter.value, next, signal)
      if (signal.aborted) return
      const known = new Set(next === 1 ? [] : found.value.map(({ id }) => id))
      found.value = [
        ...(next === 1 ? [] : found.value),
        ...answer.items.filter(({ id }) => !known.has(id)),
      ]
      remarks.value = answer.remarks
      more.value = answer.more
      page.value = next
    } catch (cause) {
      if (!signal.aborted) remarks.value = [(cause as Error).message]
    } finally {
      if (!signal.aborted) busy.value = false
    }
  }
  /** Looks for words; none: back to what matching found. */
  function search(asked: readonly string[] | undefined) {
    const left = asked?.map((word) => word.trim()).filter(Boolean)
    words.value = left?.length ? left : undefined
    if (place.value === 'film' || place.value === 'make') place.value = 'found'
    else void load()
  }
  function setFilter(wanted: PictureFilter) {
    filter.value = wanted
    // What matching found is not filtered; the scene's own words are searched for instead.
    if (Object.keys(wanted).length && !words.value && place.value === 'found')
      words.value = own.value.length ? own.value.slice(0, 2) : undefined
    void load()
  }
  async function loadFavourites() {
    favourites.value = new Set(
      await libraryApi.library({ words: '', shelf: 'favourites' }).then(
        (list) => list.map(({ item }) => item.id),
        () => [],
      ),
    )
  }
  async function favour(item: Item) {
    const now = !favourites.value.has(item.id)
    const next = new Set(favourites.value)
    if (now) next.add(item.id)
    else next.delete(item.id)
    favourites.value = next
    await libraryApi
      .setFavourite(item, now)
      .catch((cause: Error) => (remarks.value = [cause.message]))
    if (place.value === 'favourites') void load()
  }
  return {
    place,
    words,
    chips,
    filter,
    shown,
    remarks,
    more,
    busy,
    favourites,
    search,
    setFilter,
    favour,
    loadFavourites,
    next: () => load(page.value + 1),
  }
}
