import type { Item } from '../pictures/item.ts'
import { pattern } from '../text/pattern.ts'
import { lemma } from '../words/lemma.ts'
import type { Lexicon } from '../words/lexicon.ts'
import { STOP_WORDS } from '../words/stop.ts'
import { addTo, dot, unit, type Vector } from '../words/vectors.ts'
import { type Bm25, bm25, type Fields } from './bm25.ts'
import { type Company, companyOf } from './company.ts'
import { deedsIn } from './deeds.ts'
import { gistOf } from './gist.ts'
import { withoutHours } from './hours.ts'
import { namesInTitle } from './names.ts'
import { seriesOf } from './series.ts'

/** Items made ready to be searched by words and by meaning. */
export interface PictureIndex {
  items: readonly Item[]
  bm25: Bm25
  /** Where each item's words point: of length 1, and as the sum of its words. */
  directions: readonly Vector[]
  sums: readonly Vector[]
  /** What its title and tags say as a whole, each of length 1. */
  gists: readonly Vector[]
  /** The weight each word has in that sum. */
  weights: readonly ReadonlyMap<string, number>[]
  /** What is done in each. */
  deeds: readonly ReadonlySet<string>[]
  /** The things each shows, whatever the hour. */
  looks: readonly ReadonlySet<string>[]
  /** What goes with what in them. */
  company: Company
  /** The series each is of. */
  series: readonly string[]
  /** What each is named after, in lower case. */
  names: readonly (readonly string[])[]
  /** Perceptual hashes of those that somebody has looked at. */
  hashes: readonly (string | undefined)[]
  /** Words of the items that are used much like a word, with how much, 0 to 1. */
  related(word: string): readonly (readonly [word: string, nearness: number])[]
}

/** Words of a text as they are looked up, with neighbouring pairs, so that phrases can be found. */
export function lookedUp(text: string): string[] {
  const words = (text.toLowerCase().match(/[\p{L}\p{N}]+(?:['’][\p{L}]+)?/gu) ?? [])
    .filter((w) => !STOP_WORDS.has(w))
    .map(lemma)
  return [...words, ...words.slice(1).map((word, i) => `${words[i]} ${word}`)]
}

/**
 * A title's first things are what the picture shows; what follows a preposition stands beside or
 * behind.
 */
const BESIDE = pattern(
  'i',
  String.raw`\b(?:at|above|against|along|among|before|behind|below|beside|between|by|for|from|in|`,
  String.raw`into|near|of|off|on|out|over|through|to|towards?|under|with)\b`,
)

function fieldsOf(item: Item): Fields[] {
  const [main = ''] = item.title.split(BESIDE)
  return [
    { weight: 1.2, words: lookedUp(main) },
    { weight: 1.6, words: lookedUp(item.title) },
    { weight: 1.2, words: item.tags.flatMap(lookedUp) },
    { weight: 0.8, words: lookedUp(item.description) },
  ]
}

/** Tags say less of a picture than its title, and the further on the less. */
const TAGS = 0.5
const TAGS_READ = 8

export function pictureIndex(
  items: readonly Item[],
  lexicon: Lexicon,
  hashOf: (id: string) => string | undefined = () => undefined,
): PictureIndex {
  const fields = items.map(fieldsOf)
  const index = bm25(fields)
  const dimensions = lexicon.dimensions
  const rarest = Math.log(1 + items.length)
  const weights = fields.map((each) => {
    const found = new Map<string, number>()
    for (const { weight, words } of each)
      for (const word of words)
        if (!word.includes(' ')) found.set(word, Math.max(found.get(word) ?? 0, weight))
    for (const [word, weight] of found)
      found.set(word, weight * Math.min(1, index.idf(word) / rarest))
    return found
  })
  const sums = weights.map((words) => {
    const sum = new Float32Array(dimensions)
    for (const [word, weight] of words) {
      const vector = lexicon.vector(word)
      if (vector) addTo(sum, vector, weight)
    }
    return sum
  })
  const looks = fields.map(
    (read) => new Set(withoutHours(read.slice(1, 3).flatMap(({ words }) => words))),
  )
  return {
    items,
    series: items.map(({ title }) => seriesOf(title)),
    names: items.map(({ title }) => namesInTitle(title)),
    hashes: items.map(({ id }) => hashOf(id)),
    bm25: index,
    weights,
    sums,
    directions: sums.map(unit),
    gists: items.map(({ title, tags }) =>
      gistOf(
        [
          [title, 1],
          [tags.slice(0, TAGS_READ).join(' '), TAGS],
        ],
        lexicon,
      ),
    ),
    related: relatedIn(index, lexicon),
    deeds: items.map(({ title, description }) => deedsIn(`${title}. ${description}`)),
    looks,
    company: companyOf(looks, index),
  }
}

/** Words nearer than this mean related things. */
const RELATED = 0.5
/** Related words looked for with each; by hand. */
const MOST_RELATED = 8

function relatedIn(index: Bm25, lexicon: Lexicon): PictureIndex['related'] {
  const vocabulary = [...index.words()].flatMap((word) => {
    const vector = word.includes(' ') || STOP_WORDS.has(word) ? undefined : lexicon.vector(word)
    return vector ? [[word, vector] as const] : []
  })
  const known = new Map<string, readonly (readonly [string, number])[]>()
  return (word) => {
    const found = known.get(word) ?? nearest(word)
    known.set(word, found)
    return found
  }
  function nearest(word: string) {
    const own = lexicon.vector(word)
    if (!own) return []
    const near = vocabulary.flatMap(([other, vector]) => {
      const nearness = other === word ? 0 : dot(own, vector)
      return nearness > RELATED ? [[other, nearness] as const] : []
    })
    return near.sort((a, b) => b[1] - a[1]).slice(0, MOST_RELATED)
  }
}
