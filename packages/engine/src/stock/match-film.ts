import pLimit from 'p-limit'
import type { TidyError } from '@tidy-reel/core/fault'
import type { Item, Orientation } from '@tidy-reel/core/match/item'
import { pickPictures, queriesOf, searchesOf, type SceneToMatch, type ScenePicks } from '@tidy-reel/core/match/pick'
import type { Film } from '@tidy-reel/core/document/film-scenes'
import type { Lexicon } from '@tidy-reel/core/words/lexicon'
import type { StockLibrary } from './contract.ts'

/** Searches at once: polite to the library, quick enough for a film. */
const AT_ONCE = 6
const PER_SEARCH = 24

export interface MatchOptions {
  orientation: Orientation
  kept?: ReadonlyMap<number, readonly string[]>
  signal?: AbortSignal
  onProgress?: (done: number, all: number) => void
}

/** Pictures of scenes that have theirs, by number of the scene: matching looks around them. */
export const keptPictures = (scenes: Film['scenes']): Map<number, string[]> =>
  new Map(scenes.flatMap(({ shots }, i) => {
    const ids = shots.flatMap((shot) => (shot.item ? [shot.item.id] : []))
    return ids.length ? [[i, ids] as const] : []
  }))

/** One entry a scene of the film; a card has no words to look for. */
export function scenesToMatch({ scenes, chapters }: Pick<Film, 'scenes' | 'chapters'>, seconds: readonly number[]): SceneToMatch[] {
  return scenes.map((scene, i) => {
    const picture = scene.directions.flatMap((d) => (d.kind === 'picture' ? [d.text] : [])).join('. ')
    const chapterTitle = chapters[scene.chapter]?.title
    return { text: scene.text, chapter: scene.chapter, seconds: seconds[i]!, ...(picture ? { picture } : {}), ...(chapterTitle ? { chapterTitle } : {}) }
  })
}

/**
 * Matches a whole film against a library, or against a list of items in its place.
 *
 * @returns picks by scene, and what a library said when it failed: the scenes are there all the same, without pictures
 */
export async function matchFilm(scenes: readonly SceneToMatch[], lexicon: Lexicon, library: StockLibrary | readonly Item[], options: MatchOptions): Promise<{ picks: ScenePicks[]; fault?: TidyError }> {
  const queries = queriesOf(scenes, lexicon)
  if (!('search' in library)) return { picks: pickPictures(scenes, queries, library, options) }
  const searches = [...new Set(queries.flatMap(searchesOf))]
  const pool = new Map<string, Item>()
  const limit = pLimit(AT_ONCE)
  let done = 0
  let fault: TidyError | undefined
  const look = async (words: string) => {
    options.signal?.throwIfAborted()
    if (fault) return
    try {
      for (const item of await library.search({ words, perPage: PER_SEARCH }, options.signal)) pool.set(item.id, item)
    } catch (cause) {
      if (options.signal?.aborted) throw cause
      fault = cause as TidyError
    }
    options.onProgress?.(++done, searches.length)
  }
  await Promise.all(searches.map((words) => limit(() => look(words))))
  if (!fault && pool.size < scenes.length) await look('')
  const sorted = [...pool.values()].sort((a, b) => a.id.localeCompare(b.id))
  return { picks: pickPictures(scenes, queries, sorted, options), ...(fault ? { fault } : {}) }
}
