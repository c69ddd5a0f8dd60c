import { once } from 'node:events'
import { createWriteStream, type WriteStream } from 'node:fs'
import { open, readFile, rename } from 'node:fs/promises'
import { join } from 'node:path'
import { finished, pipeline } from 'node:stream/promises'
import { z } from 'zod'
import { bedGain, FILM_LUFS, mixPlan, TRUE_PEAK_DBTP } from '@tidy-reel/core/film/sound/mix'
import type { TimelineScene } from '@tidy-reel/core/timeline/timeline'
import { runProgram } from '../run/program.ts'
import type { Bed } from './bed.ts'
import { Loudness, loudnessOf, measure } from './measure.ts'
import { wavHead } from './wav.ts'

/** What was measured of a mix. */
export const MixFacts = Loudness.extend({
  speechLufs: z.number(),
  /** LU the bed lies below the speech, both as mixed; null without a bed or without speech. */
  bedBelowSpeech: z.number().nullable(),
})

export interface Mixdown extends z.infer<typeof MixFacts> {
  file: string
}

/** Samples that are mixed at once. */
const CHUNK = 1 << 16
/** The limiter works below the ceiling: the encoder after it adds a little. */
const HEADROOM_DB = 0.8
const HEAD_BYTES = 44
/** The gain curve is asked for every 1.3 ms and followed in straight lines between. */
const CURVE_STEP = 64

/**
 * Lays the takes of a film one after the other at their exact samples: 48 kHz mono WAV, `samples`
 * long.
 */
export async function voiceTrack(
  out: string,
  scenes: readonly TimelineScene[],
  takes: readonly (string | undefined)[],
  samples: number,
): Promise<void> {
  await pipeline(voicePcm(scenes, takes, samples), createWriteStream(out))
}

/** Head, speech and the silences between, in pieces. */
async function* voicePcm(
  scenes: readonly TimelineScene[],
  takes: readonly (string | undefined)[],
  samples: number,
): AsyncGenerator<Buffer> {
  yield wavHead(samples, 1)
  let at = 0
  function* silence(until: number): Generator<Buffer> {
    for (; at < until; at += Math.min(CHUNK, until - at))
      yield Buffer.alloc(Math.min(CHUNK, until - at) * 2)
  }
  for (const [i, scene] of scenes.entries()) {
    const take = takes[i]
    if (!take) continue
    yield* silence(Math.min(samples, scene.speechStart))
    const pcm = (await readFile(take)).subarray(HEAD_BYTES)
    const room = Math.max(0, samples - at) * 2
    yield pcm.subarray(0, room)
    at += Math.min(pcm.length, room) / 2
  }
  yield* silence(samples)
}

/** A file to be written; a disk that is full is heard of where the next bytes go, or at its end. */
function openedFile(path: string): WriteStream {
  return createWriteStream(path).on('error', () => undefined)
}

async function write(stream: WriteStream, bytes: Buffer) {
  if (stream.errored) throw stream.errored
  if (!stream.write(bytes)) await once(stream, 'drain')
}

/**
 * Mixes voice and bed and brings the whole to the film's loudness.
 *
 * The bed's gain comes from `bedGain`, sample by sample; the sum is then raised and limited until
 * ffmpeg measures −14 LUFS within 0.3 LU and a true peak below −1 dBTP.
 *
 * @param work folder for what lies between
 */
export async function mixdown(
  work: string,
  voice: string,
  bed: Bed | undefined,
  samples: number,
  signal?: AbortSignal,
): Promise<Mixdown> {
  const speechLufs = await loudnessOf(voice, signal)
  const speaks = speechLufs > -69
  const sum = join(work, 'sum.wav')
  const below = join(work, 'bed-as-mixed.wav')
  if (bed) {
    const plan = mixPlan(
      samples,
      speaks ? speechLufs : FILM_LUFS + 8,
      await loudnessOf(bed.file, signal),
    )
    await addUp(voice, bed, plan, sum, below, signal)
  }
  const distance = bed && speaks ? speechLufs - (await loudnessOf(below, signal)) : null
  const file = join(work, 'mix.wav')
  const loudness = await levelled(bed ? sum : voice, file, signal)
  return { file, ...loudness, speechLufs, bedBelowSpeech: distance }
}

