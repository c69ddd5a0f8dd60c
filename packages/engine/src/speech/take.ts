import { readFile, rm, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { TidyError } from '@tidy-reel/core/fault'
import { integratedLoudness } from '@tidy-reel/core/sound/loudness'
import { TAKE_LUFS } from '@tidy-reel/core/sound/mix'
import { speechLevels } from '@tidy-reel/core/speech/levels'
import { silences } from '@tidy-reel/core/speech/silence'
import { spokenText } from '@tidy-reel/core/speech/spoken'
import { SAMPLE_RATE } from '@tidy-reel/core/time'
import type { TakeFacts } from '@tidy-reel/core/timeline/timeline'
import { runProgram } from '../run/program.ts'
import { int16, wavHead } from '../sound/wav.ts'
import { contentHash, keptFile } from '../storage/kept-file.ts'
import { speakRaw, tempoAfter } from './engines.ts'
import { voiceById } from './voices.ts'

/** What is asked of a voice. */
export interface TakeRequest {
  text: string
  voice: string
  speed: number
}

export interface Take extends TakeFacts {
  hash: string
  /** 48 kHz mono WAV, trimmed and levelled. */
  file: string
}

/** Raised when the finishing changes, so that earlier takes are spoken anew. */
const FINISHING = 5
const CHAIN = 'aresample=48000,highpass=f=70,equalizer=f=170:t=q:w=1:g=2,equalizer=f=3000:t=q:w=1.4:g=2,acompressor=threshold=-26dB:ratio=2.5:attack=6:release=110'
const HIGHEST_PEAK = 0.7
/** An engine that knows no letter of a text says nothing at about −52 dB; a voice peaks above −10. */
const SILENT_PEAK = 0.02
/** Silence left before the first and after the last sound. */
const EDGE = Math.round(0.05 * SAMPLE_RATE)

export const takeHash = ({ text, voice, speed }: TakeRequest) => contentHash({ spoken: spokenText(text), voice, speed, FINISHING })

/**
 * The take of a sentence: spoken when it is not there yet, evened in level, silence at its ends cut.
 *
 * @throws TidyError `voice_silent` when the engine made no sound, and what `runProgram` throws
 */
export async function takeOf(folder: string, request: TakeRequest, signal?: AbortSignal): Promise<Take> {
  const voice = voiceById(request.voice)
  const hash = takeHash(request)
  const file = join(folder, `${hash}.wav`)
  const facts = await keptFile(join(folder, `${hash}.json`), async (half) => {
    const raw = `${half}.raw.wav`
    try {
      await speakRaw(voice, request.speed, spokenText(request.text), raw, signal)
      const { pcm, pauses } = finished(await samplesOf(raw, tempoAfter(voice, request.speed), signal))
      if (pcm.length < SAMPLE_RATE * 0.05) throw new TidyError('voice_silent', { voice: request.voice, text: request.text.slice(0, 60) })
      await keptFile(file, (part) => writeFile(part, Buffer.concat([wavHead(pcm.length, 1), int16(pcm)])))
      await writeFile(half, JSON.stringify({ samples: pcm.length, pauses, levels: speechLevels(pcm) }))
    } finally {
      await rm(raw, { force: true })
    }
  })
  return { hash, file, ...(JSON.parse(await readFile(facts, 'utf8')) as TakeFacts) }
}

/** The take of a sentence if it is there already. */
export async function knownTake(folder: string, request: TakeRequest): Promise<Take | undefined> {
  const hash = takeHash(request)
  const facts = await readFile(join(folder, `${hash}.json`), 'utf8').catch(() => undefined)
  return facts === undefined ? undefined : { hash, file: join(folder, `${hash}.wav`), ...(JSON.parse(facts) as TakeFacts) }
}

async function samplesOf(wav: string, tempo: number, signal?: AbortSignal): Promise<Float32Array> {
  const { stdout } = await runProgram('ffmpeg', ['-v', 'error', '-nostdin', '-protocol_whitelist', 'file,pipe', '-i', wav, '-af', tempo === 1 ? CHAIN : `atempo=${tempo.toFixed(4)},${CHAIN}`, '-ac', '1', '-f', 'f32le', 'pipe:1'], signal ? { signal } : {})
  return new Float32Array(stdout.buffer.slice(stdout.byteOffset, stdout.byteOffset + stdout.byteLength))
}

/** Trims and levels a take, and finds the silences inside it. */
function finished(pcm: Float32Array): { pcm: Float32Array; pauses: [number, number][] } {
  const quiet = silences(pcm, SAMPLE_RATE)
  const first = quiet[0]?.[0] === 0 ? quiet[0][1] : 0
  const last = quiet.at(-1)?.[1] === pcm.length ? quiet.at(-1)![0] : pcm.length
  if (last <= first) return { pcm: new Float32Array(0), pauses: [] }
  const start = Math.max(0, first - EDGE)
  const cut = pcm.slice(start, Math.min(pcm.length, last + EDGE))
  const peak = cut.reduce((most, x) => Math.max(most, Math.abs(x)), 0)
  if (peak < SILENT_PEAK) return { pcm: new Float32Array(0), pauses: [] }
  const gain = Math.min(10 ** ((TAKE_LUFS - integratedLoudness([cut], SAMPLE_RATE)) / 20), HIGHEST_PEAK / peak)
  const ramp = Math.min(EDGE, cut.length >> 1)
  const level = cut.map((x, i) => x * gain * Math.min(1, (i + 1) / ramp, (cut.length - i) / ramp))
  const inner = quiet.filter(([from, to]) => from > first && to < last).map(([from, to]): [number, number] => [from - start, to - start])
  return { pcm: level, pauses: inner }
}
