/** `npm run demo`: everything from a fresh machine to an address in the browser. */
import { execFileSync } from 'node:child_process'
import { join } from 'node:path'
import { DATA, prepare, ROOT, say } from './prepare.mjs'

await prepare()
const { startStack } = await import('./stack.mjs')
const { webIsBuilt } = await import('./web-build.mjs')
if (!webIsBuilt()) {
  say('building the web client')
  execFileSync('npm', ['run', '--silent', 'build:web'], { cwd: ROOT, stdio: 'inherit' })
}
say('starting PostgreSQL, stock stand-in, server and worker')
const stack = await startStack({ data: DATA, first: 4300, demo: true })
console.log(
  `\nTidy Reel is at ${stack.address}\nCtrl-C stops it; logs are in ${join(DATA, 'logs')}.`,
)

let stopping = false
const stop = async () => {
  if (stopping) return
  stopping = true
  say('stopping')
  await stack.stop()
  process.exit(0)
}
process.on('SIGINT', () => void stop()).on('SIGTERM', () => void stop())
