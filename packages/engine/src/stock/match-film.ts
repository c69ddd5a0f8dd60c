import pLimit from 'p-limit'
import type { TidyError } from '@tidy-reel/core/fault'
import type { Item, Orientation } from '@tidy-reel/core/match/item'
import { pickPictures, type ScenePicks } from '@tidy-reel/core/match/pick'
import { pictureIndex } from '@tidy-reel/core/match/picture-index'
import { queriesOf, searchesOf } from '@tidy-reel/core/match/queries'
import type { SceneToMatch } from '@tidy-reel/core/match/scene-to-match'
import { NOTHING_TOLD, type Matching } from '@tidy-reel/core/document/document'
import type { Film } from '@tidy-reel/core/document/film-scenes'
import type { Lexicon } from '@tidy-reel/core/words/lexicon'
import type { StockLibrary } from './contract.ts'

/** Searches at once: polite to the library, quick enough for a film. */
const AT_ONCE = 6
const PER_SEARCH = 24

export interface MatchOptions {
  orientation: Orientation
  /** Of the film. */
  title?: string
  kept?: ReadonlyMap<number, readonly string[]>
  /** What a person told matching. */
  told?: Matching
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
  const { told = NOTHING_TOLD } = options
  const queries = queriesOf(scenes, lexicon, options.title, new Map(told.senses.map(({ noun, sense }) => [noun, sense])))
  const pick = (items: readonly Item[]) => pickPictures(scenes, queries, pictureIndex(items, lexicon), lexicon, { ...options, refusals: told.refusals })
  if (!('search' in library)) return { picks: pick(library) }
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
  return { picks: pick(sorted), ...(fault ? { fault } : {}) }
}
