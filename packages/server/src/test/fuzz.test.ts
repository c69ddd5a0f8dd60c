import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { type FreshApp, freshApp } from './fresh-app.ts'
import { type HostileRequest, hostileRequests } from './hostile.ts'

/** In the test nothing of the outside is there: these are the right answers. */
const AWAY = new Set([
  'stock_unreachable',
  'statistics_unreachable',
  'maker_unreachable',
  'maker_missing',
  'link_unreachable',
])
const COUNT = Number(process.env.TIDY_FUZZ ?? 2000)
const AT_ONCE = 8
const SLOWEST_MS = 5000
/** What is kept is kept by a limit: the second half of many requests needs no more than the first. */
const MOST_GROWTH = 1.25

let fresh: FreshApp
beforeAll(async () => {
  fresh = await freshApp()
})
afterAll(() => fresh.close())

interface Told {
  asked: string
  status: number
  code: string
  ms: number
}

async function tell({ method, path, body, headers }: HostileRequest): Promise<Told> {
  const began = performance.now()
  const answer = await fresh.ask<{ code?: string } | undefined>(method, path, body, headers)
  return {
    asked: `${method} ${path.slice(0, 120)} ${body?.slice(0, 200) ?? ''}`,
    status: answer.status,
    code: answer.body?.code ?? '',
    ms: performance.now() - began,
  }
}

describe('hostile requests', () => {
  it('are answered without an unforeseen fault, none of them slowly', async () => {
    const made = await fresh.ask<{ id: string }>('POST', '/api/episodes', {
      title: 'A film',
      script: '# Light\nThe lamp burns. The sea is calm.',
    })
    const routes = fresh.web.routes.filter(
      ({ method, path }) =>
        /^(?:GET|POST|PUT|PATCH|DELETE)$/.test(method) &&
        /^\/api\/.*[^*]$/.test(path) &&
        !path.endsWith('/events') &&
        // A file of 20 MB, as good as it ever is: held here whole, it would be all that is measured.
        !path.endsWith('/east-asian'),
    )
    expect(routes.length).toBeGreaterThan(60)
    const requests = hostileRequests(
      routes,
      [made.body.id],
      COUNT,
      process.env.TIDY_FUZZ_SEED ?? 'tide',
    )
    const told: Told[] = []
    const slow: HostileRequest[] = []
    /** The most memory the process had in either half of the requests, bytes. */
    const peaks: [number, number] = [0, 0]
    await Promise.all(
      Array.from({ length: AT_ONCE }, async () => {
        for (let next = requests.pop(); next; next = requests.pop()) {
          const answer = await tell(next)
          told.push(answer)
          const half = told.length <= COUNT / 2 ? 0 : 1
          peaks[half] = Math.max(peaks[half], process.memoryUsage.rss())
          if (answer.ms > SLOWEST_MS) slow.push(next)
        }
      }),
    )
    const unforeseen = told.filter(({ status, code }) => status >= 500 && !AWAY.has(code))
    expect(unforeseen).toEqual([])
    expect(told).toHaveLength(COUNT)
    if (process.env.TIDY_FUZZ) console.log(`most memory in either half: ${peaks.join(', ')} bytes`)
    expect(peaks[1]).toBeLessThan(MOST_GROWTH * peaks[0])
    // Other tests fill the machine: what was slow is asked again, with nothing beside it.
    const slowAgain: Told[] = []
    for (const request of slow) {
      const again = await tell(request)
      if (again.ms > SLOWEST_MS) slowAgain.push(again)
    }
    expect(slowAgain).toEqual([])
  }, 120_000)
})
