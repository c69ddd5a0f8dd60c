/** How far the pictures of the demo's films are: they are drawn while a person looks round. */
import { setTimeout as wait } from 'node:timers/promises'

const ASK_AGAIN_MS = 5000
/** Without one more picture in this time, nobody waits for the others. */
const SILENT_MS = 120_000

/**
 * Says how many pictures are still to come, when they will be there, and when they are.
 *
 * @param address of the server
 * @param say     prints a line
 */
export async function tellPictures(address, say, signal) {
  const first = await missing(address)
  if (first === 0) return
  say(`its films play already; ${first} of their pictures are still being drawn`)
  const begun = Date.now()
  let [least, since, isTold] = [first, begun, false]
  while (Date.now() - since < SILENT_MS) {
    await wait(ASK_AGAIN_MS, undefined, { signal, ref: false })
    const left = await missing(address)
    if (left === 0) return say('all pictures of its films are there')
    if (left < least) [least, since] = [left, Date.now()]
    const done = first - left
    if (!isTold && done >= 5) {
      isTold = true
      const minutes = ((Date.now() - begun) / done) * (left / 60_000)
      say(`the last of them will be there in about ${Math.max(1, Math.round(minutes))} min`)
    }
  }
}

/** Pictures that films show and that the monitor cannot jump in yet. */
async function missing(address) {
  const { episodes } = await answer(`${address}/api/episodes`)
  const counts = await Promise.all(
    episodes.map(async ({ id }) => {
      const { document, proxies } = await answer(`${address}/api/episodes/${id}`)
      const there = new Set(proxies)
      const shown = document.scenes.flatMap(({ shots }) =>
        shots.flatMap(({ item }) => item?.id ?? []),
      )
      return [...new Set(shown)].filter((picture) => !there.has(picture)).length
    }),
  )
  return counts.reduce((sum, count) => sum + count, 0)
}

const answer = async (address) => (await fetch(address)).json()
