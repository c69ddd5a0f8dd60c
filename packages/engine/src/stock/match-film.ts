import { setMaxListeners } from 'node:events'
import { numbersWorth } from '@tidy-reel/core/checks/numbers-worth'
import type { CommandOf } from '@tidy-reel/core/document/command'
import {
  type Beginning,
  type Document,
  type Matching,
  NOTHING_TOLD,
  type Picking,
  PLAIN_PICKING,
  type Refusal,
  UNTITLED,
} from '@tidy-reel/core/document/document'
import type { Film } from '@tidy-reel/core/document/film-scenes'
import { itemAt } from '@tidy-reel/core/faults/certain'
import type { TidyError } from '@tidy-reel/core/faults/fault'
import { pickPictures, type ScenePicks } from '@tidy-reel/core/match/pick'
import { pictureIndex } from '@tidy-reel/core/match/picture-index'
import { queriesOf, type SceneQuery, searchesOf } from '@tidy-reel/core/match/queries'
import type { SceneToMatch } from '@tidy-reel/core/match/scene-to-match'
import { shortlist } from '@tidy-reel/core/match/shortlist'
import {
  type Item,
  type Orientation,
  orientationOf,
  sourceName,
} from '@tidy-reel/core/pictures/item'
import type { FilmShape } from '@tidy-reel/core/render/plan'
import { pictureAsked } from '@tidy-reel/core/script/picture-asked'
import type { Lexicon } from '@tidy-reel/core/words/lexicon'
import { loadLexicon } from '../words/wordnet.ts'
import type { PictureLibrary } from './contract.ts'

/** Pictures asked for by one search: six pages of candidates. */
const PER_SEARCH = 24

export interface MatchOptions {
  orientation: Orientation
  /** Of the film. */
  title?: string
  kept?: ReadonlyMap<number, readonly string[]>
  /** Where pictures begin, as far as it is decided. */
  begins?: ReadonlyMap<number, Beginning['how']>
  /** What a person told matching. */
  told?: Matching
  /** How pictures are to be chosen. */
  picking?: Picking
  /** Ids of pictures a person marked: they go before others that fit as well. */
  favourites?: ReadonlySet<string>
  /** Perceptual hash of an item, where somebody has looked at it. */
  hashOf?: (id: string) => string | undefined
  signal?: AbortSignal
  onProgress?: (done: number, all: number) => void
}

/** Pictures of scenes that have theirs, by number of the scene: matching looks around them. */
export const keptPictures = (scenes: Film['scenes']): Map<number, string[]> =>
  new Map(
    scenes.flatMap(({ shots }, i) => {
      const ids = shots.flatMap((shot) => (shot.item ? [shot.item.id] : []))
      return ids.length ? [[i, ids] as const] : []
    }),
  )

/**
 * Where the pictures of a document begin, by number of the scene of its film, where a person said
 * so or the scene's pictures stay as they are.
 *
 * @param stays scenes whose pictures stay
 */
export function decidedBeginnings(
  { scenes: decided }: Pick<Document, 'scenes'>,
  { scenes }: Film,
  stays: (n: number) => boolean,
): Map<number, Beginning['how']> {
  const known = new Map(decided.map(({ id, begins }) => [id, begins] as const))
  const found = new Map<number, Beginning['how']>()
  scenes.forEach(({ id, begins }, n) => {
    const said = known.get(id)
    if (said?.by === 'hand') found.set(n, said.how)
    else if (stays(n)) found.set(n, begins ?? 'cut')
  })
  return found
}

/** What `placeShots` is told of a scene: its pictures, and where they begin. */
export function placed(
  { scenes }: Film,
  n: number,
  { chosen, begins }: Pick<ScenePicks, 'chosen' | 'begins'>,
): CommandOf<'placeShots'>['scenes'][number] {
  const { id: sceneId, text } = itemAt(scenes, n)
  const after = scenes[n - 1]?.id
  return {
    sceneId,
    text,
    items: chosen,
    ...(begins && after ? { begins: { how: begins, after } } : {}),
  }
}

/** One entry a scene of the film; a card has no words to look for. */
export function scenesToMatch(
  { scenes, chapters }: Pick<Film, 'scenes' | 'chapters'>,
  seconds: readonly number[],
): SceneToMatch[] {
  return scenes.map((scene, i) => {
    const { see, not } = pictureAsked(scene.directions)
    const picture = [see, ...(scene.search ?? [])].filter(Boolean).join('. ')
    const chapterTitle = chapters[scene.chapter]?.title
    return {
      text: scene.text,
      chapter: scene.chapter,
      seconds: itemAt(seconds, i),
      ...(picture ? { picture } : {}),
      ...(not.length ? { not } : {}),
      ...(chapterTitle ? { chapterTitle } : {}),
    }
  })
}

