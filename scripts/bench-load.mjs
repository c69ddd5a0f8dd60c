/**
 * `npm run bench:load`: how long an edit waits while fifty others read the same episode, and while
 * a film is made beside it. Prints middle and 95 % in milliseconds, and each against the edit alone
 * in the same run.
 */
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { buildPrograms, buildWeb } from './build.mjs'
import { ROOT } from './prepare.mjs'
import { startStack } from './stack.mjs'

const READERS = 50
/** A tab that shows an episode asks again when something of it has changed, not all the time. */
const READ_AGAIN_MS = 1000
const EDITS = 40
const SCENES = 300

const pause = (ms) => new Promise((resolve) => setTimeout(resolve, ms))
await buildPrograms()
buildWeb()
const data = mkdtempSync(join(tmpdir(), 'tidy-load-'))
const stack = await startStack({ data, first: 4700, demo: false })
const ask = async (method, path, body) => {
  const answer = await fetch(`${stack.address}/api${path}`, {
    method,
    headers: body === undefined ? {} : { 'content-type': 'application/json' },
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  })
  if (!answer.ok) throw new Error(`${method} ${path}: ${answer.status} ${await answer.text()}`)
  return answer.status === 202 || answer.status === 204 ? undefined : answer.json()
}

const sentences = ['lighthouse', 'tides', 'canal-lock']
  .flatMap((name) => readFileSync(join(ROOT, 'demo', `${name}.txt`), 'utf8').split(/(?<=\.)\s+/))
  .filter((text) => /^[A-Z]/.test(text) && !text.includes('['))
const script = Array.from({ length: SCENES }, (_, i) => sentences[i % sentences.length]).join(' ')

async function edits(id) {
  const times = []
  for (let n = 0; n < EDITS; n++) {
    const began = performance.now()
    await ask('POST', `/episodes/${id}/commands`, {
      revision: 1,
      command: { type: 'setTitle', title: `Title ${n}` },
    })
    times.push(performance.now() - began)
    await pause(50)
  }
  return times.sort((a, b) => a - b)
}

const at = (times, share) => times[Math.min(times.length - 1, Math.floor(times.length * share))]

try {
  const { id } = await ask('POST', '/episodes', { title: 'Load', script })
  await ask('POST', `/episodes/${id}/prepare`)
  for (let n = 0; n < 120; n++) {
    const { takes } = await ask('GET', `/episodes/${id}`)
    if (Object.keys(takes).length >= SCENES / 2) break
    await pause(1000)
  }
  const size = JSON.stringify(await ask('GET', `/episodes/${id}`)).length
  console.log(`an episode of ${SCENES} scenes, ${Math.round(size / 1024)} KB as JSON`)
  await edits(id)
  const alone = await edits(id)
  let reading = true
  const readers = Array.from({ length: READERS }, async (_, n) => {
    await pause((n * READ_AGAIN_MS) / READERS)
    while (reading) {
      await ask('GET', `/episodes/${id}`)
      await pause(READ_AGAIN_MS)
    }
  })
  const read = await edits(id)
  await ask('POST', `/episodes/${id}/renders`, {
    width: 640,
    height: 360,
    fps: [30, 1],
    burnIn: true,
  })
  await pause(4000)
  const rendered = await edits(id)
  reading = false
  await Promise.all(readers)
  for (const [name, times] of [
    ['alone', alone],
    [`with ${READERS} readers`, read],
    ['and a film being made', rendered],
  ])
    console.log(
      `${name.padEnd(24)} middle ${at(times, 0.5).toFixed(0)} ms (${(at(times, 0.5) / at(alone, 0.5)).toFixed(1)} ×)  ` +
        `95 % ${at(times, 0.95).toFixed(0)} ms (${(at(times, 0.95) / at(alone, 0.95)).toFixed(1)} ×)`,
    )
} finally {
  await stack.stop()
  rmSync(data, { recursive: true, force: true })
}
