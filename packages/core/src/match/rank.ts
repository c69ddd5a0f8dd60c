import { isOurs, type Item, type Orientation, sourceName } from '../pictures/item.ts'
import { mayBeUsed } from '../pictures/licences.ts'
import type { Lexicon } from '../words/lexicon.ts'
import { dot, unit, type Vector } from '../words/vectors.ts'
import { deedOf, isDone } from './deeds.ts'
import { strangeness } from './names.ts'
import type { PictureIndex } from './picture-index.ts'
import type { Concept, SceneQuery } from './queries.ts'
import type { SceneToMatch } from './scene-to-match.ts'
import { agreement, type Meaning, meaningIn } from './senses.ts'
import { shotsIn } from './shots-in.ts'
import { companyWorld, type World, type Worlds } from './worlds.ts'

/** An item beside a scene. */
export interface Ranked {
  item: Item
  /** Its place in the index. */
  i: number
  /** 0 = has nothing to do with the scene, 1 = shows just what it says. */
  score: number
  /** The same without what speaks for or against taking it: its licence, whose it is. */
  believed: number
  /** How far the scene leans on what stands around it, 0 to 1. */
  lean: number
  /** Words of the scene that mean something else in it. */
  clashes: string[]
}

/** What a film asks of its pictures. */
export interface FilmWish {
  /** Its shape. */
  orientation: Orientation
  /** Seconds one picture is shown at most. */
  longest: number
  /**
   * By place in the index, how much rather each item is taken than another that fits as well; 1 =
   * as any other.
   */
  preferred: Float32Array
  /** So many items of a scene are weighed against each other. */
  most: number
}

/** A scene for which items are ranked. */
export interface RankedScene {
  scene: SceneToMatch
  query: SceneQuery
  worlds: Worlds
  /**
   * By place in the index, what each item keeps of its score after what was turned down; 0 leaves
   * it out.
   */
  kept: Float32Array
}

/** Parts and shapes of the score; they are worked out on the tuned half of the labelled set. */
const WEIGHT = {
  words: 0.56,
  meaning: 0.4,
  gist: 0.6,
  film: 0.2,
  lent: 0.68,
  /**
   * So much of a sentence's words shown inside the film's world is enough to lean on nothing else.
   */
  shown: 0.37,
  /** Words count until so much BM25; beyond it more of them hardly matter. */
  saturate: 8.17,
  /** What a word is worth in an item that has nothing to do with the film. */
  resting: 0.5,
  outside: 0.55,
  /** Of a word's weight, for one that is used like it. */
  related: 0.23,
  /** Left of a word's score where the item means something else by it. */
  clash: 0.01,
  /**
   * Agreement on what a word means: below the first a word clashes, above the second it counts in
   * full; how much an item that fits the film's world is believed to mean the same.
   */
  clashes: 0.34,
  agrees: 0.59,
  trusted: 0.81,
  chapter: 0.9,
  covered: 0.52,
  /** Shown at just what a sentence says is done. */
  done: 0.12,
  /**
   * How much of belonging to a world is told by what stands together in the library, against where
   * words point in general: of an item, and of what else is in it beside a word.
   */
  beside: 0.6,
  besideWord: 0.5,
}

/**
 * The best items for a scene, best first.
 *
 * @returns at most `wish.most` of the index, each once; `[]` where all were turned down
 */
