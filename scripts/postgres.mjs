/**
 * A PostgreSQL server of the project's own, on loopback, in its own data folder; never one that is
 * there already.
 */
import { execFileSync, spawn } from 'node:child_process'
import { createHash } from 'node:crypto'
import { chownSync, existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { createServer } from 'node:net'
import { join } from 'node:path'
import { fail } from './prepare.mjs'

const BIN = '/usr/lib/postgresql/15/bin'
const PATIENCE_MS = 30_000
const root = process.getuid?.() === 0

export function freePort(first) {
  return new Promise((resolve) => {
    const server = createServer().once('error', () => resolve(freePort(first + 1)))
    server.listen(first, '127.0.0.1', () => server.close(() => resolve(first)))
  })
}

/**
 * PostgreSQL refuses to run as root: then it runs as Debian's `postgres` user, in a folder that
 * user can reach.
 */
function place(folder) {
  if (!root) return folder
  try {
    execFileSync('runuser', ['-u', 'postgres', '--', 'test', '-x', join(folder, '..')], {
      stdio: 'ignore',
    })
    return folder
  } catch {
    return join(
      '/var/lib/tidy-reel',
      createHash('sha256').update(folder).digest('hex').slice(0, 12),
    )
  }
}

const asPostgres = (program, args) =>
  root ? ['runuser', ['-u', 'postgres', '--', program, ...args]] : [program, args]

/** Starts the server and makes the database; returns its address and a way to stop it. */
export async function startPostgres(wanted) {
  const folder = place(wanted)
  mkdirSync(folder, { recursive: true })
  if (root) {
    const id = (flag) => Number(execFileSync('id', [flag, 'postgres']).toString())
    chownSync(folder, id('-u'), id('-g'))
  }
  if (!existsSync(join(folder, 'PG_VERSION'))) {
    const [program, args] = asPostgres(join(BIN, 'initdb'), [
      '-D',
      folder,
      '-U',
      'tidy',
      '--auth=trust',
      '--encoding=UTF8',
      '--locale=C.UTF-8',
    ])
    execFileSync(program, args, { stdio: ['ignore', 'ignore', 'inherit'], cwd: '/' })
  }
  const running = portOfRunning(folder)
  const port = running ?? (await freePort(54320))
  const [program, args] = asPostgres(join(BIN, 'postgres'), [
    '-D',
    folder,
    '-p',
    String(port),
    '-c',
    'listen_addresses=127.0.0.1',
    '-c',
    'unix_socket_directories=',
    '-c',
    'max_connections=150',
  ])
  const child = running
    ? undefined
    : spawn(program, args, { stdio: 'ignore', cwd: '/', detached: true })
  const address = `postgres://tidy@127.0.0.1:${port}/tidy`
  await ready(port)
  return { address, stop: () => child && stopServer(folder, child) }
}

/**
 * Port of a server that an earlier, killed run left on this folder; a stale file of one that is
 * gone is cleared.
 */
function portOfRunning(folder) {
  const file = join(folder, 'postmaster.pid')
  if (!existsSync(file)) return undefined
  const lines = readFileSync(file, 'utf8').split('\n')
  try {
    process.kill(Number(lines[0]), 0)
    return Number(lines[3])
  } catch {
    rmSync(file)
    return undefined
  }
}

async function ready(port) {
  const { default: pg } = await import('pg')
  for (
    const end = Date.now() + PATIENCE_MS;
    Date.now() < end;
    await new Promise((resolve) => setTimeout(resolve, 150))
  ) {
    const client = new pg.Client({ host: '127.0.0.1', port, user: 'tidy', database: 'postgres' })
    try {
      await client.connect()
      const { rowCount } = await client.query("select 1 from pg_database where datname = 'tidy'")
      if (!rowCount) await client.query('create database tidy')
      await client.end()
      return
    } catch {
      await client.end().catch(() => undefined)
    }
  }
  fail(
    'PostgreSQL did not start within 30 seconds. Its data folder may belong to another user; see docs/architecture.md.',
  )
}

function stopServer(folder, child) {
  const file = join(folder, 'postmaster.pid')
  try {
    process.kill(Number(readFileSync(file, 'utf8').split('\n')[0]), 'SIGINT')
  } catch {
    child.kill('SIGINT')
  }
  return new Promise((resolve) => child.once('exit', resolve))
}
