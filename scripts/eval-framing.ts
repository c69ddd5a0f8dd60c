/**
 * Prints how often an upright film's crop of a wide picture has its subject's middle inside, on
 * pictures marked by eye; beside it, how often a crop of the middle has.
 */
import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { withStock } from '@tidy-reel/cli/stock-process'
import { bestViewIn } from '@tidy-reel/core/pictures/framing'
import {
  FRAMED_TUNED,
  FRAMED_UNSEEN,
  type FramedPicture,
} from '@tidy-reel/core/test-sets/framing/framed-pictures'
import { engineConfig } from '@tidy-reel/engine/config'
import { pictureLight } from '@tidy-reel/engine/render/picture-light'
import { pictureLibrary } from '@tidy-reel/engine/stock/library'

const FILM = 9 / 16
const config = engineConfig()
const work = await mkdtemp(join(tmpdir(), 'tidy-framing-'))
const { signal } = new AbortController()

async function judge(name: string, marked: readonly FramedPicture[], stock: string) {
  const library = pictureLibrary({ ...config, stock })
  let [inside, plain] = [0, 0]
  const missed: string[] = []
  for (const [id, middle] of marked) {
    const file = join(work, `${id}.jpg`)
    await library.thumbnail(id, file, signal)
    const { aspect, interest } = await pictureLight(work, { id, kind: 'photo' }, file, signal)
    const half = FILM / aspect / 2
    const isIn = (x: number) => Math.abs(Math.min(1 - half, Math.max(half, x)) - middle) < half
    const view = bestViewIn(interest, { aspect, film: FILM }).at(1)
    inside += Number(isIn(view.x))
    plain += Number(isIn(0.5))
    if (!isIn(view.x)) missed.push(id)
  }
  const percent = (n: number) => `${((100 * n) / marked.length).toFixed(1)} %`
  console.log(
    `${name}: ${percent(inside)} of ${marked.length} inside, of the middle's crop ${percent(plain)}`,
  )
  if (missed.length) console.log(`  missed: ${missed.join(', ')}`)
}

try {
  await withStock(config, async (stock) => {
    await judge('tuned', FRAMED_TUNED, stock)
    await judge('unseen', FRAMED_UNSEEN, stock)
  })
} finally {
  await rm(work, { recursive: true, force: true })
}
