import { spawn } from 'node:child_process'
import { createServer } from 'node:net'
import type { EngineConfig } from '@tidy-reel/engine/config'
import { builtProgram } from '@tidy-reel/engine/run/built-program'

const PATIENCE_MS = 20_000

/**
 * Runs with the stock library's address; starts the stand-in for as long as that takes when none
 * answers.
 */
export async function withStock<T>(
  { stock, data }: EngineConfig,
  run: (address: string) => Promise<T>,
): Promise<T> {
  if (process.env.TIDY_STOCK || (await answers(stock))) return run(stock)
  const port = await freePort()
  const address = `http://127.0.0.1:${port}`
  const child = spawn(process.execPath, [builtProgram('stock')], {
    stdio: 'ignore',
    env: {
      ...process.env,
      STOCK_PORT: String(port),
      TIDY_DATA: data,
      TIDY_MEDIA: process.env.TIDY_MEDIA ?? `${data}/media`,
    },
  })
  try {
    for (const end = Date.now() + PATIENCE_MS; Date.now() < end && !(await answers(address));)
      await new Promise((resolve) => setTimeout(resolve, 100))
    return await run(address)
  } finally {
    child.kill()
  }
}

async function answers(address: string): Promise<boolean> {
  return fetch(new URL('/openapi.json', address), { signal: AbortSignal.timeout(1000) }).then(
    (answer) => answer.ok,
    () => false,
  )
}

function freePort(): Promise<number> {
  return new Promise((resolve, reject) => {
    const server = createServer().once('error', reject)
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address() as { port: number }
      server.close(() => resolve(port))
    })
  })
}
