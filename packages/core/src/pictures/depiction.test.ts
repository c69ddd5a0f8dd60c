import { describe, expect, it } from 'vitest'
import { Depiction, depictionText, readDepiction } from './depiction.ts'

describe('readDepiction', () => {
  it.each<[string, string, string[]]>([
    ['a crane by the river, not a bird', 'a crane by the river', ['bird']],
    ['a beach; no people, without the umbrellas', 'a beach', ['people', 'umbrellas']],
    ['a knot in a rope', 'a knot in a rope', []],
    ['nothing but sea, not far from land', 'nothing but sea', ['far from land']],
    [', not a ship', '', ['ship']],
    ['', '', []],
  ])('of "%s"', (text, see, not) => {
    expect(readDepiction(text)).toEqual({ see, not })
  })
  it('reads back what was written', () => {
    const depiction = { see: 'the lamp of a lighthouse at night', not: ['street lamp', 'torch'] }
    expect(readDepiction(depictionText(depiction))).toEqual(depiction)
  })
})

describe('Depiction', () => {
  it.each(['[pause 9s]', 'two\nlines', '', 'x'.repeat(201)])(
    'takes nothing that would be more than a direction: %j',
    (see) => {
      expect(Depiction.safeParse({ see, search: [], not: [] }).success).toBe(false)
    },
  )
})
