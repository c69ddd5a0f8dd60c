import { entryOf, itemAt } from '../faults/certain.ts'
import type { Unit } from './source-units.ts'

type Vector = ReadonlyMap<string, number>

/** As in PageRank (Brin & Page 1998; from memory) and LexRank (Erkan & Radev 2004; from memory). */
const DAMPING = 0.85
/** Enough for the ranks to stand: 0.85⁴⁰ is under 0.2 %. */
const ROUNDS = 40

/** Terms weighted by how few units have them (tf–idf), length 1. */
export function weightedVectors(units: readonly Unit[]): Map<string, number>[] {
  const counts = new Map<string, number>()
  for (const { terms } of units)
    for (const term of terms.keys()) counts.set(term, (counts.get(term) ?? 0) + 1)
  return units.map(({ terms }) =>
    normed(
      new Map(
        [...terms].map(([term, times]) => [
          term,
          (1 + Math.log(times)) * Math.log(1 + units.length / entryOf(counts, term)),
        ]),
      ),
    ),
  )
}

/** The same direction with length 1; a vector of nothing stays one of nothing. */
export function normed(vector: Map<string, number>): Map<string, number> {
  const length = Math.hypot(...vector.values()) || 1
  return new Map([...vector].map(([term, weight]) => [term, weight / length]))
}

/**
 * Cosine of two vectors of length 1.
 *
 * @returns 0 to 1; 0 where they share no term
 */
export function cosine(a: Vector, b: Vector): number {
  const [small, large] = a.size < b.size ? [a, b] : [b, a]
  let sum = 0
  for (const [term, weight] of small) sum += weight * (large.get(term) ?? 0)
  return sum
}

/**
 * How much each source has to do with what is asked for, 0 to 1, the nearest being 1: a film on
 * tides is not opened by the source on locks.
 *
 * @param subjects what is asked for; a source fits as well as it fits the one it fits best
 * @returns 1 for all when nothing asked for is spoken of in any of them
 */
export function sourceFit(units: readonly Unit[], ...subjects: Vector[]): Map<string, number> {
  const all = new Map<string, Map<string, number>>()
  for (const { source, terms } of units) {
    const sum = all.get(source) ?? new Map<string, number>()
    for (const [term, times] of terms) sum.set(term, (sum.get(term) ?? 0) + times)
    all.set(source, sum)
  }
  const each = subjects.flatMap((subject) => {
    const asked = normed(new Map(subject))
    const fits = [...all].map(([source, terms]) => [source, cosine(asked, normed(terms))] as const)
    const most = Math.max(...fits.map(([, fit]) => fit))
    return most > 0 ? [new Map(fits.map(([source, fit]) => [source, fit / most]))] : []
  })
  return new Map(
    [...all.keys()].map((source) => [
      source,
      each.length ? Math.max(...each.map((fits) => entryOf(fits, source))) : 1,
    ]),
  )
}

/**
 * How central each unit is among all: the stationary distribution of a walk from unit to unit along
 * likeness (Mihalcea & Tarau 2004, "TextRank", from memory; PageRank of Brin & Page 1998), now and
 * then starting anew at a unit of the asked subject.
 *
 * @param start how much each unit fits the subject, any scale
 * @returns shares that add to 1
 */
export function centrality(vectors: readonly Vector[], start: readonly number[]): number[] {
  const n = vectors.length
  if (n === 0) return []
  const edges = vectors.map((a, i) => vectors.map((b, j) => (i === j ? 0 : cosine(a, b))))
  const out = edges.map((row) => row.reduce((sum, weight) => sum + weight, 0))
  const all = start.reduce((sum, weight) => sum + weight, 0)
  const entry = start.map((weight) => (all > 0 ? 0.5 / n + (0.5 * weight) / all : 1 / n))
  let rank = entry
  for (let round = 0; round < ROUNDS; round++) {
    const stuck = rank.reduce((sum, share, i) => sum + (out[i] ? 0 : share), 0)
    rank = entry.map(
      (share, j) =>
        (1 - DAMPING) * share +
        DAMPING *
          (stuck * share +
            rank.reduce(
              (sum, from, i) => sum + (out[i] ? (from * itemAt(itemAt(edges, i), j)) / out[i] : 0),
              0,
            )),
    )
  }
  return rank
}
