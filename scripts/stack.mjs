/** The whole product as processes: PostgreSQL, the stand-ins, server, worker. */
import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { takeFolder } from './one-only.mjs'
import { freePort, startPostgres } from './postgres.mjs'
import { ROOT } from './prepare.mjs'
import { programs } from './supervised.mjs'

const ANSWER_PATIENCE_MS = 60_000
const ASK_AGAIN_MS = 50

/** The stand-ins: how far above the server's port each is looked for a port of its own. */
const STANDINS = { stock: 10, prints: 11, maker: 12, statistics: 20 }

/**
 * Starts everything on loopback.
 *
 * @param data   folder for all that is kept
 * @param first  first port to try for the server
 * @param demo   fill a new database with the demo channel
 */
export async function startStack({ data, first, demo }) {
  // PostgreSQL's own user passes through the folder of data; the logs are for this one.
  mkdirSync(data, { recursive: true })
  mkdirSync(join(data, 'logs'), { recursive: true, mode: 0o700 })
  const folder = takeFolder(data)
  const [postgres, ports] = await Promise.all([
    startPostgres(join(data, 'postgres')),
    freePorts({ server: first, ...above(first) }),
  ])
  const addresses = Object.fromEntries(
    Object.entries(ports).map(([name, port]) => [name, `http://127.0.0.1:${port}`]),
  )
  const env = environment(data, postgres.address, ports, addresses)
  const running = programs(data, env)

  const startStandin = async (name) => {
    running.start(name)
    await answering(`${addresses[name]}/openapi.json`, `the ${name} stand-in`)
  }
  const startServer = async () => {
    running.start('server')
    await answering(`${addresses.server}/api/voices`, 'the server')
  }
  const startWorker = () => running.start('worker')
  const stop = async () => {
    await running.endAll()
    await postgres.stop()
    folder.letGo()
  }
  try {
    await Promise.all(Object.keys(STANDINS).map(startStandin))
    await running.run('setup', demo ? ['--demo'] : [])
    startWorker()
    await startServer()
    folder.tell(addresses.server)
  } catch (cause) {
    // Nothing that was started is left behind: a forgotten worker would take the next one's jobs.
    await stop()
    throw cause
  }
  return {
    address: addresses.server,
    database: postgres,
    env,
    end: running.end,
    pid: running.pid,
    startPrints: () => startStandin('prints'),
    startServer,
    startStock: () => startStandin('stock'),
    startWorker,
    stop,
    /** Ends everything at once, whatever it is at. */
    kill() {
      running.killAll()
      postgres.kill()
      folder.letGo()
    },
  }
}

const above = (first) =>
  Object.fromEntries(Object.entries(STANDINS).map(([name, offset]) => [name, first + offset]))

/** A port is free until somebody listens on it: each is given out once. */
async function freePorts(wanted) {
  const ports = {}
  for (const [name, from] of Object.entries(wanted)) {
    let port = await freePort(from)
    while (Object.values(ports).includes(port)) port = await freePort(port + 1)
    ports[name] = port
  }
  return ports
}

/**
 * What the programs are told: where data lies, where the others listen and where they are to
 * listen.
 */
function environment(data, database, ports, addresses) {
  const standins = Object.keys(STANDINS).flatMap((name) => [
    [`TIDY_${name.toUpperCase()}`, addresses[name]],
    [`${name.toUpperCase()}_PORT`, String(ports[name])],
  ])
  return {
    ...process.env,
    TIDY_DATA: data,
    TIDY_MEDIA: join(ROOT, '.data/media'),
    TIDY_DATABASE: database,
    TIDY_PORT: String(ports.server),
    ...Object.fromEntries(standins),
  }
}

const pause = (ms) => new Promise((resolve) => setTimeout(resolve, ms))
const answers = (url) =>
  fetch(url).then(
    (answer) => answer.ok,
    () => false,
  )

async function answering(url, name) {
  const last = Date.now() + ANSWER_PATIENCE_MS
  while (!(await answers(url))) {
    if (Date.now() > last) throw new Error(`${name} did not answer within a minute`)
    await pause(ASK_AGAIN_MS)
  }
}
