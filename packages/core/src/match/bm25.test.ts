import { describe, expect, it } from 'vitest'
import { bm25 } from './bm25.ts'

describe('bm25', () => {
  it('gives the hand-worked scores of Robertson & Zaragoza 2009 (formula from memory)', () => {
    // Three documents, lengths 2, 1, 3, mean 2; "sea" in two of them: idf = ln(1 + (3 − 2 + ½)/(2 +
    // ½)) = ln 1.6.
    const index = bm25(
      [['sea', 'boat'], ['sea'], ['lamp', 'oil', 'wick']].map((words) => [{ weight: 1, words }]),
    )
    const score = (count: number, length: number) =>
      (Math.log(1.6) * count * 2.2) / (count + 1.2 * (0.25 + (0.75 * length) / 2))
    const scores = index.scores(new Map([['sea', 1]]))
    expect(scores[0]).toBeCloseTo(score(1, 2), 10)
    expect(scores[1]).toBeCloseTo(score(1, 1), 10)
    expect(scores[2]).toBe(0)
  })
})