export function ranked(
  { scene, query, worlds, kept }: RankedScene,
  { index, lexicon }: { index: PictureIndex; lexicon: Lexicon },
  wish: FilmWish,
): Ranked[] {
  const { film: world, chapter } = worlds
  const filmLibrary = companyWorld(query.subject, index)
  const chapterLibrary = companyWorld(query.chapterSubject, index)
  const fits = world.fits.map(
    (fit, i) =>
      (1 - WEIGHT.beside) * Math.max(fit, chapter.fits[i]! * WEIGHT.chapter) +
      WEIGHT.beside * Math.max(filmLibrary.fits[i]!, chapterLibrary.fits[i]! * WEIGHT.chapter),
  )
  const concepts = {
    own: query.concepts.filter(({ borrowed }) => !borrowed),
    lent: query.concepts.filter(({ borrowed }) => borrowed),
  }
  const near = promising(index, concepts.own, fits)
  const clashes = new Map<number, string[]>()
  const meant: Meant = (noun, weight, i) => {
    const meaning = weight > 0.1 ? query.meanings.get(noun) : undefined
    const share = meaning
      ? meantShare(index, i, noun, meaning, { world, library: filmLibrary }, lexicon)
      : 1
    if (share < CLASHING && weight > 0.25) clashes.set(i, [...(clashes.get(i) ?? []), noun])
    return Math.max(WEIGHT.clash, share)
  }
  const own = worded(index, concepts.own, near.marked, meant)
  const lent = worded(index, concepts.lent, near.marked, meant)
  const direction = unit(query.direction)
  const deed = deedOf(query)
  const asked = concepts.own.reduce((sum, { weight }) => sum + weight, 0) || 1
  const saturated = (value: number) => 1 - Math.exp(-value / WEIGHT.saturate)
  // Where nothing in the film's world shows what the sentence says, it leans on what stands around
  // it.
  const shown = near.items.reduce(
    (best, i) => Math.max(best, saturated(own.earned[i]!) * fits[i]!),
    0,
  )
  const lean = Math.max(query.need, 1 - Math.min(1, shown / WEIGHT.shown))
  const scored = near.items.map((i): Ranked => {
    const item = index.items[i]!
    const closeness = Math.max(0, dot(direction, index.directions[i]!))
    const gist = Math.max(0, dot(query.gist, index.gists[i]!))
    const fit = fits[i]!
    const said = saturated(own.earned[i]!)
    // What has most of a sentence's words may come from outside the film's world.
    const covered = Math.min(1, own.covered[i]! / asked)
    const outside =
      (WEIGHT.outside + (1 - WEIGHT.outside) * covered * WEIGHT.covered) *
      (query.resting ? WEIGHT.resting : 1)
    const value =
      WEIGHT.words * said * (outside + (1 - outside) * fit) +
      WEIGHT.meaning * closeness * closeness +
      WEIGHT.gist * gist * gist +
      WEIGHT.film * fit * (0.3 + 0.7 * lean) +
      WEIGHT.lent * saturated(lent.earned[i]!) * fit * (0.15 + 0.85 * lean) +
      (isDone(deed, index.deeds[i]!, index.weights[i]!) ? WEIGHT.done * (0.5 + 0.5 * fit) : 0)
    const believed =
      value * fitness(item, scene, wish) * strangeness(index.names[i]!, worlds.named) * kept[i]!
    return {
      item,
      i,
      score: believed * wish.preferred[i]!,
      believed,
      lean,
      clashes: clashes.get(i) ?? [],
    }
  })
  return scored
    .filter(({ i }) => kept[i]! > 0)
    .sort((a, b) => b.score - a.score || a.item.id.localeCompare(b.item.id))
    .slice(0, wish.most)
}

/**
 * Items whose words and meaning are weighed in full; the rest of a large pool are far behind them.
 */
const PROMISING = 2000

/**
 * The items that have most of a scene's words or fit its film best, by a rough count that minds no
 * meanings.
 */
function promising(
  index: PictureIndex,
  own: readonly Concept[],
  fits: Float32Array,
): { items: number[]; marked: Uint8Array } {
  const marked = new Uint8Array(index.items.length).fill(1)
  if (index.items.length > PROMISING) {
    const words = worded(index, own, marked, () => 1).earned
    const rough = words.map((value, i) => value * (WEIGHT.outside + fits[i]!) + fits[i]!)
    const border = rough.slice().sort()[rough.length - PROMISING]!
    rough.forEach((value, i) => (marked[i] = Number(value >= border)))
  }
  const items: number[] = []
  for (let i = 0; i < marked.length && items.length < 2 * PROMISING; i++)
    if (marked[i]) items.push(i)
  return { items, marked }
}

/** Share of a word's weight that an item earns by having it. */
type Meant = (noun: string, weight: number, i: number) => number

/**
 * What each marked item earns by having words of the concepts, and how much of their weight that
 * covers.
 */
function worded(
  index: PictureIndex,
  concepts: readonly Concept[],
  marked: Uint8Array,
  meant: Meant,
): { earned: Float64Array; covered: Float64Array } {
  const earned = new Float64Array(index.items.length)
  const covered = new Float64Array(index.items.length)
  const best = new Float64Array(index.items.length)
  for (const { text, weight, others } of concepts) {
    const touched: number[] = []
    const count = (word: string, share: number, meantBy?: Meant) => {
      const { documents, scores } = index.bm25.added(word)
      for (let k = 0; k < documents.length; k++) {
        const i = documents[k]!
        if (!marked[i]) continue
        const value = share * scores[k]! * (meantBy ? meantBy(text, weight, i) : 1)
        if (best[i] === 0) touched.push(i)
        if (value > best[i]!) best[i] = value
      }
    }
    count(text, weight, meant)
    for (const [other, share] of others) count(other, share)
    if (weight > 0.15)
      for (const [other, nearness] of index.related(text))
        count(other, weight * nearness * WEIGHT.related)
    for (const i of touched) {
      earned[i]! += best[i]!
      covered[i]! += weight * Math.min(1, best[i]! / (weight * COUNTS_FULL || 1))
      best[i] = 0
    }
  }
  return { earned, covered }
}

