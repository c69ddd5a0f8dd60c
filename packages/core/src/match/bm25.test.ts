import { describe, expect, it } from 'vitest'
import { bm25 } from './bm25.ts'
import { pickPictures, queriesOf } from './pick.ts'
import { Item } from './item.ts'
import { emptyLexicon } from '../words/lexicon.ts'

describe('bm25', () => {
  it('gives the hand-worked scores of Robertson & Zaragoza 2009 (formula from memory)', () => {
    // Three documents, lengths 2, 1, 3, mean 2; "sea" in two of them: idf = ln(1 + (3 − 2 + ½)/(2 + ½)) = ln 1.6.
    const index = bm25([['sea', 'boat'], ['sea'], ['lamp', 'oil', 'wick']].map((words) => [{ weight: 1, words }]))
    const score = (count: number, length: number) => (Math.log(1.6) * count * 2.2) / (count + 1.2 * (0.25 + (0.75 * length) / 2))
    const scores = index.scores(new Map([['sea', 1]]))
    expect(scores[0]).toBeCloseTo(score(1, 2), 10)
    expect(scores[1]).toBeCloseTo(score(1, 1), 10)
    expect(scores[2]).toBe(0)
  })
})

describe('pickPictures', () => {
  const pool = Array.from({ length: 14 }, (_, i) => Item.parse({ id: `lamp-${i}`, kind: 'photo', title: 'Lamp', tags: ['lamp'], width: 1920, height: 1080 }))
  const scenes = Array.from({ length: 24 }, () => ({ text: 'The lamp burns.', chapter: 0, seconds: 4 }))
  const picks = pickPictures(scenes, queriesOf(scenes, emptyLexicon), pool, { orientation: 'landscape' })
  it('shows no picture twice within ten scenes while another will do', () => {
    picks.forEach(({ chosen }, n) => {
      const near = picks.slice(Math.max(0, n - 10), n).flatMap((p) => p.chosen.map(({ id }) => id))
      expect(near).not.toContain(chosen[0]!.id)
    })
  })
  it('offers four at least, the chosen one first', () => {
    for (const { chosen, candidates } of picks) {
      expect(candidates.length).toBeGreaterThanOrEqual(4)
      expect(candidates[0]!.item).toBe(chosen[0])
    }
  })
  it('gives two to a scene over 8 s', () => {
    const long = [{ text: 'The lamp burns.', chapter: 0, seconds: 8.5 }]
    expect(pickPictures(long, queriesOf(long, emptyLexicon), pool, { orientation: 'landscape' })[0]!.chosen).toHaveLength(2)
  })
})
