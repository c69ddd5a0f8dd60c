/**
 * `npm run measure:rooms`: how much compressed script and style each room of the client loads at
 * first, in KiB, as it is sent (brotli). Fails where a room loads more script than it may.
 */
import { existsSync, readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { buildWeb } from './build.mjs'
import { ROOT } from './prepare.mjs'

/** A room's first load of script, in KiB. */
const MOST_SCRIPT = 250

const dist = join(ROOT, 'packages/web/dist')
buildWeb()
const parts = JSON.parse(readFileSync(join(dist, 'rooms.json'), 'utf8'))

/** A part and all it imports at once, each once. */
function loaded(name, seen = new Set()) {
  if (seen.has(name)) return seen
  seen.add(name)
  for (const other of parts[name].imports ?? []) loaded(other, seen)
  return seen
}

const kib = (files) =>
  [...new Set(files)].reduce((sum, file) => {
    const packed = join(dist, `${file}.br`)
    return sum + statSync(existsSync(packed) ? packed : join(dist, file)).size
  }, 0) / 1024

const shell = 'src/episode/EpisodeShell.vue'
const rooms = Object.keys(parts).filter((name) => /View$/.test(parts[name].name ?? ''))
for (const room of rooms) {
  const needed = new Set([...loaded('index.html'), ...loaded(room)])
  const name = parts[room].name.replace(/View$/, '')
  const isOfEpisode = !/Episodes|Library|Topics|Nowhere/.test(name)
  if (isOfEpisode) for (const part of loaded(shell)) needed.add(part)
  const script = kib([...needed].map((name) => parts[name].file))
  const style = kib([...needed].flatMap((name) => parts[name].css ?? []))
  console.log(`${name.padEnd(14)} ${script.toFixed(0).padStart(4)} ${style.toFixed(0).padStart(4)}`)
  if (script <= MOST_SCRIPT) continue
  console.log(`${name} loads more than ${MOST_SCRIPT} KiB of script at first.`)
  process.exitCode = 1
}
