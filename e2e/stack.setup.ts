import { rmSync } from 'node:fs'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { fileURLToPath } from 'node:url'

/** Starts the real stack on a database and data folder of the tests' own; stops it afterwards. */
export default async function setup() {
  const data = fileURLToPath(new URL('../.data-test', import.meta.url))
  process.env.STOCK_FRAMES_PER_SECOND = '10'
  rmSync(data, { recursive: true, force: true })
  const { startStack } = await import('../scripts/stack.mjs')
  const stack = await startStack({ data, first: 4500, demo: false })
  const control = createServer((request, response) => {
    const [order, name, signal] = request.url!.slice(1).split('/') as [
      'end' | 'startServer' | 'startWorker' | 'startStock' | 'startPrints',
      'worker',
      NodeJS.Signals,
    ]
    Promise.resolve(order === 'end' ? stack.end(name, signal) : stack[order]()).then(
      () => response.end('done'),
      (cause: Error) => response.writeHead(500).end(cause.message),
    )
  })
  await new Promise<void>((resolve) => control.listen(0, '127.0.0.1', resolve))
  process.env.TIDY_ADDRESS = stack.address
  process.env.TIDY_CONTROL = `http://127.0.0.1:${(control.address() as AddressInfo).port}`
  return async () => {
    control.close()
    await stack.stop()
  }
}
