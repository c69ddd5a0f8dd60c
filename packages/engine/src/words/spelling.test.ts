import { describe, expect, it } from 'vitest'
import { misspellings } from './spelling.ts'

describe('misspellings', () => {
  it('knows British and American words, names of the channel, parts of hyphened words', () => {
    expect(
      misspellings(
        [
          'colour',
          'color',
          'harbour',
          'harbor',
          'Fresnel',
          "keeper's",
          'half-open',
          'NASA',
          '1822',
          'I',
        ],
        ['fresnel'],
      ),
    ).toEqual([])
  })
  it('tells each wrong word once, with the right one among its suggestions', () => {
    const found = misspellings(['lihgthouse', 'lihgthouse', 'recieve'], [])
    expect(found.map(({ word }) => word)).toEqual(['lihgthouse', 'recieve'])
    expect(found[1]!.suggestions).toContain('receive')
  })
})
