/** The whole product as processes: PostgreSQL, stock stand-in, server, worker. */
import { spawn } from 'node:child_process'
import { mkdirSync, openSync } from 'node:fs'
import { join } from 'node:path'
import { freePort, startPostgres } from './postgres.mjs'
import { ROOT } from './prepare.mjs'

const PATIENCE_MS = 60_000

/**
 * Starts everything on loopback.
 *
 * @param data   folder for all that is kept
 * @param first  first port to try for the server
 * @param demo   fill a new database with the demo channel
 */
export async function startStack({ data, first, demo }) {
  mkdirSync(join(data, 'logs'), { recursive: true })
  const postgres = await startPostgres(join(data, 'postgres'))
  // A port is free until somebody listens on it: each is asked for once.
  const taken = new Set()
  const portFrom = async (from) => {
    const free = await freePort(from)
    if (taken.has(free)) return portFrom(free + 1)
    taken.add(free)
    return free
  }
  const [stockPort, printsPort, makerPort, statisticsPort, port] = [
    await portFrom(first + 10),
    await portFrom(first + 11),
    await portFrom(first + 12),
    await portFrom(first + 20),
    await portFrom(first),
  ]
  const env = {
    ...process.env,
    TIDY_DATA: data,
    TIDY_MEDIA: join(ROOT, '.data/media'),
    TIDY_DATABASE: postgres.address,
    TIDY_PORT: String(port),
    TIDY_STOCK: `http://127.0.0.1:${stockPort}`,
    STOCK_PORT: String(stockPort),
    TIDY_PRINTS: `http://127.0.0.1:${printsPort}`,
    PRINTS_PORT: String(printsPort),
    TIDY_MAKER: `http://127.0.0.1:${makerPort}`,
    MAKER_PORT: String(makerPort),
    TIDY_STATISTICS: `http://127.0.0.1:${statisticsPort}`,
    STATISTICS_PORT: String(statisticsPort),
  }
  const children = new Map()
  const start = (name, script, args = []) => {
    const log = openSync(join(data, 'logs', `${name}.log`), 'a')
    const child = spawn(process.execPath, ['--import', 'tsx', join(ROOT, script), ...args], {
      cwd: ROOT,
      env,
      stdio: ['ignore', log, log],
    })
    children.set(name, child)
    return child
  }
  const end = (name, signal = 'SIGTERM') =>
    new Promise((resolve) => {
      const child = children.get(name)
      children.delete(name)
      if (!child || child.exitCode !== null) return resolve()
      child.once('exit', resolve)
      child.kill(signal)
      setTimeout(() => child.kill('SIGKILL'), 10_000).unref()
    })
  const startStock = async () => {
    start('stock', 'packages/standins/src/stock/main.ts')
    await answering(`http://127.0.0.1:${stockPort}/openapi.json`, 'the stock stand-in')
  }
  const startPrints = async () => {
    start('prints', 'packages/standins/src/prints/main.ts')
    await answering(`http://127.0.0.1:${printsPort}/openapi.json`, 'the prints stand-in')
  }
  const stop = async () => {
    await Promise.all([...children.keys()].map((name) => end(name)))
    await postgres.stop()
  }
  const startServer = async () => {
    start('server', 'packages/server/src/main.ts')
    await answering(`${address}/api/voices`, 'the server')
  }
  const startWorker = () => start('worker', 'packages/server/src/worker.ts')
  const address = `http://127.0.0.1:${port}`
  try {
    await startStock()
    start('maker', 'packages/standins/src/maker/main.ts')
    start('statistics', 'packages/standins/src/statistics/main.ts')
    await startPrints()
    await answering(`http://127.0.0.1:${makerPort}/openapi.json`, 'the picture maker stand-in')
    await answering(`http://127.0.0.1:${statisticsPort}/openapi.json`, 'the statistics stand-in')
    await setUp()
    startWorker()
    await startServer()
  } catch (cause) {
    // Nothing that was started is left behind: a forgotten worker would take the next one's jobs.
    await stop()
    throw cause
  }
  return { address, env, end, startPrints, startServer, startStock, startWorker, stop }

  async function setUp() {
    const setup = start('setup', 'packages/server/src/setup.ts', demo ? ['--demo'] : [])
    const code = await new Promise((resolve) => setup.once('exit', resolve))
    children.delete('setup')
    if (code !== 0)
      throw new Error(`setting up the database failed; see ${join(data, 'logs', 'setup.log')}`)
  }
}

async function answering(url, name) {
  for (
    const end = Date.now() + PATIENCE_MS;
    Date.now() < end;
    await new Promise((resolve) => setTimeout(resolve, 150))
  ) {
    if (
      await fetch(url).then(
        (answer) => answer.ok,
        () => false,
      )
    )
      return
  }
  throw new Error(`${name} did not answer within a minute`)
}
