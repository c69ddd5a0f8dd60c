import { type Beginning, type Picking, PLAIN_PICKING, type Refusal } from '../document/document.ts'
import { certain, entryOf, itemAt } from '../faults/certain.ts'
import { SLOWED_MOST } from '../pictures/clip.ts'
import type { Item, Orientation } from '../pictures/item.ts'
import type { Lexicon } from '../words/lexicon.ts'
import type { SearchWord } from '../words/search-words.ts'
import type { Vector } from '../words/vectors.ts'
import type { Choice, ShotSlot } from './choose.ts'
import { seenInScenes, slotsOf } from './film-slots.ts'
import { isQuestion } from './goes-on.ts'
import { likenessIn, samenessIn } from './likeness.ts'
import { chooseWithMix } from './mix.ts'
import { namedWorlds } from './names.ts'
import type { PictureIndex } from './picture-index.ts'
import type { SceneQuery } from './queries.ts'
import { preferredOf, type Ranked, ranked } from './rank.ts'
import { keptAfterRefusals, saidBy } from './refusals.ts'
import { longestShown } from './rhythm.ts'
import type { SceneToMatch } from './scene-to-match.ts'
import { SCENES_APART } from './scenes-apart.ts'
import { shotsIn } from './shots-in.ts'
import { type Sureness, surenessOf } from './sureness.ts'
import { withoutUnwanted } from './unwanted.ts'
import { type World, worldOf } from './worlds.ts'

export interface OfferedPicture {
  item: Item
  score: number
  /** A short sentence on why it is here. */
  why: string
  sure: Sureness
  /** Words of the scene that it has. */
  shows: string[]
  /**
   * Why it was not taken though it fits better than what was; left out where nothing speaks against
   * it.
   */
  passed?: string
}

/** A noun of a scene that can mean several things. */
export interface NounSenses {
  noun: string
  /** Likeliest first; the first is what it is taken for. */
  senses: { id: string; gloss: string; words: string[]; likely: number }[]
}

export interface ScenePicks {
  words: SearchWord[]
  /** One entry a shot, in order; empty when the library had nothing. */
  chosen: Item[]
  /**
   * Where its picture begins, if not with the scene: the picture before goes on in place of the
   * first of `chosen` (`hold`), or its own begins under the last word before (`early`).
   */
  begins?: 'early' | 'hold'
  /** What is seen first, then best first, the chosen ones among them. */
  candidates: OfferedPicture[]
  /** What its nouns are taken for. */
  meanings: NounSenses[]
}

const NONE: ReadonlySet<string> = new Set()
/** Offered for a scene: four pages of four, as the pick run shows them. */
const CANDIDATES = 16
/** Items weighed against each other for a scene. */
const CONSIDERED = 40
/** How much less an item is offered that looks like one offered before it. */
const ALIKE_OFFERED = 0.5

export interface PickOptions {
  orientation: Orientation
  /** Pictures that stay, by scene number: never changed, but counted as used. */
  kept?: ReadonlyMap<number, readonly string[]>
  /** Where pictures begin, by scene number, as far as it is decided already. */
  begins?: ReadonlyMap<number, Beginning['how']>
  refusals?: readonly Refusal[]
  picking?: Picking
  favourites?: ReadonlySet<string>
}

/**
 * Chooses pictures for a whole film from one pool of items.
 *
 * @param index everything the libraries returned for this film's searches, each item once
 * @returns one entry a scene, in order
 */
