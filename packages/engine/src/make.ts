import { existsSync } from 'node:fs'
import { mkdir, rename, rm, stat, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { claimList } from '@tidy-reel/core/checks/claim-list'
import { claimsOf } from '@tidy-reel/core/checks/claims'
import type { Document } from '@tidy-reel/core/document/document'
import { type Film, filmOf } from '@tidy-reel/core/document/film-scenes'
import { ledgerCsv } from '@tidy-reel/core/export/ledger-list'
import { chapterList, creditsText, ffmetadata, shotsCsv } from '@tidy-reel/core/export/lists'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { ledgerOf } from '@tidy-reel/core/film/ledger'
import { pictureRuns } from '@tidy-reel/core/film/shots'
import { filmCues } from '@tidy-reel/core/film/subtitles/film-cues'
import { srt, vtt } from '@tidy-reel/core/film/subtitles/write'
import { assDocument } from '@tidy-reel/core/film/supers/ass'
import { filmSupers } from '@tidy-reel/core/film/supers/supers'
import { type FilmShape, renderPlan } from '@tidy-reel/core/render/plan'
import type { Progress, Step } from '@tidy-reel/core/render/progress'
import type { FilmReport } from '@tidy-reel/core/render/report'
import { parsedScript } from '@tidy-reel/core/script/parsed-script'
import { takeRequester } from '@tidy-reel/core/speech/take-request'
import type { Pronunciation } from '@tidy-reel/core/text/pronunciation'
import { soundSamples, type Timeline, timeline } from '@tidy-reel/core/timeline/timeline'
import { type EngineConfig, folders } from './config.ts'
import { joinFilm, renderSegments } from './render/film.ts'
import { fontsFolder } from './render/fonts.ts'
import { fetchFootage, type PictureFile } from './render/footage.ts'
import { segmentFile } from './render/segment.ts'
import { filmSound } from './sound/film-sound.ts'
import type { Mixdown } from './sound/mixdown.ts'
import { speechPlace } from './speech/take.ts'
import { type Part, type Spoken, takeAll } from './speech/take-all.ts'
import { voiceById } from './speech/voice-list.ts'
import type { PictureLibrary } from './stock/contract.ts'

/** The longest film: past that, a person is told to part the script. */
export const FILM_MINUTES_LIMIT = 60

export interface MakeContext {
  config: EngineConfig
  library: PictureLibrary
  signal: AbortSignal
  onProgress: (progress: Progress) => void
  /** How the channel says words. */
  pronunciations?: readonly Pronunciation[]
  /** Seconds that matching took before, for the report. */
  matchSeconds?: number
}

/**
 * The film of a document that can be made.
 *
 * @throws TidyError `script_empty`, `script_nothing_spoken`, `scenes_all_hidden`, `script_too_long` when it makes none
 */
export function filmable(document: Document): Film {
  const film = filmOf(document)
  if (!document.script.trim()) throw new TidyError('script_empty')
  if (document.scenes.length === 0) throw new TidyError('script_nothing_spoken')
  if (document.scenes.every(({ hidden }) => hidden)) throw new TidyError('scenes_all_hidden')
  const minutes = Math.round(
    film.scenes.reduce((sum, { estimatedSeconds }) => sum + estimatedSeconds, 0) / 60,
  )
  if (minutes > FILM_MINUTES_LIMIT)
    throw new TidyError('script_too_long', { minutes, limitMinutes: FILM_MINUTES_LIMIT })
  return film
}

/**
 * What is to be spoken, one a scene of the film; undefined for a card, which nobody speaks.
 *
 * @param channel its pronunciations, under those of the document
 */
export function takeRequests(
  document: Pick<Document, 'voice' | 'speed' | 'speaking'>,
  { scenes }: Film,
  channel: readonly Pronunciation[] = [],
): (Part | undefined)[] {
  const requestOf = takeRequester(document, channel)
  const { understudy } = document.speaking
  return scenes.map((scene) =>
    scene.card === undefined
      ? { ...requestOf(scene), ...(understudy ? { understudy } : {}) }
      : undefined,
  )
}

/**
 * Makes the film of a document: every file of it, in `out`.
 *
 * Takes, beds, pictures and segments that are there already are used again; a killed run goes on where it was.
 */
export async function makeFilm(
  document: Document,
  shape: FilmShape,
  out: string,
  context: MakeContext,
): Promise<FilmReport> {
  const { config, onProgress } = context
  const failed = new AbortController()
  const signal = AbortSignal.any([context.signal, failed.signal])
  const film = filmable(document)
  const place = folders(config)
  const work = join(place.work, `${process.pid}-${Math.random().toString(36).slice(2, 8)}`)
  const steps: FilmReport['steps'] =
    context.matchSeconds === undefined
      ? {}
      : { match: Math.round(context.matchSeconds * 1000) / 1000 }
  const timed = async <T>(step: Step, run: () => Promise<T>): Promise<T> => {
    const start = performance.now()
    onProgress({ step, done: 0, all: 1 })
    const result = await run()
    steps[step] = Math.round(performance.now() - start) / 1000
    return result
  }
  let mixing: Promise<Mixdown> | undefined
  await Promise.all([
    mkdir(work, { recursive: true }),
    mkdir(out, { recursive: true }),
    fontsFolder(place.fonts),
  ])
  try {
    const spoken = await timed('speak', () => speak(document, film, context))
    const takes = spoken.map((s) => (s && 'take' in s ? s.take : undefined))
    const plan = timeline(film, takes, shape.fps)
    const items = plan.scenes.flatMap((scene) =>
      scene.shots.flatMap(({ item }) => (item ? [item] : [])),
    )
    const sound = (mixing = timed('mix', () =>
      filmSound(
        { ...place, work },
        {
          mood: document.mood,
          seed: document.title,
          scenes: plan.scenes,
          takes,
          samples: soundSamples(plan),
        },
        signal,
      ),
    ))
    sound.catch(() => undefined)
    const footage = await timed('fetch', () =>
      fetchFootage(
        place.media,
        context.library,
        items,
        Math.min(shape.width, shape.height),
        signal,
        (done, all) => onProgress({ step: 'fetch', done, all }),
      ),
    )
    const cues = filmCues(plan, shape.width, shape.height)
    const supers = filmSupers(plan, film)
    const segments = renderPlan(plan, { cues, supers }, shape, (item) => footage.files.has(item.id))
    const files = segments.map((segment) =>
      pictureRuns(segment.shots).map(({ source }) =>
        source.kind === 'card' ? undefined : footage.files.get(source.item.id),
      ),
    )
    const reused = segments.filter((segment) =>
      existsSync(segmentFile(place.segments, segment)),
    ).length
    const rendered = await timed('render', () =>
      renderSegments(
        { segments: place.segments, work, fonts: place.fonts },
        { segments, files, shape },
        signal,
        (done, all) => onProgress({ step: 'render', done, all }),
      ),
    )
    const mixed = await sound
    const srtText = srt(cues)
    const half = join(out, 'film.part.mp4')
    await timed('join', () =>
      joinFilm(
        work,
        {
          segments: rendered,
          mix: mixed.file,
          srt: srtText,
          metadata: ffmetadata(document.title, plan),
          seconds: (plan.frames * shape.fps[1]) / shape.fps[0],
        },
        half,
        signal,
      ),
    )
    signal.throwIfAborted()
    await rename(half, join(out, 'film.mp4'))
    const report = reportOf(plan, shape, mixed, steps, {
      segments: segments.length,
      segmentsReused: reused,
      remarks: remarksOf(spoken, footage.faults, film),
    })
    const voice = voiceById(speechPlace(config).voices, document.voice)
    const ledger = ledgerOf(plan)
    const fetched = await fetchedAt(footage.files)
    const texts: Record<string, string> = {
      'film.srt': srtText,
      'film.vtt': vtt(cues),
      'film.ass': assDocument({ ...shape, cues, supers }),
      'shots.csv': shotsCsv(plan),
      'claims.csv': claimList(
        claimsOf(document.script, parsedScript(document.script)),
        document.claims,
      ),
      'credits.txt': creditsText(
        document.title,
        ledger.map(({ credit }) => credit),
        `${voice.name}, synthesized with ${voice.engine}`,
        document.mood === 'none' ? 'none' : 'made for this film with MMA and FluidSynth',
      ),
      'ledger.csv': ledgerCsv(ledger, fetched),
      'chapters.txt': chapterList(plan),
      'report.json': `${JSON.stringify(report, null, 2)}\n`,
    }
    for (const [name, text] of Object.entries(texts)) await writeFile(join(out, name), text)
    return report
  } finally {
    // Mixing runs beside the other steps: when one of them failed it is stopped before its folder goes.
    failed.abort()
    await mixing?.catch(() => undefined)
    await rm(work, { recursive: true, force: true })
  }
}

/** When each picture's file came here, ISO 8601, by its id. */
async function fetchedAt(files: ReadonlyMap<string, PictureFile>): Promise<Map<string, string>> {
  return new Map(
    await Promise.all(
      [...files].map(
        async ([id, { path }]) => [id, (await stat(path)).mtime.toISOString()] as const,
      ),
    ),
  )
}

function speak(
  document: Document,
  film: Film,
  { config, pronunciations, signal, onProgress }: MakeContext,
): Promise<(Spoken | undefined)[]> {
  let done = 0
  return takeAll(speechPlace(config), takeRequests(document, film, pronunciations), {
    signal,
    onSpoken: () => onProgress({ step: 'speak', done: ++done, all: film.scenes.length }),
  })
}

function remarksOf(
  spoken: readonly (Spoken | undefined)[],
  faults: readonly { fault: TidyError }[],
  { remarks }: Film,
): string[] {
  return [...remarks, ...silentScenes(spoken), ...new Set(faults.map(({ fault }) => fault.message))]
}

/** Which scenes nobody speaks, or another voice than theirs, and why, in words. */
export const silentScenes = (spoken: readonly (Spoken | undefined)[]): string[] =>
  spoken.flatMap((s, i) => {
    if (s && 'fault' in s) return [`Scene ${i + 1} is silent: ${s.fault.message}`]
    return s?.instead
      ? [`Scene ${i + 1} is spoken by the voice that stands in: ${s.instead.message}`]
      : []
  })

function reportOf(
  film: Timeline,
  shape: FilmShape,
  mixed: Mixdown,
  steps: FilmReport['steps'],
  rest: Pick<FilmReport, 'segments' | 'segmentsReused' | 'remarks'>,
): FilmReport {
  const two = (n: number) => Math.round(n * 100) / 100
  return {
    steps,
    seconds: two((film.frames * shape.fps[1]) / shape.fps[0]),
    frames: film.frames,
    fps: shape.fps.join('/'),
    size: `${shape.width}x${shape.height}`,
    scenes: film.scenes.length,
    lufs: mixed.lufs,
    truePeak: mixed.truePeak,
    speechLufs: mixed.speechLufs,
    bedBelowSpeech: mixed.bedBelowSpeech === null ? null : two(mixed.bedBelowSpeech),
    ...rest,
  }
}
