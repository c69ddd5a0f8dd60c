import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { lastingWorker } from './lasting-worker.ts'

/** What a test sees of a worker: it never runs. */
class FakeWorker {
  onmessage?: (event: { data: string }) => void
  onerror?: (event: { message: string; preventDefault(): void }) => void
  told: string[] = []
  ended = false
  postMessage(message: string) {
    this.told.push(message)
  }
  terminate() {
    this.ended = true
  }
}

describe('lastingWorker', () => {
  const started: FakeWorker[] = []
  const heard: string[] = []
  const make = () =>
    lastingWorker<string, string>(
      () => {
        const worker = new FakeWorker()
        started.push(worker)
        return worker as unknown as Worker
      },
      (answer) => heard.push(answer),
    )
  const fails = (worker: FakeWorker | undefined, message = '') => {
    const preventDefault = vi.fn()
    worker?.onerror?.({ message, preventDefault })
    return preventDefault
  }
  beforeEach(() => {
    vi.useFakeTimers()
    started.length = heard.length = 0
  })
  afterEach(() => vi.useRealTimers())

  it('starts a worker anew whose script did not come, and tells it again what was told last', () => {
    const worker = make()
    worker.post('one')
    worker.post('two')
    expect(fails(started[0])).toHaveBeenCalled()
    vi.advanceTimersByTime(3000)
    expect(started).toHaveLength(2)
    expect(started[1]!.told).toEqual(['two'])
    started[1]!.onmessage?.({ data: 'answer' })
    expect(heard).toEqual(['answer'])
  })
  it('lets a fault of one that runs be heard', () => {
    make()
    started[0]!.onmessage?.({ data: 'answer' })
    expect(fails(started[0])).not.toHaveBeenCalled()
    expect(fails(started[0], 'x is not a function')).not.toHaveBeenCalled()
    vi.advanceTimersByTime(3000)
    expect(started).toHaveLength(1)
  })
  it('does not start again once it has been ended', () => {
    const worker = make()
    fails(started[0])
    worker.end()
    vi.advanceTimersByTime(3000)
    expect(started).toHaveLength(1)
  })
})
