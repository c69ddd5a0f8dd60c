import { type Picking, PLAIN_PICKING, type Refusal } from '../document/document.ts'
import { certain, entryOf, itemAt } from '../faults/certain.ts'
import type { Item, Orientation } from '../pictures/item.ts'
import type { Lexicon } from '../words/lexicon.ts'
import type { SearchWord } from '../words/search-words.ts'
import type { Vector } from '../words/vectors.ts'
import type { ShotSlot } from './choose.ts'
import { likenessIn } from './likeness.ts'
import { chooseWithMix } from './mix.ts'
import { namedWorlds } from './names.ts'
import type { PictureIndex } from './picture-index.ts'
import type { SceneQuery } from './queries.ts'
import { preferredOf, type Ranked, ranked, type World, worldOf } from './rank.ts'
import { keptAfterRefusals, saidBy } from './refusals.ts'
import type { SceneToMatch } from './scene-to-match.ts'
import { SCENES_APART } from './scenes-apart.ts'
import { shotsIn } from './shots-in.ts'
import type { Sureness } from './sureness.ts'

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
  /** Best first, the chosen ones among them. */
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

/**
 * Chooses pictures for a whole film from one pool of items.
 *
 * @param index everything the libraries returned for this film's searches, each item once
 * @param kept  pictures a person chose, by scene number: never changed, but counted as used
 * @returns one entry a scene, in order
 */
export function pickPictures(
  scenes: readonly SceneToMatch[],
  queries: readonly SceneQuery[],
  index: PictureIndex,
  lexicon: Lexicon,
  options: {
    orientation: Orientation
    kept?: ReadonlyMap<number, readonly string[]>
    refusals?: readonly Refusal[]
    picking?: Picking
    favourites?: ReadonlySet<string>
  },
): ScenePicks[] {
  const { stills, longest } = options.picking ?? PLAIN_PICKING
  const worlds = new Map<Vector, World>()
  const world = (direction: Vector) =>
    worlds.get(direction) ?? entryOf(worlds.set(direction, worldOf(direction, index)), direction)
  const named = namedWorlds(scenes)
  const alike = likenessIn(index)
  const left = keptAfterRefusals(index, options.refusals ?? [], alike)
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
        kept: left(itemAt(said, n)),
      },
      { index, lexicon },
      { orientation: options.orientation, longest, preferred, most: CONSIDERED },
    ),
  )
  const numbers = new Map(index.items.map(({ id }, i) => [id, i]))
  const places = scenes.flatMap((scene, n): ShotSlot[] => {
    const kept = options.kept?.get(n)?.flatMap((id) => numbers.get(id) ?? [])
    const shots = shotsIn(scene.seconds, longest)
    if (kept && kept.length >= shots) return [{ scene: n, options: [], stake: 0, kept }]
    return Array.from({ length: shots }, () => ({
      scene: n,
      options: itemAt(lists, n),
      stake: itemAt(queries, n).stake,
    }))
  })
  const taken = chooseWithMix(places, alike, (i) => itemAt(index.items, i).kind === 'photo', stills)
  return scenes.map((scene, n) => {
    const chosen = taken
      .filter((i, k) => itemAt(places, k).scene === n && i >= 0)
      .map((i) => certain(itemAt(lists, n).find((r) => r.i === i)))
    const least = Math.min(...chosen.map(({ score }) => score))
    const passedOver = (entry: Ranked) =>
      chosen.includes(entry) || !(entry.score > least)
        ? {}
        : { passed: whyPassed(entry, n, places, taken, alike) }
    const offered = unlike(
      itemAt(lists, n),
      chosen.length ? chosen : itemAt(lists, n).slice(0, shotsIn(scene.seconds, longest)),
      CANDIDATES,
      alike,
    )
    return {
      words: itemAt(queries, n).words,
      chosen: chosen.map(({ item }) => item),
      candidates: offered.map((entry) => ({
        item: entry.item,
        score: entry.score,
        shows: itemAt(said, n).words.filter((word) => itemAt(index.weights, entry.i).has(word)),
        why: whyOf(itemAt(queries, n), itemAt(said, n).words, entry, index),
        sure: surenessOf(entry),
        ...passedOver(entry),
      })),
      meanings: nounSenses(itemAt(queries, n)),
    }
  })
}

/**
 * What a picture that fits better has against it in this film: it is shown close by, or looks like
 * what is.
 */
function whyPassed(
  { i }: Ranked,
  n: number,
  places: readonly ShotSlot[],
  taken: readonly number[],
  alike: (a: number, b: number) => number,
): string {
  const near = places.flatMap(({ scene, kept }, k) =>
    (kept ?? [itemAt(taken, k)]).flatMap((other) =>
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

/**
 * Score from which a match may be believed and below which it is hardly one; `docs/matching.md`
 * says how often each is right.
 */
const SURE = 0.7
const WEAK = 0.52

function surenessOf({ believed, clashes, lean }: Ranked): Sureness {
  if (clashes.length || believed < WEAK) return 'weak'
  return believed >= SURE && lean < 0.5 ? 'sure' : 'look'
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
