import { describe, expect, it } from 'vitest'
import { certain, entryOf, itemAt, lastOf } from './certain.ts'

describe('what must be there', () => {
  it('is given, falsy or not', () => {
    expect([itemAt([0, 1], 0), lastOf(['', 'x', '']), entryOf(new Map([['a', 0]]), 'a')]).toEqual([
      0,
      '',
      0,
    ])
    expect(certain(false)).toBe(false)
  })
  it('stops the program where it is missing', () => {
    expect(() => itemAt([1], 1)).toThrow('nothing at 1 of 1')
    expect(() => lastOf([])).toThrow(RangeError)
    expect(() => entryOf(new Map(), 'a')).toThrow('nothing under a')
    expect(() => certain(null)).toThrow(RangeError)
  })
})