/** A word worth so much BM25 in an item is shown by it. */
const COUNTS_FULL = 4

/** Less than this share of a word's weight left is called a clash. */
const CLASHING = 0.3

/**
 * Share of a word's weight that an item earns by having it, 0 when it means something else: by the
 * senses of both, and by how well the rest of the item fits the film.
 */
function meantShare(
  index: PictureIndex,
  i: number,
  noun: string,
  meaning: Meaning,
  { world, library }: { world: World; library: World },
  lexicon: Lexicon,
): number {
  const there = inItem(index, i, noun, lexicon)
  const agreed = there.meaning ? agreement(meaning, there.meaning) : 1
  const fit =
    (1 - WEIGHT.besideWord) * world.fitOf(there.rest) +
    WEIGHT.besideWord * library.fitOf(there.company)
  return Math.min(
    1,
    Math.max(
      0,
      (agreed + WEIGHT.trusted * (fit - 0.5) - WEIGHT.clashes) / (WEIGHT.agrees - WEIGHT.clashes),
    ),
  )
}

/** How an item has a noun: what it means by it, and where the rest of it points. */
interface InItem {
  meaning: Meaning | undefined
  rest: Vector
  /** The same by what its other words stand beside in the library. */
  company: Vector
}

const inItems = new WeakMap<PictureIndex, Map<string, InItem>>()

function inItem(index: PictureIndex, i: number, noun: string, lexicon: Lexicon): InItem {
  const known = inItems.get(index) ?? inItems.set(index, new Map()).get(index)!
  const name = `${noun} ${i}`
  const found = known.get(name) ?? readIn(index, i, noun, lexicon)
  known.set(name, found)
  return found
}

function readIn(index: PictureIndex, i: number, noun: string, lexicon: Lexicon): InItem {
  const weight = index.weights[i]!.get(noun) ?? 0
  const own = lexicon.vector(noun)
  const context = index.sums[i]!.map((value, d) => value - weight * (own?.[d] ?? 0))
  return {
    meaning: meaningIn(noun, context, lexicon),
    rest: unit(context),
    company: index.company.without(i, noun),
  }
}

/**
 * Left of an item of another shape: what is meant comes first, and a wide picture of the right
 * thing, reframed, is better than an upright stranger.
 */
const OTHER_SHAPE = 0.88

/**
 * Below 1 where the item suits the film less: other shape, too small, a clip that ends too early.
 */
function fitness(item: Item, scene: SceneToMatch, { orientation, longest }: FilmWish): number {
  const shape = item.orientation === orientation ? 1 : OTHER_SHAPE
  const small = item.height > 0 && Math.max(item.width, item.height) < 900 ? 0.75 : 1
  const shotSeconds = scene.seconds / shotsIn(scene.seconds, longest)
  const short =
    item.kind === 'clip' && item.seconds !== null && item.seconds < shotSeconds ? 0.6 : 1
  return shape * small * short * (item.kind === 'clip' ? 1.03 : 1)
}

/**
 * How much rather each item of a pool is taken than another that fits as well. Where a pool tells
 * no licence, none is missing; a film holds together when most of it is from one hand.
 */
export function preferredOf(items: readonly Item[], favourites: ReadonlySet<string>): Float32Array {
  const licensed = items.some(({ licence }) => licence)
  const names = items.map(({ source }) => sourceName(source))
  const counts = new Map<string, number>()
  for (const name of names) counts.set(name, (counts.get(name) ?? 0) + 1)
  const most = Math.max(1, ...counts.values())
  return Float32Array.from(items, ({ id, licence }, i) => {
    const first = isOurs(id) || favourites.has(id)
    return (
      (licensed && !mayBeUsed(licence) ? UNUSABLE : 1) *
      (first ? OWN_FIRST : 1 - OTHER_HAND * (1 - counts.get(names[i]!)! / most))
    )
  })
}

/** Left of a score where nobody may use the picture, or nobody knows. */
const UNUSABLE = 0.6
/** A person's own material, and what they marked, goes before what others offer, where both fit. */
const OWN_FIRST = 1.15
/** Lost by a picture whose source is rare among those that fit the film. */
const OTHER_HAND = 0.1
