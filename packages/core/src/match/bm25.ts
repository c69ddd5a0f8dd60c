/**
 * Saturation of repeated words and weight of document length; the usual values (Robertson &
 * Zaragoza 2009, from memory).
 */
const K1 = 1.2
const B = 0.75

/** A document as fields of looked-up words, each field with its own weight. */
export interface Fields {
  weight: number
  words: readonly string[]
}

/** Documents and, in the same order, what is added to them. */
export interface Added {
  documents: Uint32Array
  scores: Float64Array
}

export interface Bm25 {
  /**
   * Scores by document, in the order the documents were given; 0 where no word of the query occurs.
   */
  scores(query: ReadonlyMap<string, number>): Float64Array
  /** What one word of weight 1 adds to each document that has it. */
  added(word: string): Added
  /** Inverse document frequency, ln(1 + (N − n + ½)/(n + ½)). */
  idf(word: string): number
  /** Every word that occurs. */
  words(): Iterable<string>
}

/**
 * BM25 over weighted fields (BM25F in its simple form: the fields' weighted word counts are added
 * up before saturation), for queries of weighted words.
 *
 * @param documents any number; their order is that of the scores
 * @example bm25([[{ weight: 1, words: ['sea'] }]]).scores(new Map([['sea', 1]])) // => [0.2876…]
 */
export function bm25(documents: readonly (readonly Fields[])[]): Bm25 {
  const postings = new Map<string, Map<number, number>>()
  const lengths = documents.map((fields, i) => {
    let length = 0
    for (const { weight, words } of fields) {
      length += weight * words.length
      for (const word of words) {
        const counts = postings.get(word) ?? postings.set(word, new Map()).get(word)!
        counts.set(i, (counts.get(i) ?? 0) + weight)
      }
    }
    return length
  })
  const mean = lengths.reduce((sum, length) => sum + length, 0) / Math.max(1, lengths.length)
  const idf = (word: string) => {
    const n = postings.get(word)?.size ?? 0
    return Math.log(1 + (documents.length - n + 0.5) / (n + 0.5))
  }
  const known = new Map<string, Added>()
  const added = (word: string) => {
    const found = known.get(word) ?? worked(word)
    known.set(word, found)
    return found
  }
  const worked = (word: string) => {
    const boost = idf(word)
    const found = [...(postings.get(word) ?? [])]
    return {
      documents: Uint32Array.from(found, ([i]) => i),
      scores: Float64Array.from(
        found,
        ([i, count]) =>
          (boost * count * (K1 + 1)) / (count + K1 * (1 - B + (B * lengths[i]!) / (mean || 1))),
      ),
    }
  }
  return {
    idf,
    added,
    words: () => postings.keys(),
    scores(query) {
      const scores = new Float64Array(documents.length)
      for (const [word, weight] of query) {
        const { documents: having, scores: adds } = added(word)
        having.forEach((i, k) => (scores[i]! += weight * adds[k]!))
      }
      return scores
    },
  }
}
