/** The whole product as processes: PostgreSQL, the stand-ins, server, worker. */
import { spawn } from 'node:child_process'
import { mkdirSync, openSync } from 'node:fs'
import { join } from 'node:path'
import { freePort, startPostgres } from './postgres.mjs'
import { ROOT } from './prepare.mjs'

const ANSWER_PATIENCE_MS = 60_000
const ASK_AGAIN_MS = 50
/** After that long a program that was asked to end is ended. */
const END_PATIENCE_MS = 10_000

/**
 * Of a server that mostly waits: young objects are collected in 4 MB rather than 16, which keeps it
 * some 20 MB smaller (measured: 135 MB idle against 158).
 */
const FLAGS = { server: ['--max-semi-space-size=4'] }

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
  mkdirSync(join(data, 'logs'), { recursive: true })
  const [postgres, ports] = await Promise.all([
    startPostgres(join(data, 'postgres')),
    freePorts({ server: first, ...above(first) }),
  ])
  const addresses = Object.fromEntries(
    Object.entries(ports).map(([name, port]) => [name, `http://127.0.0.1:${port}`]),
  )
  const env = environment(data, postgres.address, ports, addresses)
  const programs = startable(data, env)

  const startStandin = async (name) => {
    programs.start(name)
    await answering(`${addresses[name]}/openapi.json`, `the ${name} stand-in`)
  }
  const startServer = async () => {
    programs.start('server')
    await answering(`${addresses.server}/api/voices`, 'the server')
  }
  const startWorker = () => programs.start('worker')
  const stop = async () => {
    await programs.endAll()
    await postgres.stop()
  }
  try {
    await Promise.all(Object.keys(STANDINS).map(startStandin))
    await programs.run('setup', demo ? ['--demo'] : [])
    startWorker()
    await startServer()
  } catch (cause) {
    // Nothing that was started is left behind: a forgotten worker would take the next one's jobs.
    await stop()
    throw cause
  }
  return {
    address: addresses.server,
    env,
    end: programs.end,
    startPrints: () => startStandin('prints'),
    startServer,
    startStock: () => startStandin('stock'),
    startWorker,
    stop,
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

/** Programs as `npm run build` makes them, started and ended by name; each writes a log. */
function startable(data, env) {
  const children = new Map()
  function start(name, args = []) {
    const program = join(ROOT, 'dist', `${name}.js`)
    const log = openSync(join(data, 'logs', `${name}.log`), 'a')
    const flags = ['--enable-source-maps', ...(FLAGS[name] ?? [])]
    const child = spawn(process.execPath, [...flags, program, ...args], {
      cwd: ROOT,
      env,
      stdio: ['ignore', log, log],
    })
    children.set(name, child)
    return child
  }
  function end(name, signal = 'SIGTERM') {
    const child = children.get(name)
    children.delete(name)
    return new Promise((resolve) => {
      if (!child || child.exitCode !== null) return resolve()
      child.once('exit', resolve)
      child.kill(signal)
      setTimeout(() => child.kill('SIGKILL'), END_PATIENCE_MS).unref()
    })
  }
  /** Starts a program that ends by itself and waits for it. */
  async function run(name, args) {
    const child = start(name, args)
    const code = await new Promise((resolve) => child.once('exit', resolve))
    children.delete(name)
    if (code !== 0) throw new Error(`${name} failed; see ${join(data, 'logs', `${name}.log`)}`)
  }
  const endAll = () => Promise.all([...children.keys()].map((name) => end(name)))
  return { start, end, endAll, run }
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