/** What matching found for a scene, with its numbers that are worth showing on the picture. */
export interface MatchedScene extends ScenePicks {
  numbers: string[]
}

/** Faults by what they say: a library that is away says so once. */
const once = (faults: readonly TidyError[]) => [
  ...new Map(faults.map((fault) => [fault.message, fault])).values(),
]

/** What a film looks for, in the senses a person pinned; a film without a title says nothing by it. */
export const filmQueries = (
  scenes: readonly SceneToMatch[],
  lexicon: Lexicon,
  title: string | undefined,
  senses: Matching['senses'],
): SceneQuery[] =>
  queriesOf(
    scenes,
    lexicon,
    title === UNTITLED ? '' : title,
    new Map(senses.map(({ noun, sense }) => [noun, sense])),
  )

/**
 * Matches a whole film against a library, or against a list of items in its place.
 *
 * @returns picks by scene, and what providers said when they failed: the scenes are there all the
 *   same, without their pictures
 */
export async function matchFilm(
  scenes: readonly SceneToMatch[],
  lexicon: Lexicon,
  library: PictureLibrary | readonly Item[],
  options: MatchOptions,
): Promise<{ picks: MatchedScene[]; faults: TidyError[] }> {
  const { told = NOTHING_TOLD, picking = PLAIN_PICKING } = options
  const queries = filmQueries(scenes, lexicon, options.title, told.senses)
  const keptIds = new Set([...(options.kept?.values() ?? [])].flat())
  // What a person chose stays, wherever it is from: matching looks around it.
  const wanted = ({ id, source }: Item) =>
    !picking.without.includes(sourceName(source)) || keptIds.has(id)
  const pick = (items: readonly Item[]) => {
    const index = pictureIndex(items.filter(wanted), lexicon, options.hashOf)
    const found = pickPictures(scenes, queries, index, lexicon, {
      ...options,
      refusals: told.refusals,
    })
    return found.map((picks, i) => ({ ...picks, numbers: numbersWorth(itemAt(scenes, i).text) }))
  }
  const searches = [...new Set(queries.flatMap(searchesOf))]
  if (!('search' in library)) return { picks: pick(shortlist(library, searches)), faults: [] }
  // Every search listens to the one signal.
  if (options.signal) setMaxListeners(0, options.signal)
  const pool = new Map<string, Item>()
  const faults: TidyError[] = []
  let done = 0
  const look = async (words: string) => {
    const found = await library.search({ words, perPage: PER_SEARCH }, options.signal)
    for (const item of found.items) pool.set(item.id, item)
    faults.push(...found.faults)
    options.onProgress?.(++done, searches.length)
  }
  await Promise.all(searches.map(look))
  if (pool.size < scenes.length) await look('')
  const sorted = [...pool.values()].sort((a, b) => a.id.localeCompare(b.id))
  return { picks: pick(sorted), faults: once(faults) }
}

/** The shape a film is taken for while nobody has said another. */
export const WIDE = { width: 1920, height: 1080 }

/** What is known beside a document when its pictures are chosen. */
export interface DocumentWish {
  /** Of the film, in pixels: an upright one gets upright pictures. */
  shape: Pick<FilmShape, 'width' | 'height'>
  /** Of each scene of the film. */
  seconds: readonly number[]
  /** Pictures that stay, by number of the scene; left out, those the scenes have. */
  kept?: ReadonlyMap<number, readonly string[]>
  /** Where pictures begin, as far as it is decided; left out, where a person said so. */
  begins?: ReadonlyMap<number, Beginning['how']>
  /** What the channel turned down and marked, in all its films. */
  channel?: { refusals: readonly Refusal[]; favourites: ReadonlySet<string> }
  hashOf?: MatchOptions['hashOf']
  signal?: AbortSignal
}

/**
 * Matches the film of a document as the document wishes it: the one set-up of shell and server.
 *
 * @returns as `matchFilm`
 */
export async function matchDocument(
  document: Pick<Document, 'title' | 'matching' | 'picking' | 'scenes'>,
  film: Film,
  library: PictureLibrary | readonly Item[],
  {
    shape,
    seconds,
    channel,
    kept = keptPictures(film.scenes),
    begins,
    hashOf,
    signal,
  }: DocumentWish,
): Promise<{ picks: MatchedScene[]; faults: TidyError[] }> {
  const { title, matching, picking } = document
  const refusals = [...matching.refusals, ...(channel?.refusals ?? [])]
  return matchFilm(scenesToMatch(film, seconds), await loadLexicon(), library, {
    orientation: orientationOf(shape),
    title,
    told: { ...matching, refusals },
    picking,
    kept,
    begins: begins ?? decidedBeginnings(document, film, (n) => kept.has(n)),
    ...(channel ? { favourites: channel.favourites } : {}),
    ...(hashOf ? { hashOf } : {}),
    ...(signal ? { signal } : {}),
  })
}
