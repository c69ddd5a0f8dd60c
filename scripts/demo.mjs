/** `npm run demo [-- --data FOLDER --port N]`: everything from a fresh machine to an address. */
import { join, resolve } from 'node:path'
import { parseArgs } from 'node:util'
import { tellPictures } from './demo-pictures.mjs'
import { DATA, fail, prepare, say } from './prepare.mjs'

const { data, port } = wanted()
await prepare()
const { buildPrograms, buildWeb } = await import('./build.mjs')
await buildPrograms()
buildWeb()
say('starting PostgreSQL, stand-ins, server and worker; the very first time the demo is filled in')
const { startStack } = await import('./stack.mjs')
const stack = await startStack({ data, first: port, demo: true }).catch((cause) =>
  fail(cause.message),
)
console.log(`\nTidy Reel is at ${stack.address}`)
console.log(`Ctrl-C stops it; logs are in ${join(data, 'logs')}.`)

// Whatever it says is beside the matter when the server is gone.
const looking = new AbortController()
void tellPictures(stack.address, say, looking.signal).catch(() => undefined)

let stopping = false
const stop = async () => {
  if (stopping) {
    stack.kill()
    process.exit(130)
  }
  stopping = true
  looking.abort()
  say('stopping; Ctrl-C once more ends everything at once')
  await stack.stop()
  process.exit(0)
}
process.on('SIGINT', () => void stop()).on('SIGTERM', () => void stop())

function wanted() {
  const usage = 'npm run demo -- --data FOLDER --port N'
  try {
    const { values } = parseArgs({
      options: { data: { type: 'string' }, port: { type: 'string', default: '4300' } },
    })
    const asked = Number(values.port)
    if (!Number.isInteger(asked) || asked < 1 || asked > 65_500)
      fail(`--port cannot be "${values.port}"; it must be a number from 1 to 65500. ${usage}`)
    return { data: resolve(values.data ?? DATA), port: asked }
  } catch (cause) {
    return fail(`${cause.message}\n${usage}`)
  }
}
