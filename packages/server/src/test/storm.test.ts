import { describe, expect, it } from 'vitest'

/** `npm run bench:storm` kills fifty; here as many as a test may take time for. */
const KILLS = 3

describe('the running product, parts of which are killed at random', () => {
  it('loses no accepted edit and finishes what was asked for, without anybody asking again', async () => {
    const { storm } = await import('../../../../scripts/storm.mjs')
    const { killed, faults } = await storm({ kills: KILLS, seed: 7 })
    expect(faults).toEqual([])
    expect(Object.values(killed).reduce((sum, times) => sum + times, 0)).toBe(KILLS)
  }, 240_000)
})
