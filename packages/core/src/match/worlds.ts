import { dot, unit, type Vector } from '../words/vectors.ts'
import type { NamedWorld } from './names.ts'
import type { PictureIndex } from './picture-index.ts'

/**
 * Where a world begins: so many standard deviations above the mean of the pool, and how sharply;
 * worked out on the tuned half of the labelled set.
 */
const EDGE = { begins: 1.11, sharp: 2.23 }

/** The worlds a scene stands in. */
export interface Worlds {
  film: World
  chapter: World
  named: NamedWorld
}

/** The world of a film or a chapter among the items of a pool. */
export interface World {
  direction: Vector
  /** How well each item fits it, 0 to 1: how far it stands out from the rest of the pool. */
  fits: Float32Array
  /** The same for any direction of length 1. */
  fitOf(direction: Vector): number
}

/**
 * An item this near to a film belongs to its world whatever else is in the pool: where everything
 * was searched for the film, most does.
 */
const BORDER = 0.42

/** The world a direction points to, by what words mean in general. */
export function worldOf(film: Vector, index: PictureIndex): World {
  return standingOut(unit(film), index.directions, BORDER)
}

const libraryWorlds = new WeakMap<PictureIndex, Map<ReadonlyMap<string, number>, World>>()

/** The world of some words by what stands beside them in the library; worked out once. */
export function companyWorld(subject: ReadonlyMap<string, number>, index: PictureIndex): World {
  const known = libraryWorlds.get(index) ?? libraryWorlds.set(index, new Map()).get(index)!
  const found =
    known.get(subject) ?? standingOut(index.company.of(subject), index.company.directions, 1)
  known.set(subject, found)
  return found
}

/** How far items stand out from the rest of a pool by nearness to a direction of length 1. */
function standingOut(direction: Vector, items: readonly Vector[], most: number): World {
  const near = items.map((item) => dot(direction, item))
  const mean = near.reduce((sum, value) => sum + value, 0) / Math.max(1, near.length)
  const spread =
    Math.sqrt(
      near.reduce((sum, value) => sum + (value - mean) ** 2, 0) / Math.max(1, near.length),
    ) || 1
  const border = Math.min(mean + EDGE.begins * spread, most)
  const fit = (value: number) => 1 / (1 + Math.exp((-(value - border) / spread) * EDGE.sharp))
  return {
    direction,
    fits: Float32Array.from(near, fit),
    fitOf: (other) => fit(dot(direction, other)),
  }
}