export function pickPictures(
  scenes: readonly SceneToMatch[],
  queries: readonly SceneQuery[],
  index: PictureIndex,
  lexicon: Lexicon,
  options: PickOptions,
): ScenePicks[] {
  const { stills, ...picking } = options.picking ?? PLAIN_PICKING
  const { rhythm } = picking
  const longest = longestShown(picking)
  const worlds = new Map<Vector, World>()
  const world = (direction: Vector) =>
    worlds.get(direction) ?? entryOf(worlds.set(direction, worldOf(direction, index)), direction)
  const named = namedWorlds(scenes)
  const alike = likenessIn(index)
  const left = keptAfterRefusals(index, options.refusals ?? [], samenessIn(index))
  const preferred = preferredOf(index.items, options.favourites ?? NONE)
  const said = scenes.map(({ text }, n) => saidBy(text, itemAt(queries, n).words))
  const lists = scenes.map((scene, n) =>
    ranked(
      {
        scene,
        query: itemAt(queries, n),
        worlds: {
          film: world(itemAt(queries, n).film),
          chapter: world(itemAt(queries, n).chapter),
          named: itemAt(named, n),
        },
        kept: withoutUnwanted(index, scene.not ?? [], left(itemAt(said, n))),
      },
      { index, lexicon },
      { orientation: options.orientation, longest, preferred, most: CONSIDERED },
    ),
  )
  const places = slotsOf(scenes, queries, lists, {
    longest,
    begins: options.begins ?? new Map(),
    kept: numbersOf(options.kept ?? new Map(), index),
  })
  const isStill = (i: number) => itemAt(index.items, i).kind === 'photo'
  const lasts = (i: number) => (itemAt(index.items, i).seconds ?? Infinity) / (1 - SLOWED_MOST)
  const taken = chooseWithMix(places, alike, isStill, stills, { rhythm, lasts })
  const seen = seenInScenes(places, taken)
  const inFilm = new Set(taken.map(({ i }) => i))
  const isWished = (i: number) => stills === null || isStill(i) === stills >= 0.5
  return scenes.map((scene, n) => {
    const list = itemAt(lists, n)
    const { shown, held } = seen.get(n) ?? { shown: [], held: undefined }
    const entries = shown.map((i) => entryFor(i, list, lists))
    const first = held === undefined ? [] : [entryFor(held, list, lists)]
    const own = held === undefined ? [] : waiting(list, held, (i) => !inFilm.has(i) && isWished(i))
    const onScreen = [...first, ...entries]
    const least = Math.min(...onScreen.map(({ score }) => score))
    const passedOver = (entry: Ranked) =>
      onScreen.includes(entry) || !(entry.score > least)
        ? {}
        : { passed: whyPassed(entry, n, places, taken, alike) }
    const believed = list.toSorted((a, b) => b.believed - a.believed)
    const offered = unlike(
      list,
      onScreen.length ? onScreen : list.slice(0, shotsIn(scene.seconds, longest)),
      CANDIDATES,
      alike,
    )
    return {
      words: itemAt(queries, n).words,
      chosen: [...own, ...entries].map(({ item }) => item),
      ...beginningOf(scenes, n, held !== undefined, options),
      candidates: offered.map((entry) => {
        const shows = itemAt(said, n).words.filter((word) =>
          itemAt(index.weights, entry.i).has(word),
        )
        return {
          item: entry.item,
          score: entry.score,
          shows,
          why: whyOf(itemAt(queries, n), itemAt(said, n).words, entry, index),
          sure: surenessOf(entry, shows.length, believed, alike),
          ...passedOver(entry),
        }
      }),
      meanings: nounSenses(itemAt(queries, n)),
    }
  })
}

/** Ids as places in the index; those it does not have are left out. */
function numbersOf(
  kept: ReadonlyMap<number, readonly string[]>,
  { items }: PictureIndex,
): Map<number, number[]> {
  const numbers = new Map(items.map(({ id }, i) => [id, i]))
  return new Map([...kept].map(([n, ids]) => [n, ids.flatMap((id) => numbers.get(id) ?? [])]))
}

/** What a scene shows of its own once nothing is held over it; rather one that suits the film. */
const waiting = (list: readonly Ranked[], held: number, suits: (i: number) => boolean): Ranked[] =>
  [list.find(({ i }) => suits(i)) ?? list.find(({ i }) => i !== held)].flatMap(
    (found) => found ?? [],
  )

/** An item beside a scene whose own list may not have it: it comes from a scene around. */
function entryFor(i: number, list: readonly Ranked[], lists: readonly (readonly Ranked[])[]) {
  const own = list.find((entry) => entry.i === i)
  if (own) return own
  const other = certain(lists.flat().find((entry) => entry.i === i))
  return { ...other, score: list.at(-1)?.score ?? 0, believed: 0 }
}

