import { entryOf, itemAt } from '../faults/certain.ts'
import { cutText } from '../text/well-formed.ts'
import type { Brief, Outline } from './brief.ts'
import { centrality, cosine, sourceFit, weightedVectors } from './rank-units.ts'
import { termsOf, type Unit, unitsOf } from './source-units.ts'

/**
 * A chapter holds about so many minutes (common practice of short explainers: a turn every minute
 * or two).
 */
const CHAPTER_MINUTES = 1.4
/** Chapters of the longest film: more are not kept in mind; by hand. */
const MOST_CHAPTERS = 9

/**
 * An outline from the key points, or, where there are none, from what the sources dwell on; minutes
 * by how much the sources have to say on each.
 *
 * @param isThing whether a term is a noun, for chapters that no source has a heading for
 */
export function outlineOf(brief: Brief, isThing: (term: string) => boolean = () => true): Outline {
  const units = unitsOf(brief.sources)
  const wanted = Math.max(1, Math.min(MOST_CHAPTERS, Math.round(brief.minutes / CHAPTER_MINUTES)))
  // A point or two for a long film leave most of it to what the sources dwell on.
  const own = brief.points.length ? ofPoints(brief.points, wanted) : []
  const chapters =
    own.length * 2 < wanted
      ? [...own, ...ofSources(units, brief, wanted - own.length, isThing)]
      : own
  const weights = weightsOf(chapters, units)
  const all = weights.reduce((sum, weight) => sum + weight, 0)
  return chapters.map(({ title, points }, i) => ({
    title,
    points,
    minutes: Math.max(0.1, Math.round(((brief.minutes * itemAt(weights, i)) / all) * 10) / 10),
  }))
}

type Plan = { title: string; points: string[] }

/**
 * Points in their order, neighbours sharing a chapter where there are more of them than chapters.
 */
function ofPoints(points: readonly string[], wanted: number): Plan[] {
  const count = Math.min(points.length, Math.max(wanted, 1))
  return Array.from({ length: count }, (_, i) => {
    const own = points.slice(
      Math.floor((i * points.length) / count),
      Math.floor(((i + 1) * points.length) / count),
    )
    return { title: titleOf(itemAt(own, 0)), points: own }
  })
}

const titleOf = (point: string) => {
  const short = point
    .replace(/[.;:!]+$/, '')
    .split(/\s+/)
    .slice(0, 9)
    .join(' ')
  return short.charAt(0).toUpperCase() + short.slice(1)
}

/**
 * The most central units that are least alike seed the chapters; each is named by its heaviest
 * words.
 */
function ofSources(
  units: readonly Unit[],
  { topic }: Brief,
  wanted: number,
  isThing: (term: string) => boolean,
): Plan[] {
  if (units.length === 0) return [{ title: topic || 'The film', points: [] }]
  const vectors = weightedVectors(units)
  const about = termsOf(topic)
  const rank = centrality(
    vectors,
    units.map(({ terms }) => [...about.keys()].filter((term) => terms.has(term)).length),
  )
  const fit = sourceFit(units, about)
  const seeds: number[] = []
  while (seeds.length < Math.min(wanted, Math.ceil(units.length / 3))) {
    const best = itemAt(
      units
        .map((_, i) => ({
          i,
          score: seeds.includes(i)
            ? -1
            : itemAt(rank, i) *
              (0.2 + entryOf(fit, itemAt(units, i).source)) *
              (1 -
                Math.max(
                  0,
                  ...seeds.map((seed) => cosine(itemAt(vectors, i), itemAt(vectors, seed))),
                )),
        }))
        .sort((a, b) => b.score - a.score),
      0,
    )
    seeds.push(best.i)
  }
  const used = new Set<string>(about.keys())
  return seeds
    .sort((a, b) => a - b)
    .map((seed) => {
      const { heading, sentences } = itemAt(units, seed)
      const points = [cutText(itemAt(sentences, 0), 300)]
      if (heading && !used.has(heading)) {
        used.add(heading)
        return { title: heading, points }
      }
      const heavy = [...itemAt(vectors, seed)]
        .sort((a, b) => b[1] - a[1])
        .map(([term]) => term)
        .filter((term) => !used.has(term) && isThing(term))
        .slice(0, 2)
      for (const term of heavy) used.add(term)
      return {
        title: titleOf(heavy.length ? `The ${heavy.join(' and the ')}` : itemAt(sentences, 0)),
        points,
      }
    })
}

/**
 * A chapter weighs the more, the more the sources say about it; none weighs less than half an equal
 * share.
 */
function weightsOf(chapters: readonly Plan[], units: readonly Unit[]): number[] {
  const spoken = chapters.map(({ title, points }) => {
    const asked = [...termsOf(`${title} ${points.join(' ')}`).keys()]
    return units.filter(({ terms }) => asked.some((term) => terms.has(term))).length
  })
  const mean = spoken.reduce((sum, count) => sum + count, 0) / chapters.length || 1
  return spoken.map((count) => Math.min(2, Math.max(0.5, count / mean)))
}
