import { describe, expect, it } from 'vitest'
import { cutText, illFormedAt, wellFormed } from './well-formed.ts'

const HALF = '🌊'.slice(0, 1)

describe('illFormedAt', () => {
  it('finds a NUL and half a surrogate pair wherever it is, in a name too', () => {
    expect(illFormedAt('a\u0000')).toBe('')
    expect(illFormedAt({ scenes: [{ text: 'ok' }, { text: `ok${HALF}` }] })).toBe('scenes.1.text')
    expect(illFormedAt({ [`a${HALF}`]: 1 })).toBe(`a${HALF}`)
  })
  it('finds nothing in whole emoji, numbers, null and nothing', () => {
    for (const value of ['🌊 👩‍🚀', 3, null, undefined, [], { a: ['b'] }])
      expect(illFormedAt(value)).toBeUndefined()
  })
})

describe('wellFormed', () => {
  it('mends what is broken and leaves the same value where nothing is', () => {
    expect(wellFormed({ a: [`x${HALF}`, 'y\u0000z'] })).toEqual({ a: ['x\ufffd', 'yz'] })
    const fine = { a: '🌊' }
    expect(wellFormed(fine)).toBe(fine)
  })
})

describe('cutText', () => {
  it('cuts between characters, at any length of a text of emoji', () => {
    const text = 'Tide 🌊🌊 turns 👩‍🚀'
    for (let most = 0; most <= text.length + 1; most++) {
      const cut = cutText(text, most)
      expect(cut.isWellFormed()).toBe(true)
      expect(text.startsWith(cut)).toBe(true)
      expect(cut.length).toBeLessThanOrEqual(most)
      expect(cut.length).toBeGreaterThanOrEqual(Math.min(most, text.length) - 1)
    }
  })
})
