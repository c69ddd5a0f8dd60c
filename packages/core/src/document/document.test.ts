import { describe, expect, it } from 'vitest'
import { Document, emptyDocument, upgraded } from './document.ts'

describe('upgraded', () => {
  it('brings a document of any version to the form of today', () => {
    const {
      speaking: _s,
      matching: _m,
      making: _k,
      mixing: _x,
      score: _p,
      picking,
      conflicts: _c,
      ...old
    } = emptyDocument('T')
    const { rhythm: _r, ...before } = picking
    const { wantedMinutes: _w, notes: _n, claims: _l, comments: _o, ...second } = old
    expect(Document.parse(upgraded({ ...second, version: 2 }))).toEqual(emptyDocument('T'))
    const eighth = { ...emptyDocument('T'), version: 8, picking: { ...before, longest: 12 } }
    expect(Document.parse(upgraded(eighth)).picking).toEqual({ ...picking, longest: 12 })
  })
  it('leaves what is no document alone', () => {
    expect(upgraded('words')).toBe('words')
    expect(upgraded({ version: 99 })).toEqual({ version: 99 })
  })
})
