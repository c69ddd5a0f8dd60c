import MiniSearch from 'minisearch'
import { describe, expect, it } from 'vitest'
import { bm25 } from './bm25.ts'

const DOCUMENTS = [
  'a lighthouse stands on the rock in sea',
  'one lamp burns inside that lighthouse all night long',
  'ships pass the rock by night',
  'his keeper winds clockwork which turns the lamp',
  'bread rises in a warm oven',
  'calm sea under full moon',
  'a harbour at dawn with ships and gulls',
  'lamp oil came first from whales then deep wells',
  'night fell on the harbour',
  'gulls cry over sea and rock',
]
const QUERIES = [
  'lamp',
  'lighthouse night',
  'sea rock',
  'harbour ships',
  'lamp oil night',
  'gulls sea',
  'oven',
  'keeper lamp clockwork',
]

describe('bm25 against the reference library minisearch', () => {
  // MiniSearch scores BM25+ (lower bound δ); with δ = 0, the same k and b it is plain BM25 and must
  // rank alike, as long as no document repeats a word: it takes the number of different words for a
  // document's length.
  const index = new MiniSearch<{ id: number; text: string }>({
    fields: ['text'],
    searchOptions: { bm25: { k: 1.2, b: 0.75, d: 0 } },
  })
  index.addAll(DOCUMENTS.map((text, id) => ({ id, text })))
  const ours = bm25(DOCUMENTS.map((text) => [{ weight: 1, words: text.split(' ') }]))
  it.each(QUERIES)('ranks the documents found by %j in the same order', (query) => {
    const scores = ours.scores(new Map(query.split(' ').map((word) => [word, 1])))
    const ranked = [...scores.keys()]
      .filter((i) => scores[i]! > 0)
      .sort((a, b) => scores[b]! - scores[a]!)
    // MiniSearch multiplies by the share of the query that matched; a single word shows BM25 alone.
    const reference = new Map(
      index.search(query, { combineWith: 'OR' }).map(({ id, score }) => [id as number, score]),
    )
    expect(new Set(ranked)).toEqual(new Set(reference.keys()))
    if (!query.includes(' '))
      ranked
        .slice(1)
        .forEach((id, i) =>
          expect(reference.get(ranked[i]!)!).toBeGreaterThanOrEqual(reference.get(id)! - 1e-9),
        )
    else expect(ranked[0]).toBe([...reference].sort((a, b) => b[1] - a[1])[0]![0])
  })
})
