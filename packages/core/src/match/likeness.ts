import { itemAt } from '../faults/certain.ts'
import { sameLook } from '../pictures/look.ts'
import { dot } from '../words/vectors.ts'
import type { PictureIndex } from './picture-index.ts'

/**
 * Shares of their things that two pictures have in common, rare ones counting more, and nearness of
 * what they are about: from where two pictures begin to look alike to where they are all but the
 * same. Of the labelled items that show the same
 * 95 % are above the first figures, of those from one film that do not 95 % below.
 */
const THINGS = [0.14, 0.6] as const
const MEANING = [0.62, 0.95] as const

/**
 * How alike two pictures of the same thing are that are not of one series: editors show a thing
 * again from nearer, from elsewhere, at work.
 */
const ANOTHER_LOOK = 0.35

/** Whether two pictures this much alike show the same thing, in the same look or another. */
export const isSameThing = (likeness: number) => likeness > SAME_THING * ANOTHER_LOOK
const SAME_THING = 0.5

const between = (value: number, [from, to]: readonly [number, number]) =>
  Math.min(1, Math.max(0, (value - from) / (to - from)))

/** How alike two items look, 0 to 1; each pair is worked out once. */
export const likenessIn = (index: PictureIndex) =>
  once(index, (a, b) => (looksSame(index, a, b) ? 1 : thingsShared(index, a, b) * ANOTHER_LOOK))

/** How far two items show the same thing, in the same look or another, 0 to 1. */
export const samenessIn = (index: PictureIndex) =>
  once(index, (a, b) => (looksSame(index, a, b) ? 1 : thingsShared(index, a, b)))

/** A measure of pairs, the same both ways round, that is worked out once for each. */
function once({ items }: PictureIndex, measure: (a: number, b: number) => number) {
  const known = new Map<number, number>()
  return (a: number, b: number): number => {
    const pair = Math.min(a, b) * items.length + Math.max(a, b)
    const found = known.get(pair) ?? measure(a, b)
    known.set(pair, found)
    return found
  }
}

/** Nearly the same to look at, or of one series. */
function looksSame({ hashes, series }: PictureIndex, a: number, b: number): boolean {
  const [one, other] = [hashes[a], hashes[b]]
  if (one && other && sameLook(one, other)) return true
  return series[a] !== '' && series[a] === series[b]
}

const thingsShared = (index: PictureIndex, a: number, b: number) =>
  Math.max(
    between(sharedThings(index, a, b), THINGS),
    between(dot(itemAt(index.directions, a), itemAt(index.directions, b)), MEANING),
  )

function sharedThings({ looks, bm25 }: PictureIndex, a: number, b: number): number {
  const [one, other] = [itemAt(looks, a), itemAt(looks, b)]
  let shared = 0
  let all = 0
  for (const word of one) {
    const weight = bm25.idf(word)
    all += weight
    if (other.has(word)) shared += weight
  }
  for (const word of other) if (!one.has(word)) all += bm25.idf(word)
  return all ? shared / all : 0
}