async function addUp(
  voice: string,
  bed: Bed,
  plan: ReturnType<typeof mixPlan>,
  out: string,
  bedOut: string,
  signal?: AbortSignal,
): Promise<void> {
  const voiceFile = await open(voice)
  const music = int16View((await readFile(bed.file)).subarray(HEAD_BYTES))
  const [stream, bedStream] = [openedFile(out), openedFile(bedOut)]
  stream.write(wavHead(plan.samples, 2, true))
  bedStream.write(wavHead(plan.samples, 2, true))
  const bytes = Buffer.alloc(CHUNK * 2)
  const speech = int16View(bytes)
  for (let at = 0; at < plan.samples; at += CHUNK) {
    signal?.throwIfAborted()
    const count = Math.min(CHUNK, plan.samples - at)
    await voiceFile.read(bytes, 0, count * 2, HEAD_BYTES + at * 2)
    const [mixed, alone] = [new Float32Array(count * 2), new Float32Array(count * 2)]
    for (let from = 0; from < count; from += CURVE_STEP) {
      const to = Math.min(count, from + CURVE_STEP)
      const start = bedGain(plan, at + from) / 32768
      const slope = (bedGain(plan, at + from + CURVE_STEP) / 32768 - start) / CURVE_STEP
      layBed(alone, music, bed.loopSamples, at, from, to, start, slope)
      for (let i = from; i < to; i++) {
        const said = speech[i]! / 32768
        mixed[i * 2] = said + alone[i * 2]!
        mixed[i * 2 + 1] = said + alone[i * 2 + 1]!
      }
    }
    await write(stream, Buffer.from(mixed.buffer))
    await write(bedStream, Buffer.from(alone.buffer))
  }
  await voiceFile.close()
  stream.end()
  bedStream.end()
  await Promise.all([finished(stream), finished(bedStream)])
}

/** WAV samples as numbers; a copy where they do not lie on a whole sample in memory. */
function int16View(bytes: Buffer): Int16Array {
  const whole = bytes.byteOffset % 2 === 0 ? bytes : Buffer.from(bytes)
  return new Int16Array(whole.buffer, whole.byteOffset, whole.length >> 1)
}

/**
 * Lays the looped bed under samples `[from, to)`: each round starts on a bar while the one before
 * still rings.
 */
function layBed(
  out: Float32Array,
  music: Int16Array,
  loop: number,
  at: number,
  from: number,
  to: number,
  start: number,
  slope: number,
) {
  const frames = music.length >> 1
  for (let i = from; i < to; i++) {
    const here = (at + i) % loop
    const tail = at + i >= loop ? loop + here : frames
    const gain = start + slope * (i - from)
    for (let channel = 0; channel < 2; channel++) {
      const note = here < frames ? music[here * 2 + channel]! : 0
      const rest = tail < frames ? music[tail * 2 + channel]! : 0
      out[i * 2 + channel] = gain * (note + rest)
    }
  }
}

async function levelled(input: string, out: string, signal?: AbortSignal): Promise<Loudness> {
  const before = await loudnessOf(input, signal)
  if (before <= -69) {
    await runProgram(
      'ffmpeg',
      [
        '-v',
        'error',
        '-nostdin',
        '-y',
        '-i',
        input,
        '-ac',
        '2',
        '-ar',
        '48000',
        '-c:a',
        'pcm_s24le',
        out,
      ],
      signal ? { signal } : {},
    )
    return measure(out, signal)
  }
  let gain = FILM_LUFS - before
  for (let round = 0; round < 5; round++) {
    const ceiling = 10 ** ((TRUE_PEAK_DBTP - HEADROOM_DB) / 20)
    // At four times the rate the limiter sees peaks between samples.
    const chain = [
      'aformat=channel_layouts=stereo',
      `volume=${gain.toFixed(2)}dB`,
      'aresample=192000',
      `alimiter=limit=${ceiling.toFixed(4)}:attack=3:release=70:level=false`,
      'aresample=48000',
    ].join(',')
    const half = `${out}.part.wav`
    await runProgram(
      'ffmpeg',
      ['-v', 'error', '-nostdin', '-y', '-i', input, '-af', chain, '-c:a', 'pcm_s24le', half],
      signal ? { signal } : {},
    )
    await rename(half, out)
    const lufs = await loudnessOf(out, signal)
    if (Math.abs(lufs - FILM_LUFS) <= 0.2) break
    gain += FILM_LUFS - lufs
  }
  return measure(out, signal)
}
