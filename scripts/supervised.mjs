/** Programs that are to run: started, started again when they end by themselves, and ended. */
import { spawn } from 'node:child_process'
import { openSync } from 'node:fs'
import { join } from 'node:path'
import { ROOT } from './prepare.mjs'

/** After that long a program that was asked to end is ended. */
const END_PATIENCE_MS = 6_000
/** The pause before the first new start; each further one is twice as long. */
const PAUSE_MS = { first: 300, most: 8_000 }
/** A program that ran so long was well: its next new start is a first one again. */
const WELL_MS = 20_000

/**
 * Of a server that mostly waits: young objects are collected in 4 MB rather than 16, which keeps it
 * some 20 MB smaller (measured: 135 MB idle against 158).
 */
const FLAGS = { server: ['--max-semi-space-size=4'] }
/**
 * What encodes, matches and paints gives way to what somebody waits for; not where tests wait for it
 * while others fill the machine (`TIDY_NICE=0`).
 */
const NICE = process.env.TIDY_NICE === '0' ? {} : { worker: 10, stock: 10, prints: 10, maker: 10 }

/** Whether a child has ended, by itself or by a signal. */
const hasEnded = (child) => child.exitCode !== null || child.signalCode !== null

/**
 * Keeps something running: `start` gives a child; when it ends without being asked to, it is
 * started again, after pauses that grow.
 *
 * @param told hears of every end that nobody asked for
 * @param signal how a child is reached; one behind another program has a number of its own
 */
export function supervised(name, start, told, signal = (child, kind) => child.kill(kind)) {
  let child
  let wanted = false
  let timer
  let pauseMs = PAUSE_MS.first
  function run() {
    const began = Date.now()
    const own = start()
    child = own
    own.once('exit', (code, by) => {
      if (!wanted || child !== own) return
      if (Date.now() - began > WELL_MS) pauseMs = PAUSE_MS.first
      told(`${name} ended (${by ?? `code ${code}`}); it is started again`)
      timer = setTimeout(run, pauseMs)
      pauseMs = Math.min(PAUSE_MS.most, pauseMs * 2)
    })
  }
  return {
    start() {
      wanted = true
      run()
    },
    /** @param kind asks it to end; one that does not listen is ended after a while */
    end(kind = 'SIGTERM') {
      wanted = false
      clearTimeout(timer)
      return ended(child, (each) => signal(child, each), kind)
    },
    kill() {
      wanted = false
      clearTimeout(timer)
      if (child && !hasEnded(child)) signal(child, 'SIGKILL')
    },
    /** The process there is now, for tests that end it. */
    get pid() {
      return child?.pid
    },
  }
}

function ended(child, signal, kind) {
  return new Promise((resolve) => {
    if (!child || hasEnded(child)) return resolve()
    child.once('exit', resolve)
    signal(kind)
    setTimeout(() => !hasEnded(child) && signal('SIGKILL'), END_PATIENCE_MS).unref()
  })
}

/**
 * Programs as `npm run build` makes them, by name; each writes a log. A channel to this process
 * tells them when it is gone: none is left behind.
 */
export function programs(data, env) {
  const running = new Map()
  const told = (text) => console.log(`· ${text}`)
  function child(name, args = []) {
    const log = openSync(join(data, 'logs', `${name}.log`), 'a')
    const flags = ['--enable-source-maps', ...(FLAGS[name] ?? [])]
    const program = [process.execPath, ...flags, join(ROOT, 'dist', `${name}.js`), ...args]
    const [command, ...rest] = NICE[name] ? ['nice', '-n', NICE[name], ...program] : program
    return spawn(command, rest.map(String), {
      cwd: ROOT,
      env,
      stdio: ['ignore', log, log, 'ipc'],
    })
  }
  return {
    start(name) {
      const kept = supervised(`the ${name}`, () => child(name), told)
      running.set(name, kept)
      kept.start()
    },
    async end(name, signal) {
      await running.get(name)?.end(signal)
      running.delete(name)
    },
    pid: (name) => running.get(name)?.pid,
    endAll: () => Promise.all([...running.values()].map((kept) => kept.end())),
    killAll: () => [...running.values()].forEach((kept) => kept.kill()),
    /** Starts a program that ends by itself and waits for it. */
    async run(name, args) {
      const code = await new Promise((resolve) => child(name, args).once('exit', resolve))
      if (code !== 0) throw new Error(`${name} failed; see ${join(data, 'logs', `${name}.log`)}`)
    },
  }
}
