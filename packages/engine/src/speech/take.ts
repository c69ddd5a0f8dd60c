import { existsSync } from 'node:fs'
import { readFile, rm, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { z } from 'zod'
import type { Emphasis, Finish } from '@tidy-reel/core/document/voicing'
import { itemAt, lastOf } from '@tidy-reel/core/faults/certain'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { limited } from '@tidy-reel/core/film/sound/limiter'
import { integratedLoudness } from '@tidy-reel/core/film/sound/loudness'
import { TAKE_LUFS } from '@tidy-reel/core/film/sound/mix'
import { estimateSeconds } from '@tidy-reel/core/script/estimate'
import { foreignLanguage } from '@tidy-reel/core/speech/language'
import { speechLevels } from '@tidy-reel/core/speech/levels'
import { leastSilences } from '@tidy-reel/core/speech/mark-pauses'
import { type Span, spansOf, writtenSpans } from '@tidy-reel/core/speech/marks'
import { paced } from '@tidy-reel/core/speech/pauses'
import { silences } from '@tidy-reel/core/speech/silence'
import type { TakeRequest } from '@tidy-reel/core/speech/take-request'
import { defined } from '@tidy-reel/core/text/defined'
import { pronunciationsIn } from '@tidy-reel/core/text/pronunciation'
import { spokenForm } from '@tidy-reel/core/text/spoken'
import type { SpokenForm } from '@tidy-reel/core/text/spoken-form'
import { wordsOf } from '@tidy-reel/core/text/written-words'
import { SAMPLE_RATE } from '@tidy-reel/core/time/time'
import { TAKE_EDGE, type TakeFacts } from '@tidy-reel/core/timeline/timeline'
import { type EngineConfig, folders } from '../config.ts'
import { runProgram } from '../run/program.ts'
import { int16, wavHead } from '../sound/wav.ts'
import { contentHash, keptFile } from '../storage/kept-file.ts'
import { keptJson } from '../storage/kept-json.ts'
import type { SpeechOrder } from './contract.ts'
import { knowsPace } from './engines.ts'
import { finishFilters, FINISHING } from './finishing.ts'
import { isRecorded, type RawTake, rawTake, recordedRaw } from './raw-take.ts'
import { voiceById, type VoiceList, voiceList } from './voice-list.ts'
import { learnPace } from './voice-measures.ts'
import { foreignVoice, type Voice } from './voices.ts'

export interface Take extends TakeFacts {
  hash: string
  /** 48 kHz mono WAV, trimmed and levelled. */
  file: string
}

/** Where takes are kept, and the voices there are. */
export interface SpeechPlace {
  takes: string
  voices: VoiceList
}

export const speechPlace = (config: EngineConfig): SpeechPlace => ({
  takes: folders(config).takes,
  voices: voiceList(config.data),
})

/** Highest sample of a take, 0 to 1: 3 dB are left for the mix. */
const HIGHEST_PEAK = 0.7
/**
 * An engine that knows no letter of a text says nothing at about −52 dB; a voice peaks above −10.
 */
const SILENT_PEAK = 0.02
/** What an emphasis does to pace, melody and level (dB), by ear. */
const WEIGHTS: Record<Emphasis, { stretch: number; melody: number; db: number }> = {
  soft: { stretch: 1.02, melody: 0.7, db: -1.5 },
  plain: { stretch: 1, melody: 1, db: 0 },
  strong: { stretch: 1.06, melody: 1.4, db: 1.5 },
}

/** A request with all that follows from it. */
interface Planned {
  voice: Voice
  form: SpokenForm
  order: SpeechOrder
  /** By the estimate, at the pace asked for. */
  expectedSeconds: number
  tempo: number
  finish: Finish
  pauses: number
  tighten: number | undefined
  gainDb: number
  /** The name of a recording that is to be finished. */
  recorded: string | undefined
  hash: string
}

function planned({ takes, voices }: SpeechPlace, request: TakeRequest): Planned {
  const {
    text,
    speed,
    finish = 'documentary',
    emphasis = 'plain',
    pauses = 1,
    tighten,
    pronunciations = [],
  } = request
  const asked = voiceById(voices, request.voice)
  const foreign = foreignLanguage(text, asked.language)
  const voice = foreign ? foreignVoice(foreign) : asked
  const form = spokenForm(text, {
    language: voice.language,
    pronunciations: pronunciationsIn(text, pronunciations),
  })
  const weight = WEIGHTS[emphasis]
  const stretch = (voice.slower / speed) * weight.stretch
  const paced = knowsPace(voice)
  const order = { text: form.text, stretch: paced ? stretch : 1, melody: weight.melody }
  const tempo = paced ? 1 : 1 / (stretch * (voice.shift ?? 1))
  const own = voices.own.get(voice.id)
  const recorded = request.take && isRecorded(takes, request.take) ? request.take : undefined
  const finishing = {
    FINISHING,
    finish,
    pauses,
    gainDb: weight.db,
    ...(tighten === undefined ? {} : { tighten }),
  }
  const hash = recorded
    ? contentHash({ ...finishing, recorded })
    : (request.take ?? contentHash({ ...finishing, voice: own ?? voice.id, order, tempo }))
  const expectedSeconds = (estimateSeconds(form.text) / speed) * weight.stretch
  return {
    voice,
    form,
    order,
    expectedSeconds,
    tempo: recorded ? 1 : tempo,
    finish,
    pauses,
    tighten,
    gainDb: weight.db,
    recorded,
    hash,
  }
}

export const takeHash = (place: SpeechPlace, request: TakeRequest) => planned(place, request).hash

/** What a voice would be given for a text. */
export const spokenBy = (place: SpeechPlace, request: TakeRequest): SpokenForm =>
  planned(place, request).form

const Span = z.tuple([z.number(), z.number()])

/** What is kept of a take beside its sound; all times in samples. */
const KeptFacts = z.object({
  samples: z.number(),
  pauses: z.array(Span),
  noises: z.object({ breaths: z.number(), fillers: z.number() }).optional(),
  saved: z.number().optional(),
  levels: z.string().optional(),
  /** What was said and where; left out where nobody knows. */
  said: z.array(z.object({ text: z.string(), start: z.number(), end: z.number() })).optional(),
})
type KeptFacts = z.infer<typeof KeptFacts>

/**
 * The take of a sentence: spoken when it is not there yet, finished, brought to the level of all
 * takes, silence at its ends cut to `TAKE_EDGE`.
 *
 * @throws TidyError `voice_silent` when the engine made no sound, `take_gone` when the chosen one
 *   is not there any more, `voice_failed`, and what `runProgram` throws
 */
export async function takeOf(
  place: SpeechPlace,
  request: TakeRequest,
  signal?: AbortSignal,
): Promise<Take> {
  const plan = planned(place, request)
  const file = join(place.takes, `${plan.hash}.wav`)
  if (request.take && !plan.recorded && !existsSync(file))
    throw new TidyError('take_gone', { text: request.text.slice(0, 60) })
  const facts = await keptFile(join(place.takes, `${plan.hash}.json`), async (half) => {
    if (!/[\p{L}\p{N}]/u.test(plan.form.text))
      throw new TidyError('voice_silent', {
        voice: plan.voice.name,
        text: request.text.slice(0, 60),
      })
    const raw = plan.recorded
      ? await recordedRaw(place.takes, plan.recorded)
      : await rawTake(place, plan.voice, plan.order, signal)
    const { pcm, ...kept } = finished(await filtered(raw, plan, signal), raw, plan)
    if (pcm.length < SAMPLE_RATE * 0.05) {
      if (!plan.recorded) await rm(raw.file, { force: true })
      throw new TidyError('voice_silent', {
        voice: plan.voice.name,
        text: request.text.slice(0, 60),
      })
    }
    const soundSeconds = pcm.length / SAMPLE_RATE
    if (raw.fresh && plan.pauses === 1)
      await learnPace(place.takes, plan.voice.id, {
        expectedSeconds: plan.expectedSeconds,
        soundSeconds,
      })
    await keptFile(file, (part) =>
      writeFile(part, Buffer.concat([wavHead(pcm.length, 1), int16(pcm)])),
    )
    await writeFile(
      half,
      JSON.stringify({
        samples: pcm.length,
        levels: speechLevels(pcm),
        ...kept,
      } satisfies KeptFacts),
    )
  })
  return takeFrom(plan, request.text, file, await keptJson(facts, KeptFacts))
}

/** The take of a sentence if it is there already. */
export async function knownTake(
  place: SpeechPlace,
  request: TakeRequest,
): Promise<Take | undefined> {
  const voice = place.voices.voices.find(({ id }) => id === request.voice)
  if (!voice) return undefined
  const recorded = request.take !== undefined && isRecorded(place.takes, request.take)
  const own = place.voices.own.get(voice.id)
  const key = JSON.stringify([place.takes, voice, own, request, recorded])
  const known = seenTakes.get(key)
  if (known && existsSync(known.file)) return known
  const take = await readTake(place, request)
  if (take) remember(key, take)
  return take
}

/** Takes never change: an episode that is asked for again has nearly all of them here. */
const seenTakes = new Map<string, Take>()
/** Of some twenty films of 25 minutes. */
const MOST_SEEN = 10_000

function remember(key: string, take: Take) {
  seenTakes.set(key, take)
  const oldest = seenTakes.keys().next()
  if (seenTakes.size > MOST_SEEN && !oldest.done) seenTakes.delete(oldest.value)
}

async function readTake(place: SpeechPlace, request: TakeRequest): Promise<Take | undefined> {
  const plan = planned(place, request)
  const facts = await readFile(join(place.takes, `${plan.hash}.json`), 'utf8').catch(
    () => undefined,
  )
  return facts === undefined
    ? undefined
    : takeFrom(
        plan,
        request.text,
        join(place.takes, `${plan.hash}.wav`),
        KeptFacts.parse(JSON.parse(facts)),
      )
}

function takeFrom(
  { hash, form }: Planned,
  text: string,
  file: string,
  { said, ...facts }: KeptFacts,
): Take {
  const words =
    said &&
    writtenSpans(
      form,
      spansOf(
        form.words.map((word) => word.text),
        said,
      ),
      wordsOf(text).length,
    ).map(([start, end]): Span => [Math.round(start), Math.round(end)])
  return { hash, file, ...defined(facts), ...(words ? { words } : {}) }
}

async function filtered(
  raw: RawTake,
  { finish, tempo, voice }: Planned,
  signal?: AbortSignal,
): Promise<Float32Array> {
  if (!existsSync(raw.file))
    throw new TidyError('voice_failed', { engine: 'The voice', reason: 'its sound is gone' })
  const { stdout } = await runProgram(
    'ffmpeg',
    [
      '-v',
      'error',
      '-nostdin',
      '-protocol_whitelist',
      'file,pipe',
      '-f',
      's16le',
      '-ar',
      String(raw.rate),
      '-ac',
      '1',
      '-i',
      raw.file,
      '-af',
      finishFilters(finish, { tempo, boomDb: voice.boom }),
      '-ac',
      '1',
      '-f',
      'f32le',
      'pipe:1',
    ],
    signal ? { signal } : {},
  )
  return new Float32Array(
    stdout.buffer.slice(stdout.byteOffset, stdout.byteOffset + stdout.byteLength),
  )
}

/** Trims and levels a take, finds the silences inside it and its words. */
function finished(
  pcm: Float32Array,
  { words, noises = [] }: RawTake,
  { form, tempo, pauses, tighten, gainDb, recorded }: Planned,
): { pcm: Float32Array } & Pick<KeptFacts, 'pauses' | 'said' | 'saved' | 'noises'> {
  const quiet = silences(pcm, SAMPLE_RATE)
  const first = quiet[0]?.[0] === 0 ? quiet[0][1] : 0
  const last = quiet.at(-1)?.[1] === pcm.length ? lastOf(quiet)[0] : pcm.length
  const peak = pcm.subarray(first, last).reduce((most, x) => Math.max(most, Math.abs(x)), 0)
  if (last <= first || peak < SILENT_PEAK) return { pcm: new Float32Array(0), pauses: [] }
  const edged = withEdges(pcm, first, last)
  const inner = quiet
    .filter(([from, to]) => from > first && to < last)
    .map(([from, to]): Span => [from - first + TAKE_EDGE, to - first + TAKE_EDGE])
  const here = (seconds: number) => Math.round((seconds / tempo) * SAMPLE_RATE) - first + TAKE_EDGE
  const spans =
    words &&
    spansOf(
      form.words.map(({ text }) => text),
      words,
    )
  // Who reads aloud pauses as they like.
  const least =
    spans && !recorded
      ? leastSilences(
          form,
          spans.map(([start, end]): Span => [here(start), here(end)]),
          inner,
          pauses,
        )
      : []
  const timed = paced(
    edged,
    inner,
    noises.map(({ from, to }): Span => [here(from), here(to)]),
    {
      factor: pauses,
      longest: tighten === undefined ? undefined : Math.round(tighten * SAMPLE_RATE),
      least,
    },
  )
  const gain = 10 ** ((TAKE_LUFS + gainDb - integratedLoudness([timed.pcm], SAMPLE_RATE)) / 20)
  const level = limited(
    timed.pcm.map((x) => x * gain),
    HIGHEST_PEAK,
  )
  const place = (seconds: number) =>
    Math.min(
      level.length,
      Math.max(0, timed.at((seconds / tempo) * SAMPLE_RATE - first + TAKE_EDGE)),
    )
  const said = spans?.map(([start, end], i) => ({
    text: itemAt(form.words, i).text,
    start: Math.round(place(start)),
    end: Math.round(place(end)),
  }))
  const saved =
    tighten === undefined
      ? 0
      : paced(edged, inner, [], { factor: pauses, longest: undefined, least }).pcm.length -
        timed.pcm.length
  const heard = {
    breaths: noises.filter(({ kind }) => kind === 'breath').length,
    fillers: noises.filter(({ kind }) => kind === 'filler').length,
  }
  return {
    pcm: level,
    pauses: timed.pauses,
    ...(saved ? { saved } : {}),
    ...(noises.length ? { noises: heard } : {}),
    ...(said ? { said } : {}),
  }
}

/**
 * Speech with exactly `TAKE_EDGE` before its first and after its last sound, fading into silence.
 */
function withEdges(pcm: Float32Array, first: number, last: number): Float32Array {
  const out = new Float32Array(last - first + 2 * TAKE_EDGE)
  const from = Math.max(0, first - TAKE_EDGE)
  out.set(pcm.subarray(from, Math.min(pcm.length, last + TAKE_EDGE)), from - first + TAKE_EDGE)
  for (let i = 0; i < TAKE_EDGE; i++) {
    out[i]! *= i / TAKE_EDGE
    out[out.length - 1 - i]! *= i / TAKE_EDGE
  }
  return out
}
