import { describe, expect, it } from 'vitest'
import { surenessOf } from './sureness.ts'

const entry = (i: number, believed: number) => ({ i, believed, clashes: [] as string[] })
/** 0 and 1 show the same thing, 2 and 3 others. */
const alike = (a: number, b: number) => (a + b === 1 ? 0.35 : 0)
const sure = (own: number, other: number, shows = 0) =>
  surenessOf(entry(0, own), shows, [entry(1, own), entry(2, other)], alike)

describe('surenessOf', () => {
  it('is sure where no picture of another thing comes near, another view of the same or not', () =>
    expect([sure(0.9, 0.6), sure(0.9, 0.85)]).toEqual(['sure', 'look']))
  it('asks less of one that has several of the words said', () =>
    expect([sure(0.9, 0.77), sure(0.9, 0.77, 2)]).toEqual(['look', 'sure']))
  it('is weak where another thing fits better, little is believed, or a word means something else', () => {
    expect([sure(0.7, 0.7), sure(0.4, 0.1)]).toEqual(['weak', 'weak'])
    expect(surenessOf({ ...entry(0, 0.9), clashes: ['bank'] }, 2, [], alike)).toBe('weak')
  })
})
