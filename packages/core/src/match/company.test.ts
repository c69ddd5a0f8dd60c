import { describe, expect, it } from 'vitest'
import { dot } from '../words/vectors.ts'
import { bm25 } from './bm25.ts'
import { companyOf } from './company.ts'

/** A library of two worlds; "hammer" is in both. */
const LOOKS = [
  'piano keys felt',
  'piano strings hammer felt',
  'piano concert hall keys',
  'grand piano strings',
  'nail hammer tool workshop',
  'saw tool workshop wood',
  'nail wood tool',
  'workshop bench saw',
].map((words) => new Set(words.split(' ')))
const library = (looks = LOOKS) =>
  companyOf(looks, bm25(looks.map((look) => [{ weight: 1, words: [...look] }])))
const weighted = (...words: string[]) => words.map((word) => [word, 1] as const)

describe('companyOf', () => {
  const company = library()
  const piano = company.of(weighted('piano', 'keys', 'concert'))
  it('knows which world an item is of by what its other words stand beside', () => {
    // Both have the hammer; without it the one is of the piano's world, the other of the workshop's.
    const [felt, nail] = [company.without(1, 'hammer'), company.without(4, 'hammer')]
    expect(dot(piano, felt)).toBeGreaterThan(dot(piano, nail) + 0.2)
  })
  it('brings words together that stand beside the same ones, though never in one item', () => {
    const [concert, grand, saw] = ['concert', 'grand', 'saw'].map((word) =>
      company.of(weighted(word)),
    )
    expect(dot(concert!, grand!)).toBeGreaterThan(dot(concert!, saw!))
  })
  it('reads a series once', () => {
    const often = library([...LOOKS, ...Array.from({ length: 50 }, () => LOOKS[4]!)])
    const rare = (known: typeof company) =>
      dot(known.of(weighted('nail')), known.of(weighted('saw')))
    expect(Math.abs(rare(often) - rare(company))).toBeLessThan(0.25)
  })
  it('has nothing to say of words no item has', () =>
    expect(company.of(weighted('zebra')).every((value) => value === 0)).toBe(true))
})
