import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import { claimList } from '../export/claim-list.ts'
import { parseScript } from '../script/parse.ts'
import { claimRows } from './claim-rows.ts'
import { claimsOf } from './claims.ts'

describe('claimList', () => {
  it('has a row a claim that the reference library "papaparse" reads back', () => {
    const script = 'It was lit in 1822, they say. It is 46 m "high", or so.'
    const claims = claimsOf(script, parseScript(script))
    const known = [
      {
        sentence: claims[0]!.sentence,
        words: '1822',
        mark: 'checked' as const,
        source: '=HYPERLINK("x")',
        by: 'Ann, the keeper',
      },
    ]
    const { data, errors } = Papa.parse<Record<string, string>>(
      claimList(claimRows(claims, known)),
      {
        header: true,
        skipEmptyLines: true,
      },
    )
    expect(errors).toEqual([])
    expect(data).toEqual([
      {
        scene: '1',
        kind: 'a date',
        claim: '1822',
        sentence: 'It was lit in 1822, they say.',
        mark: 'checked',
        source: '\'=HYPERLINK("x")',
        marked_by: 'Ann, the keeper',
      },
      {
        scene: '2',
        kind: 'a number',
        claim: '46 m',
        sentence: 'It is 46 m "high", or so.',
        mark: 'not looked at',
        source: '',
        marked_by: '',
      },
    ])
  })
})
