/**
 * Directions as signed bytes, one after another; of each the largest number is 127. Only where they
 * point is kept.
 *
 * @param axes numbers of each
 */
export function signedBytes(vectors: readonly ArrayLike<number>[], axes: number): Uint8Array {
  const bytes = new Int8Array(vectors.length * axes)
  vectors.forEach((vector, i) => {
    const numbers = Array.from(vector)
    const most = Math.max(...numbers.map(Math.abs)) || 1
    numbers.forEach((x, d) => (bytes[i * axes + d] = Math.round((x / most) * 127)))
  })
  return new Uint8Array(bytes.buffer)
}
