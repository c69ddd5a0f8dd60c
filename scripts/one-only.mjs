/** A folder of data belongs to one running Tidy Reel at a time. */
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'

/** When a process began, in clock ticks since the machine did; a number is given out again. */
function beganAt(pid) {
  try {
    return readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1]?.split(' ')[19]
  } catch {
    return undefined
  }
}

/**
 * Takes the folder for this process.
 *
 * @returns lets it go
 * @throws Error with a sentence when another one has it
 */
export function takeFolder(data) {
  const file = join(data, 'running.json')
  if (existsSync(file)) {
    const { pid, began, address } = readOr({}, file)
    if (pid !== process.pid && began !== undefined && beganAt(pid) === began)
      throw new Error(
        `Tidy Reel is running with this folder already${address ? `, at ${address}` : ''}. ` +
          'Use that one, stop it first, or give another folder with --data.',
      )
  }
  const own = { pid: process.pid, began: beganAt(process.pid) }
  const keep = (facts) => writeFileSync(file, JSON.stringify({ ...own, ...facts }), { mode: 0o600 })
  keep({})
  return { tell: (address) => keep({ address }), letGo: () => rmSync(file, { force: true }) }
}

function readOr(otherwise, file) {
  try {
    return JSON.parse(readFileSync(file, 'utf8'))
  } catch {
    return otherwise
  }
}
