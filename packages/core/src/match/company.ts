import { itemAt } from '../faults/certain.ts'
import { addTo, unit, type Vector } from '../words/vectors.ts'
import type { Bm25 } from './bm25.ts'

/** What goes with what, as the library itself tells it. */
export interface Company {
  /** Where the words of each item stand together, each of length 1. */
  directions: readonly Vector[]
  /** Where weighted words stand together, of length 1; nothing for words no item has. */
  of(words: Iterable<readonly [word: string, weight: number]>): Vector
  /** Where an item stands without one of its words. */
  without(i: number, word: string): Vector
}

/**
 * Random indexing (Kanerva and others 2000, from memory): so many dimensions, so many of them
 * marked by one word.
 */
const SPACE = { dimensions: 128, marks: 6 }

/**
 * Learns from the words of items which worlds they belong to: a word is where the words beside it
 * point, so that words beside which the same ones stand point alike. Items with the same words, a
 * series, are read once.
 *
 * @param looks words of each item
 * @param bm25  of the same items: rare words tell more
 */
export function companyOf(looks: readonly ReadonlySet<string>[], bm25: Bm25): Company {
  const rarest = Math.log(1 + looks.length)
  const weight = (word: string) => Math.min(1, bm25.idf(word) / rarest)
  const places = placesOf(looks, weight)
  const sum = (words: Iterable<readonly [word: string, weight: number]>) => {
    const total = new Float32Array(SPACE.dimensions)
    for (const [word, share] of words) {
      const place = places.get(word)
      if (place) addTo(total, place, share * weight(word))
    }
    return total
  }
  const sums = looks.map((look) => sum([...look].map((word) => [word, 1] as const)))
  return {
    directions: sums.map(unit),
    of: (words) => unit(sum(words)),
    without(i, word) {
      const rest = itemAt(sums, i).slice()
      const place = places.get(word)
      if (place) addTo(rest, place, -weight(word))
      return unit(rest)
    },
  }
}

/** Of each word, where the words beside it point, of length 1. */
function placesOf(
  looks: readonly ReadonlySet<string>[],
  weight: (word: string) => number,
): Map<string, Vector> {
  const marks = new Map<string, Vector>()
  const places = new Map<string, Vector>()
  const read = new Set<string>()
  for (const look of looks) {
    const name = [...look].sort().join(' ')
    if (read.has(name)) continue
    read.add(name)
    const all = new Float32Array(SPACE.dimensions)
    for (const word of look) {
      const mark = marks.get(word) ?? markOf(word)
      marks.set(word, mark)
      addTo(all, mark, weight(word))
    }
    for (const word of look) {
      const place = places.get(word) ?? new Float32Array(SPACE.dimensions)
      places.set(word, place)
      addTo(place, all, 1 / Math.sqrt(look.size))
    }
  }
  for (const [word, place] of places) places.set(word, unit(place))
  return places
}

/** A word that stands for nothing but itself: ±1 at a few places that its letters decide. */
function markOf(word: string): Vector {
  const vector = new Float32Array(SPACE.dimensions)
  // FNV-1a over the letters, then the finalizer of MurmurHash3 for each place (from memory).
  let state = 2166136261
  for (let i = 0; i < word.length; i++) state = Math.imul(state ^ word.charCodeAt(i), 16777619)
  for (let k = 0; k < SPACE.marks; k++) {
    state = Math.imul(state ^ (state >>> 15), 2246822519)
    state = Math.imul(state ^ (state >>> 13), 3266489917) ^ (state >>> 16)
    vector[(state >>> 8) % SPACE.dimensions] = state & 1 ? 1 : -1
  }
  return vector
}
