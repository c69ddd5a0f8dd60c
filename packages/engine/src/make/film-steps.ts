import { existsSync } from 'node:fs'
import { rename, stat, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import pLimit from 'p-limit'
import { claimRows } from '@tidy-reel/core/checks/claim-rows'
import { claimsOf } from '@tidy-reel/core/checks/claims'
import { musicCredits, musicCues } from '@tidy-reel/core/export/cue-sheet'
import { filmTexts, trackTexts } from '@tidy-reel/core/export/film-files'
import { ffmetadata } from '@tidy-reel/core/export/lists'
import { type FilmLetters, filmLetters } from '@tidy-reel/core/film/film-letters'
import { ledgerOf } from '@tidy-reel/core/film/ledger'
import { musicLevels } from '@tidy-reel/core/film/music/music-wishes'
import { filmShots, pictureInputs } from '@tidy-reel/core/film/shots'
import { filmCues } from '@tidy-reel/core/film/subtitles/film-cues'
import { srt } from '@tidy-reel/core/film/subtitles/write'
import { leftOutRemarks } from '@tidy-reel/core/film/supers/left-out'
import { itemsIn } from '@tidy-reel/core/pictures/inlay'
import type { ChosenItem } from '@tidy-reel/core/pictures/item'
import type { Light } from '@tidy-reel/core/pictures/light'
import { renderPlan, type Segment } from '@tidy-reel/core/render/plan'
import type { FilmReport } from '@tidy-reel/core/render/report'
import { parsedScript } from '@tidy-reel/core/script/parsed-script'
import { soundSamples, type Timeline } from '@tidy-reel/core/timeline/timeline'
import { joinFilm, renderSegments } from '../render/film.ts'
import { fetchFootage, type Footage, type PictureFile } from '../render/footage.ts'
import { pictureLight } from '../render/picture-light.ts'
import { segmentFile } from '../render/segment.ts'
import { type FilmEffects, filmEffects } from '../sound/effects/film-effects.ts'
import { filmSound } from '../sound/film-sound.ts'
import type { Mixdown } from '../sound/mixdown.ts'
import { type PlannedMusic, plannedMusic } from '../sound/music/planned-music.ts'
import { speechPlace, type Take } from '../speech/take.ts'
import { type Spoken, takeAll } from '../speech/take-all.ts'
import { voiceById } from '../speech/voice-list.ts'
import { atlasFor } from './atlas-for.ts'
import { remarksOf, reportOf } from './film-report.ts'
import { takeRequests } from './filmable.ts'
import type { Making } from './making.ts'

/** Step 1: every scene is spoken; one that cannot be does not stop the others. */
export function speakScenes(making: Making): Promise<(Spoken | undefined)[]> {
  const { config, document, film, pronunciations, signal, onProgress } = making
  let done = 0
  return takeAll(speechPlace(config), takeRequests(document, film, pronunciations), {
    signal,
    onSpoken: () => onProgress({ step: 'speak', done: ++done, all: film.scenes.length }),
  })
}

/** The takes there are, one a scene; undefined where nobody speaks. */
export const takesOf = (spoken: readonly (Spoken | undefined)[]): (Take | undefined)[] =>
  spoken.map((s) => (s && 'take' in s ? s.take : undefined))

/** A film's sound, and what it was mixed from. */
export interface MixedSound extends Mixdown {
  effects: FilmEffects
  planned: PlannedMusic
}

/** Step 2, beside the next: voice, bed and sounds mixed to the film's loudness. */
export async function mixSound(
  { document, film, library, place, signal }: Making,
  plan: Timeline,
  takes: readonly (Take | undefined)[],
): Promise<MixedSound> {
  const effects = await filmEffects(place.sounds, { plan, film, library }, signal)
  const planned = await plannedMusic(place, document, film, plan)
  const request = {
    music: planned.music,
    mixing: document.mixing,
    nearer: musicLevels(plan, film),
    scenes: plan.scenes,
    takes,
    samples: soundSamples(plan),
    effects,
  }
  return { ...(await filmSound(place, request, signal)), effects, planned }
}

/** What its pictures are, as often as they are seen. */
const itemsOf = ({ scenes }: Timeline): ChosenItem[] => scenes.flatMap(itemsIn)

/** Step 3: the files of all pictures, as many lines high as the film is. */
export function fetchPictures(making: Making, plan: Timeline): Promise<Footage> {
  const { film, library, onProgress, place, shape, signal } = making
  const items = [...itemsOf(plan), ...(film.sign ? [film.sign.item] : [])]
  const lines = Math.min(shape.width, shape.height)
  return fetchFootage(place.media, library, items, lines, signal, (done, all) =>
    onProgress({ step: 'fetch', done, all }),
  )
}

/** What is to be encoded, and what is written on it. */
export interface PlannedSegments {
  letters: FilmLetters
  segments: Segment[]
  /** Of each segment, the files of its `pictureInputs`; undefined for a card. */
  files: (PictureFile | undefined)[][]
  fetched: ReadonlyMap<string, PictureFile>
  /** How many are there from an earlier film. */
  reused: number
}

/** What is measured of the pictures, by their ids: how light they are, where there is what to see. */
async function lightsOf(
  { place, signal }: Making,
  plan: Timeline,
  files: ReadonlyMap<string, PictureFile>,
): Promise<Map<string, Light>> {
  const limit = pLimit(2)
  const bearing = plan.scenes.flatMap(({ shots }) => itemsIn({ shots }))
  const lights = await Promise.all(
    // What is laid over bears no letters and is not cropped.
    [...new Map(bearing.map((item) => [item.id, item])).values()].map((item) =>
      limit(async () => {
        const file = files.get(item.id)
        return (
          file && ([item.id, await pictureLight(place.lights, item, file.path, signal)] as const)
        )
      }),
    ),
  )
  return new Map(lights.filter((light) => light !== undefined))
}

export async function planSegments(
  making: Making,
  plan: Timeline,
  { files: fetched }: Footage,
): Promise<PlannedSegments> {
  const { film, place, shape } = making
  const usable = ({ id }: ChosenItem) => fetched.has(id)
  const lights = await lightsOf(making, plan, fetched)
  const shots = filmShots(plan, usable, { aspect: shape.width / shape.height, lights })
  const letters = filmLetters(plan, film, shape, {
    atlas: await atlasFor(film),
    pictures: { shots, lights },
  })
  const lettered = { ...letters, lettering: film.lettering }
  const segments = renderPlan(plan, lettered, shape, usable, lights)
  const files = segments.map(({ shots }) =>
    pictureInputs(shots).map(({ source }) =>
      source.kind === 'card' ? undefined : fetched.get(source.item.id),
    ),
  )
  const isThere = (segment: Segment) => existsSync(segmentFile(place.segments, segment))
  return { letters, segments, files, fetched, reused: segments.filter(isThere).length }
}

/** Step 4: the segments that are not there yet. @returns the files of all, in order */
export function encodeSegments(
  { onProgress, place, shape, signal }: Making,
  { segments, files, fetched }: PlannedSegments,
): Promise<string[]> {
  return renderSegments(place, { segments, files, fetched, shape }, signal, (done, all) =>
    onProgress({ step: 'render', done, all }),
  )
}

/** What is spoken, whatever is burnt in. */
const spokenCues = ({ film, shape }: Making, plan: Timeline) => filmCues(plan, film, shape, '')

/** The film in its other languages. */
const trackCues = ({ film, shape }: Making, plan: Timeline) =>
  film.subtitling.tracks.map(({ language }) => ({
    language,
    cues: filmCues(plan, film, shape, language),
  }))

/** Step 5: segments, sound, subtitles and chapters become the film; it appears when it is whole. */
export async function joinParts(
  making: Making,
  plan: Timeline,
  parts: { segments: PlannedSegments; encoded: readonly string[]; mix: Mixdown },
): Promise<void> {
  const { config, document, out, place, shape, signal } = making
  const half = join(out, 'film.part.mp4')
  const { language } = voiceById(speechPlace(config).voices, document.voice)
  const joined = {
    segments: parts.encoded,
    frames: parts.segments.segments.map(({ frames }) => frames),
    fps: shape.fps,
    mix: parts.mix.file,
    subtitles: [
      { srt: srt(spokenCues(making, plan)), language },
      ...trackCues(making, plan).map((track) => ({
        srt: srt(track.cues),
        language: track.language,
      })),
    ],
    metadata: ffmetadata(document.title, plan),
    language,
    burnIn: shape.burnIn,
  }
  await joinFilm(place.work, joined, half, signal)
  signal.throwIfAborted()
  await rename(half, join(out, 'film.mp4'))
}

/** Step 6: everything that is told of the film beside it. */
export async function writeTexts(
  making: Making,
  plan: Timeline,
  made: {
    spoken: readonly (Spoken | undefined)[]
    footage: Footage
    segments: PlannedSegments
    mix: MixedSound
  },
): Promise<FilmReport> {
  const { config, document, film, out, shape, steps } = making
  const { segments, reused, letters } = made.segments
  const report = reportOf(plan, shape, made.mix, steps, {
    segments: segments.length,
    segmentsReused: reused,
    wantedLufs: document.mixing.lufs,
    longestPicture: document.picking.longest,
    languages: film.subtitling.tracks.map(({ language }) => language),
    remarks: [
      ...remarksOf(made.spoken, made.footage.faults, film, making.place.fonts),
      ...leftOutRemarks(letters),
      ...made.mix.effects.remarks,
      ...made.mix.planned.remarks,
    ],
  })
  const voice = voiceById(speechPlace(config).voices, document.voice)
  const claims = claimsOf(document.script, parsedScript(document.script))
  const finished = {
    title: document.title,
    timeline: plan,
    shape,
    cues: spokenCues(making, plan),
    supers: letters.supers,
    lettering: film.lettering,
    ledger: ledgerOf(plan),
    fetched: await fetchedAt(made.footage.files),
    claims: claimRows(claims, document.claims),
    language: voice.language,
    voice: `${voice.name}, synthesized with ${voice.engine}`,
    music: musicCredits(made.mix.planned.music),
    heard: {
      music: musicCues(document.title, made.mix.planned.music),
      cues: made.mix.effects.cues,
    },
    report,
  }
  const texts = [...filmTexts(finished), ...trackTexts(finished, trackCues(making, plan))]
  for (const [name, text] of texts) await writeFile(join(out, name), text)
  return report
}

/** When each picture's file came here, ISO 8601, by its id. */
async function fetchedAt(files: ReadonlyMap<string, PictureFile>): Promise<Map<string, string>> {
  const times = [...files].map(
    async ([id, { path }]) => [id, (await stat(path)).mtime.toISOString()] as const,
  )
  return new Map(await Promise.all(times))
}
