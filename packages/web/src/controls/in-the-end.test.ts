import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { inTheEnd } from './in-the-end.ts'

describe('inTheEnd', () => {
  beforeEach(() => vi.useFakeTimers())
  afterEach(() => vi.useRealTimers())
  /** Fails so many times, then comes. */
  const coming = (fails: number) => {
    const load = vi.fn(() =>
      load.mock.calls.length > fails ? Promise.resolve('here') : Promise.reject(new Error('away')),
    )
    return load
  }

  it('hands over what comes at once', async () => {
    const load = coming(0)
    expect(await inTheEnd(load)).toBe('here')
    expect(load).toHaveBeenCalledTimes(1)
  })
  it('asks again, with a pause, for what did not come', async () => {
    const load = coming(2)
    const part = inTheEnd(load)
    await vi.advanceTimersByTimeAsync(1000)
    expect(load).toHaveBeenCalledTimes(1)
    await vi.advanceTimersByTimeAsync(3500)
    expect(await part).toBe('here')
    expect(load).toHaveBeenCalledTimes(3)
  })
  it('asks no more once nobody waits', async () => {
    const load = coming(9)
    let isWanted = true
    void inTheEnd(load, () => isWanted)
    await vi.advanceTimersByTimeAsync(2100)
    isWanted = false
    await vi.advanceTimersByTimeAsync(20_000)
    expect(load).toHaveBeenCalledTimes(2)
  })
})
