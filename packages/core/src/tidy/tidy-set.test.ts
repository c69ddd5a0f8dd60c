import { describe, expect, it } from 'vitest'
import heldText from '../../test-sets/tidying/held.txt?raw'
import { even, judge, type Sample, samplesOf, totals } from '../../test-sets/tidying/measure.ts'
import tunedText from '../../test-sets/tidying/tuned.txt?raw'
import { tidyScript } from './tidy.ts'

// Right answers made by hand before the rules were run on them; the second half was looked at only
// to report.
const tuned = samplesOf(tunedText)
const held = samplesOf(heldText)

describe('tidyChanges on messy scripts', () => {
  it('has at least forty of them', () =>
    expect(tuned.length + held.length).toBeGreaterThanOrEqual(40))
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
