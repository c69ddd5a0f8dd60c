/** A direction in the space of word meanings; words used alike point alike. */
export type Vector = Float32Array

/**
 * Adds `weight` times a vector to a sum, in place.
 *
 * @param sum changed in place; of the same length as `vector`
 */
export function addTo(sum: Vector, vector: Vector, weight: number): void {
  for (let d = 0; d < sum.length; d++) sum[d]! += weight * vector[d]!
}

/** Of two directions of length 1 it is their cosine, −1 to 1. */
export function dot(a: Vector, b: Vector): number {
  let sum = 0
  for (let d = 0; d < a.length; d++) sum += a[d]! * b[d]!
  return sum
}

/** The same direction with length 1; nothing stays nothing. */
export function unit(vector: Vector): Vector {
  const length = Math.sqrt(dot(vector, vector))
  return length ? vector.map((value) => value / length) : vector
}
