import { describe, expect, it } from 'vitest'
import foldersHeld from '../../test-sets/tidying/folders-held.txt?raw'
import foldersTuned from '../../test-sets/tidying/folders-tuned.txt?raw'
import heldText from '../../test-sets/tidying/held.txt?raw'
import languagesHeld from '../../test-sets/tidying/languages-held.txt?raw'
import languagesTuned from '../../test-sets/tidying/languages-tuned.txt?raw'
import { even, judge, type Sample, samplesOf, totals } from '../../test-sets/tidying/measure.ts'
import tunedText from '../../test-sets/tidying/tuned.txt?raw'
import unseenText from '../../test-sets/tidying/unseen-held.txt?raw'
import { tidyChanges, tidyScript } from './tidy.ts'

// Right answers made by hand before the rules were run on them; what the held halves first came to,
// before anything was learnt from them, is in docs/performance.md.
const tuned = [tunedText, languagesTuned, foldersTuned].flatMap(samplesOf)
const held = [heldText, languagesHeld, foldersHeld, unseenText].flatMap(samplesOf)

describe('tidyChanges on messy scripts', () => {
  it('has sixty new ones, twenty of them in six other languages and twenty that are clean', () => {
    const fresh = [languagesTuned, languagesHeld, foldersTuned, foldersHeld, unseenText]
    const samples = fresh.flatMap(samplesOf)
    const named = (pattern: RegExp) => samples.filter(({ name }) => pattern.test(name)).length
    expect(samples.length).toBeGreaterThanOrEqual(60)
    expect(named(/^(?:German|French|Spanish|Italian|Portuguese|Dutch)/)).toBeGreaterThanOrEqual(20)
    expect(named(/clean/)).toBeGreaterThanOrEqual(20)
  })
  it.each(tuned)('makes of "$name" what a person made of it', (sample) =>
    expect(judge([sample]).failures).toEqual([]),
  )
  it.each([
    ['tuned', tuned],
    ['held', held],
  ] as const)(
    'finds at least 95 % and is right in at least 99 % of what it proposes: %s half',
    (_name, samples) => {
      const { hits, expected, right, found } = totals(judge(samples))
      expect(hits / expected).toBeGreaterThanOrEqual(0.95)
      expect(right / found).toBeGreaterThanOrEqual(0.99)
    },
  )
  it('changes nothing at all in a script that is clean', () => {
    const clean = [...tuned, ...held].filter(({ expected }) => expected.length === 0)
    expect(clean.length).toBeGreaterThan(20)
    for (const { name, messy } of clean) expect([name, tidyChanges(messy)]).toEqual([name, []])
  })
  it('is done after one pass', () => {
    for (const { messy } of [...tuned, ...held]) {
      const once = tidyScript(messy)
      expect(tidyScript(once)).toBe(once)
    }
  })
  it('leaves what a person called tidy as it is', () => {
    for (const { tidy } of [...tuned, ...held]) expect(even(tidyScript(tidy))).toBe(even(tidy))
  })
})

describe('judge', () => {
  it('counts a place that was missed and one that was touched for nothing', () => {
    const [missed, touched] = samplesOf(
      '=== a\nThe lamp «doubled¦burns brightly¦burns».\n=== b\nThe the lamp burns.\n',
    ) as [Sample, Sample]
    expect(totals(judge([missed]))).toEqual({ hits: 0, expected: 1, right: 0, found: 0 })
    expect(totals(judge([touched]))).toEqual({ hits: 0, expected: 0, right: 0, found: 1 })
  })
})
