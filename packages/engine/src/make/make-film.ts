import { mkdir, rm } from 'node:fs/promises'
import { join } from 'node:path'
import type { Document } from '@tidy-reel/core/document/document'
import type { FilmShape } from '@tidy-reel/core/render/plan'
import type { Step } from '@tidy-reel/core/render/progress'
import type { FilmReport } from '@tidy-reel/core/render/report'
import { timeline } from '@tidy-reel/core/timeline/timeline'
import { folders } from '../config.ts'
import { fontsFolder } from '../render/fonts.ts'
import { checkMade, reportChecked } from './check-made.ts'
import {
  encodeSegments,
  fetchPictures,
  joinParts,
  mixSound,
  planSegments,
  speakScenes,
  takesOf,
  writeTexts,
} from './film-steps.ts'
import { filmable } from './filmable.ts'
import { type MakeContext, type Making, workName } from './making.ts'

/**
 * Makes the film of a document: every file of it, in `out`.
 *
 * Takes, beds, pictures and segments that are there already are used again; a killed run goes on
 * where it was. What its check finds wrong is told in the report and does not stop it.
 *
 * @throws TidyError what `filmable` and its steps throw, `cancelled` among it
 */
export async function makeFilm(
  document: Document,
  shape: FilmShape,
  out: string,
  context: MakeContext,
): Promise<FilmReport> {
  const failed = new AbortController()
  const signal = AbortSignal.any([context.signal, failed.signal])
  const making = begun(document, shape, out, { ...context, signal })
  const { work, fonts } = making.place
  await Promise.all([mkdir(work, { recursive: true }), mkdir(out, { recursive: true })])
  await fontsFolder(fonts)
  let mixing: Promise<unknown> | undefined
  try {
    const spoken = await timed(making, 'speak', () => speakScenes(making))
    const takes = takesOf(spoken)
    const plan = timeline(making.film, takes, shape.fps)
    const sound = timed(making, 'mix', () => mixSound(making, plan, takes))
    mixing = sound.catch(() => undefined)
    const footage = await timed(making, 'fetch', () => fetchPictures(making, plan))
    const segments = await planSegments(making, plan, footage)
    const encoded = await timed(making, 'render', () => encodeSegments(making, segments))
    const mix = await sound
    await timed(making, 'join', () => joinParts(making, plan, { segments, encoded, mix }))
    const report = await writeTexts(making, plan, { spoken, footage, segments, mix })
    const check = await timed(making, 'check', () => checkMade(making, segments, encoded))
    return await reportChecked(making, report, check)
  } finally {
    // Mixing runs beside the other steps: when one of them failed it is stopped before its folder
    // goes.
    failed.abort()
    await mixing
    await rm(work, { recursive: true, force: true })
  }
}

function begun(document: Document, shape: FilmShape, out: string, context: MakeContext): Making {
  const place = folders(context.config)
  const { matchSeconds } = context
  return {
    ...context,
    document,
    film: filmable(document),
    shape,
    out,
    place: { ...place, work: join(place.work, workName()) },
    steps: matchSeconds === undefined ? {} : { match: thousandths(matchSeconds) },
  }
}

const thousandths = (n: number) => Math.round(n * 1000) / 1000

/** Runs a step, tells that it has begun and notes how long it took. */
async function timed<T>(making: Making, step: Step, run: () => Promise<T>): Promise<T> {
  const start = performance.now()
  making.onProgress({ step, done: 0, all: 1 })
  const result = await run()
  making.steps[step] = thousandths((performance.now() - start) / 1000)
  return result
}
