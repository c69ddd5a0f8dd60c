import { expect, test as base } from '@playwright/test'

/** Ends and starts the product's processes, as far as the tests of faults need it. */
export interface Stack {
  address: string
  end(name: 'server' | 'worker' | 'stock' | 'prints', signal?: NodeJS.Signals): Promise<void>
  startServer(): Promise<void>
  startWorker(): unknown
  startStock(): Promise<void>
  startPrints(): Promise<void>
  stop(): Promise<void>
}

/**
 * The stack runs in the process of the test runner's setup; this is its control over HTTP on
 * loopback.
 */
export const test = base.extend<{
  stack: Pick<Stack, 'end' | 'startServer' | 'startWorker' | 'startStock' | 'startPrints'>
}>({
  /** A page that throws has failed, whatever it shows: offline, in two tabs, while it is closed. */
  page: async ({ page }, use) => {
    const thrown: string[] = []
    page.on('pageerror', (fault) => thrown.push(`${page.url()}: ${fault.stack ?? fault.message}`))
    await use(page)
    expect(thrown).toEqual([])
  },
  stack: async ({ request }, use) => {
    const tell = async (order: string) => {
      const answer = await request.post(`${process.env.TIDY_CONTROL}/${order}`)
      if (!answer.ok()) throw new Error(await answer.text())
    }
    await use({
      end: (name, signal = 'SIGTERM') => tell(`end/${name}/${signal}`),
      startServer: () => tell('startServer'),
      startWorker: () => tell('startWorker'),
      startStock: () => tell('startStock'),
      startPrints: () => tell('startPrints'),
    })
  },
})
export { expect }
export const address = () => process.env.TIDY_ADDRESS!
