import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick, ref, shallowRef } from 'vue'
import type { RenderView } from '@tidy-reel/core/views/episode'
import { endOf, tellWhenDone } from './tell-when-done.ts'

const told: string[] = []
const isTold = ref(false)
const render = (state: RenderView['state'], id = 'a') => ({ id, state, report: null }) as RenderView

/** As much of a browser as is asked for. */
class Notice {
  static permission = 'granted'
  constructor(says: string) {
    told.push(says)
  }
}
const tone = () => ({
  frequency: {},
  gain: { setValueAtTime: () => 0, exponentialRampToValueAtTime: () => 0 },
  connect: () => ({ connect: () => 0 }),
  start: () => 0,
  stop: () => 0,
})

beforeEach(() => {
  told.length = 0
  vi.stubGlobal('window', { Notification: Notice })
  vi.stubGlobal('Notification', Notice)
  vi.stubGlobal(
    'AudioContext',
    class {
      currentTime = 0
      createOscillator = tone
      createGain = tone
    },
  )
})
afterEach(() => vi.unstubAllGlobals())

describe('tellWhenDone', () => {
  const followed = () => {
    const renders = shallowRef<RenderView[]>([render('done', 'old')])
    tellWhenDone(
      () => renders.value,
      () => 'Tides',
      { isTold, onOpen: () => undefined },
    )
    return async (...now: RenderView[]) => {
      renders.value = now
      await nextTick()
    }
  }

  it('tells once of what was under way, and not of what was done before', async () => {
    isTold.value = true
    const become = followed()
    await become(render('queued'), render('done', 'old'))
    await become(render('running'), render('done', 'old'))
    expect(told).toEqual([])
    await become(render('done'), render('done', 'old'))
    await become(render('done'), render('done', 'old'))
    expect(told).toEqual(['“Tides” is made'])
  })
  it('says that one failed, and nothing of one that was stopped or where nobody wants it', async () => {
    isTold.value = true
    const become = followed()
    await become(render('running'), render('running', 'b'))
    await become(render('failed'), render('cancelled', 'b'))
    expect(told).toEqual(['“Tides” could not be made'])
    isTold.value = false
    await become(render('running', 'c'))
    await become(render('done', 'c'))
    expect(told).toHaveLength(1)
  })
})

it('says so where a film failed its check', () => {
  const report = { check: [{ grade: 'wrong' }] } as unknown as RenderView['report']
  expect(endOf({ state: 'done', report })).toBe('is made, but failed its check')
})
