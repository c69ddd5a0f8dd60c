import { lookedUp } from '@tidy-reel/core/match/picture-index'
import type { Depiction } from '@tidy-reel/core/pictures/depiction'
import type { Item } from '@tidy-reel/core/pictures/item'
import type { PictureLibrary } from '../stock/contract.ts'

/** Pictures asked for by one search. */
const PER_SEARCH = 24

/**
 * Checks depictions against the catalogue: search words that find nothing are left out, and each is
 * told how many pictures its words found.
 *
 * @returns one a depiction, in order; null stays null. Where a library is away, what it would have
 *   found is not counted
 */
export async function withFinds(
  depictions: readonly (Depiction | null)[],
  library: Pick<PictureLibrary, 'search'>,
  signal: AbortSignal,
): Promise<((Depiction & { finds: number }) | null)[]> {
  const asked = new Map<string, Promise<Item[]>>()
  const found = (words: string) => {
    const known = asked.get(words)
    if (known) return known
    const search = library
      .search({ words, perPage: PER_SEARCH }, signal)
      .then(({ items }) => items.filter((item) => shows(item, words)))
    asked.set(words, search)
    return search
  }
  return Promise.all(
    depictions.map(async (depiction) => {
      if (!depiction) return null
      const wanted = depiction.search.length ? depiction.search : [depiction.see]
      const lists = await Promise.all(wanted.map(found))
      const ids = new Set(lists.flatMap((items) => items.map(({ id }) => id)))
      return {
        ...depiction,
        search: depiction.search.filter((_, i) => lists[i]?.length),
        finds: ids.size,
      }
    }),
  )
}

/** True where an item says every word; a library's own search may take any of them for enough. */
function shows({ title, description, tags }: Item, words: string): boolean {
  const has = new Set([title, description, ...tags].flatMap(lookedUp))
  return lookedUp(words).every((word) => word.includes(' ') || has.has(word))
}
