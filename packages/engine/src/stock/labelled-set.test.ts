import { readFileSync } from 'node:fs'
import { beforeAll, describe, expect, it } from 'vitest'
import {
  labelledCatalogue,
  type LabelledItem,
  type LabelledScript,
  labelledScripts,
} from '@tidy-reel/core/test-sets/matching/labelled'
import {
  judgeMatches,
  type MatchJudgement,
  offeredFor,
} from '@tidy-reel/core/test-sets/matching/measure'
import { loadLexicon } from '../words/wordnet.ts'

const read = (name: string) =>
  readFileSync(new URL(`../../../core/test-sets/matching/${name}.txt`, import.meta.url), 'utf8')
const scripts = labelledScripts(read('scripts'))
const catalogue = labelledCatalogue(read('subjects'))

async function judged(half: LabelledScript['half']): Promise<MatchJudgement> {
  const mine = scripts.filter((script) => script.half === half)
  return judgeMatches(mine, catalogue, offeredFor(mine, catalogue, await loadLexicon()))
}

describe('the labelled set', () => {
  it('has over 200 sentences in over ten scripts and over 1,000 items, every label a subject there is', () => {
    const subjects = new Set(catalogue.map(({ subject }: LabelledItem) => subject))
    expect(scripts.length).toBeGreaterThanOrEqual(10)
    expect(scripts.reduce((sum, { scenes }) => sum + scenes.length, 0)).toBeGreaterThan(200)
    expect(catalogue.length).toBeGreaterThan(1000)
    for (const { scenes } of scripts)
      for (const { text, fits, otherSense } of scenes) {
        expect(fits.size, text).toBeGreaterThan(0)
        for (const subject of [...fits, ...otherSense]) expect(subjects).toContain(subject)
        for (const subject of otherSense) expect(fits).not.toContain(subject)
      }
  })
})

// The labels are a person's judgement, written before the matcher saw the held half. Aims: 90, 98,
// 1 % and 0; what is reached is in docs/matching.md.
describe('matching by meaning, on the labelled set', () => {
  let tuned: MatchJudgement
  let held: MatchJudgement
  beforeAll(async () => {
    ;[tuned, held] = await Promise.all([judged('tuned'), judged('held')])
  })
  const share = (judgement: MatchJudgement, key: 'first' | 'four' | 'otherSense' | 'alike') =>
    judgement.all[key] / judgement.all.scenes
  it('does not fall behind what it reached', () => {
    expect(share(tuned, 'first')).toBeGreaterThan(0.78)
    expect(share(tuned, 'four')).toBeGreaterThan(0.93)
    expect(share(held, 'first')).toBeGreaterThan(0.64)
    expect(share(held, 'four')).toBeGreaterThan(0.87)
  })
  it('seldom shows another sense, or the same thing twice running', () => {
    expect(share(held, 'otherSense')).toBeLessThan(0.03)
    expect(share(held, 'alike')).toBeLessThan(0.03)
    expect(share(tuned, 'otherSense')).toBeLessThan(0.05)
    expect(share(tuned, 'alike')).toBeLessThan(0.03)
  })
  it('shows no needle in a haystack for a figure of speech', () => {
    const figures = tuned.byHardness.get('figure')!
    expect(figures.first / figures.scenes).toBeGreaterThan(0.8)
    expect(figures.otherSense).toBe(0)
  })
})