/** An answer's picture begins under the question's last word: the trade's own overlap. */
function beginningOf(
  scenes: readonly SceneToMatch[],
  n: number,
  isHeld: boolean,
  { begins, kept }: Pick<PickOptions, 'begins' | 'kept'>,
): Pick<ScenePicks, 'begins'> {
  if (isHeld) return { begins: 'hold' }
  const [before, scene] = [scenes[n - 1], itemAt(scenes, n)]
  const isFree = !begins?.has(n) && !kept?.has(n) && !kept?.has(n - 1)
  return before?.chapter === scene.chapter && isQuestion(before.text) && isFree
    ? { begins: 'early' }
    : {}
}

/**
 * What a picture that fits better has against it in this film: it is shown close by, or looks like
 * what is.
 */
function whyPassed(
  { i }: Ranked,
  n: number,
  places: readonly ShotSlot[],
  taken: readonly Choice[],
  alike: (a: number, b: number) => number,
): string {
  const near = places.flatMap(({ scene, kept }, k) =>
    (kept ?? [itemAt(taken, k).i]).flatMap((other) =>
      other >= 0 && scene !== n && Math.abs(scene - n) <= SCENES_APART ? [{ scene, other }] : [],
    ),
  )
  const same = near.find(({ other }) => other === i)
  if (same) return `shown ${away(same.scene - n)}`
  const like = near
    .filter(({ scene }) => Math.abs(scene - n) <= 2)
    .map(({ scene, other }) => ({ scene, likeness: alike(i, other) }))
    .sort((a, b) => b.likeness - a.likeness)[0]
  return like && like.likeness > 0.3
    ? `looks like what is shown ${away(like.scene - n)}`
    : 'the film is more varied without it'
}

const away = (scenes: number) =>
  `${Math.abs(scenes)} scene${Math.abs(scenes) > 1 ? 's' : ''} ${scenes < 0 ? 'before' : 'after'}`

/** The chosen ones, then the best of a list one by one, each weighed against those before it. */
function unlike(
  list: readonly Ranked[],
  chosen: readonly Ranked[],
  count: number,
  alike: (a: number, b: number) => number,
): Ranked[] {
  const taken = [...chosen]
  const value = ({ score, i }: Ranked) =>
    score * (1 - ALIKE_OFFERED * Math.max(0, ...taken.map((other) => alike(i, other.i))))
  while (taken.length < Math.min(count, list.length)) {
    taken.push(
      list
        .filter((r) => !taken.includes(r))
        .reduce((best, r) => (value(r) > value(best) ? r : best)),
    )
  }
  return taken
}

/** Meanings of a word that a person is shown; rarer ones are hardly ever meant. */
const SENSES_SHOWN = 5

function nounSenses({ words, meanings }: SceneQuery): NounSenses[] {
  return words
    .filter(({ written, names }) => written && names === 'thing')
    .flatMap(({ text }): NounSenses[] => {
      const meaning = meanings.get(text)
      if (!meaning) return []
      const senses = meaning.senses.map(({ id, gloss, words: names }, k) => ({
        id,
        gloss: itemAt(gloss.split('; "'), 0),
        words: names.filter((name) => name !== text).slice(0, 3),
        likely: Math.round(itemAt(meaning.likely, k) * 100) / 100,
      }))
      return [
        { noun: text, senses: senses.sort((a, b) => b.likely - a.likely).slice(0, SENSES_SHOWN) },
      ]
    })
}

function whyOf(
  { terms }: SceneQuery,
  said: readonly string[],
  { i }: Ranked,
  { weights }: PictureIndex,
): string {
  const own = new Set(said)
  const hits = [...terms]
    .filter(([text]) => itemAt(weights, i).has(text))
    .sort((a, b) => b[1] - a[1])
    .map(([text]) => text)
  const direct = hits.filter((text) => own.has(text))
  if (direct.length) return `shows ${direct.slice(0, 3).join(', ')}`
  if (hits.length) return `near: ${hits.slice(0, 3).join(', ')}`
  return 'nothing closer in the library'
}
