import { apply } from '@tidy-reel/core/document/apply'
import { type Document } from '@tidy-reel/core/document/document'
import { filmOf } from '@tidy-reel/core/document/film-scenes'
import { itemAt } from '@tidy-reel/core/faults/certain'
import { TidyError } from '@tidy-reel/core/faults/fault'
import type { FilmShape } from '@tidy-reel/core/render/plan'
import type { Progress } from '@tidy-reel/core/render/progress'
import type { FilmReport } from '@tidy-reel/core/render/report'
import { sceneSeconds } from '@tidy-reel/core/timeline/timeline'
import { type EngineConfig, engineConfig } from '@tidy-reel/engine/config'
import { makeFilm } from '@tidy-reel/engine/make/make-film'
import { onStopSignal } from '@tidy-reel/engine/run/stop-signals'
import type { PictureLibrary } from '@tidy-reel/engine/stock/contract'
import { pictureLibrary } from '@tidy-reel/engine/stock/library'
import { matchDocument, placed } from '@tidy-reel/engine/stock/match-film'
import { askedFilm, type FilmFlags } from './asked-film.ts'
import { filmShape } from './film-shape.ts'
import { outFolder } from './out-folder.ts'
import { withStock } from './stock-process.ts'

export interface MakeFlags extends FilmFlags {
  out: string
  size: string
  fps: string
  burnIn: boolean
}

/**
 * Makes the film of a document, without database or browser; flags win over what a document says.
 */
export async function makeCommand(written: Document, flags: MakeFlags): Promise<FilmReport> {
  const shape = filmShape(flags)
  const config = engineConfig()
  const start = askedFilm(written, flags, config)
  const out = await outFolder(flags.out)
  const stop = new AbortController()
  onStopSignal(() => stop.abort(new TidyError('cancelled')))
  return withStock(config, (address) =>
    run(start, shape, out, {
      config,
      library: pictureLibrary({ ...config, stock: address }),
      signal: stop.signal,
    }),
  )
}

async function run(
  unmatched: Document,
  shape: FilmShape,
  out: string,
  context: { config: EngineConfig; library: PictureLibrary; signal: AbortSignal },
): Promise<FilmReport> {
  const started = performance.now()
  const film = filmOf(unmatched)
  const seconds = sceneSeconds(film.scenes, film.speed)
  const { picks, faults } = await matchDocument(unmatched, film, context.library, {
    shape,
    seconds,
    signal: context.signal,
  })
  for (const { message } of faults) process.stderr.write(`${message}\n`)
  const matched = (performance.now() - started) / 1000
  const scenes = film.scenes.flatMap(({ shots, card }, i) =>
    card !== undefined || shots.length ? [] : [placed(film, i, itemAt(picks, i))],
  )
  const { document } = apply(unmatched, { type: 'placeShots', scenes })
  const report = await makeFilm(document, shape, out, {
    ...context,
    matchSeconds: matched,
    onProgress: tell(),
  })
  for (const remark of report.remarks) process.stderr.write(`${remark}\n`)
  return report
}

/** One line a step, renewed at each tenth. */
function tell() {
  let last = ''
  return ({ step, done, all }: Progress) => {
    const line = `${step} ${Math.floor((done / Math.max(1, all)) * 10) * 10} %`
    if (line !== last) process.stderr.write(`${line}\n`)
    last = line
  }
}
