/**
 * `node scripts/storm.mjs [kills]`: parts of the running product are killed at random while edits,
 * preparations and renders go on. Afterwards everything that was accepted must be there and
 * everything that was asked for done, without anybody asking again. Used by the browser tests with
 * few kills, by `npm run bench:storm` with fifty.
 */
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { startStack } from './stack.mjs'

const PARTS = ['server', 'worker', 'stock', 'prints', 'postgres']
const SHAPE = { width: 320, height: 180, fps: [12, 1], burnIn: false }
const PATIENCE_MS = 120_000
const TRIES = 200

const pause = (ms) => new Promise((resolve) => setTimeout(resolve, ms))

/** The same storm for the same seed (mulberry32, public domain). */
function dice(seed) {
  let state = seed
  return () => {
    state = (state + 0x6d2b79f5) | 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32
  }
}

/**
 * @param kills how many processes are ended (SIGKILL), one after the other
 * @returns what was lost or left undone, in words; none when all is well
 */
export async function storm({ kills, seed = 1, first = 4800, say = () => undefined }) {
  const data = mkdtempSync(join(tmpdir(), 'tidy-storm-'))
  const stack = await startStack({ data, first, demo: false })
  const random = dice(seed)
  const oneOf = (list) => list[Math.floor(random() * list.length)]

  /** As a browser does: the same under one key until it is answered, a server that is away or not. */
  async function ask(method, path, body) {
    let last = ''
    for (let n = 0; n < TRIES; n++) {
      const answer = await fetch(`${stack.address}/api${path}`, {
        method,
        signal: AbortSignal.timeout(20_000),
        ...(body === undefined
          ? {}
          : { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
      }).catch((cause) => ({ ok: false, status: 0, text: async () => String(cause) }))
      if (answer.ok)
        return answer.status === 202 || answer.status === 204 ? undefined : answer.json()
      last = `${method} ${path}: ${answer.status} ${(await answer.text()).slice(0, 200)}`
      if (answer.status >= 400 && answer.status < 500 && answer.status !== 429) break
      await pause(150)
    }
    throw new Error(last)
  }

  try {
    const { id } = await ask('POST', '/episodes', {
      title: 'Storm',
      script: 'The lamp burns. The sea is calm. A ship sees the light.',
    })
    await ask('POST', `/episodes/${id}/prepare`)
    const accepted = []
    const killed = new Map()
    let storming = true
    const editing = (async () => {
      for (let n = 0; storming; n++) {
        const title = `Edit ${n}`
        await ask('POST', `/episodes/${id}/commands`, {
          revision: 1,
          key: `storm-${seed}-${n}`,
          command: { type: 'setTitle', title },
        })
        accepted.push(title)
        if (n % 10 === 3)
          await ask('POST', `/episodes/${id}/commands`, {
            revision: 1,
            key: `storm-${seed}-script-${n}`,
            command: {
              type: 'insertScenes',
              place: 'end',
              scenes: [{ script: `Wave number ${n} breaks.`, speaker: '', shots: [] }],
            },
          })
        if (n % 20 === 5) await ask('POST', `/episodes/${id}/prepare`)
        await pause(250)
      }
    })()
    const renders = []
    for (let n = 0; n < kills; n++) {
      if (n % 5 === 0)
        renders.push(
          await ask('POST', `/episodes/${id}/renders`, {
            ...SHAPE,
            height: 180 + 2 * renders.length,
          }).catch(() => undefined),
        )
      await pause(300 + random() * 1200)
      const part = oneOf(PARTS)
      const pid = part === 'postgres' ? stack.database.pid() : stack.pid(part)
      killed.set(part, (killed.get(part) ?? 0) + 1)
      say(`${n + 1}: ${part} (${pid})`)
      try {
        process.kill(pid, 'SIGKILL')
      } catch {
        say('   it was down already')
      }
    }
    storming = false
    await editing
    return { killed: Object.fromEntries(killed), faults: await leftUndone(id) }

    async function leftUndone(episode) {
      const faults = []
      const end = Date.now() + PATIENCE_MS
      const wanted = renders.flatMap((render) => render?.id ?? [])
      let view
      for (;;) {
        view = await ask('GET', `/episodes/${episode}`)
        const open = view.renders.filter(({ state }) => state === 'queued' || state === 'running')
        const silent = view.document.scenes.filter(({ id: scene }) => !view.takes[scene])
        if ((!open.length && !silent.length) || Date.now() > end) break
        await pause(1000)
      }
      for (const id of wanted) {
        const state = view.renders.find((render) => render.id === id)?.state ?? 'gone'
        if (state !== 'done') faults.push(`a film that was asked for is ${state}`)
      }
      for (const { id: scene, text } of view.document.scenes)
        if (!view.takes[scene]) faults.push(`"${text}" was never spoken`)
      if (view.document.title !== accepted.at(-1))
        faults.push(`the title is "${view.document.title}", accepted was "${accepted.at(-1)}"`)
      const waves = accepted.filter((_, n) => n % 10 === 3).length
      const kept = view.document.scenes.filter(({ text }) => text.startsWith('Wave number')).length
      if (kept !== waves) faults.push(`${waves} scenes were put in, ${kept} are there`)
      return faults
    }
  } finally {
    await stack.stop()
    rmSync(data, { recursive: true, force: true })
  }
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const { prepare } = await import('./prepare.mjs')
  const { buildPrograms, buildWeb } = await import('./build.mjs')
  await prepare()
  await buildPrograms()
  buildWeb()
  const kills = Number(process.argv[2] ?? 50)
  const { killed, faults } = await storm({ kills, say: console.log })
  console.log(`${kills} kills: ${JSON.stringify(killed)}`)
  for (const fault of faults) console.error(fault)
  console.log(faults.length ? `${faults.length} faults` : 'nothing lost, everything done')
  process.exit(faults.length ? 1 : 0)
}
