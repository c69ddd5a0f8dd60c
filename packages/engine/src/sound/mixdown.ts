import { open } from 'node:fs/promises'
import { join } from 'node:path'
import { z } from 'zod'
import { speechBandFilter } from '@tidy-reel/core/film/sound/bed-levels'
import { HOPS_A_SECOND, integrated, loudnessMeter } from '@tidy-reel/core/film/sound/loudness'
import {
  type CurvePoint,
  musicCurve,
  musicGains,
  type Nearer,
  SPEECH_LUFS,
  type SpokenSpan,
} from '@tidy-reel/core/film/sound/mix'
import type { Mixing } from '@tidy-reel/core/style/film-choices'
import { SAMPLE_RATE } from '@tidy-reel/core/time/time'
import { TAKE_EDGE } from '@tidy-reel/core/timeline/timeline'
import { alongCurve } from './along-curve.ts'
import { addPiece, type Bed } from './bed.ts'
import { type Effects, effectsMixer } from './effects/effects-mixer.ts'
import { floatWavWriter } from './float-wav.ts'
import { levelled, Loudness, SILENT_DB } from './levelled.ts'
import { samplesIn } from './read-wav.ts'
import { WAV_HEAD_BYTES } from './wav.ts'

/** What was measured of a mix. */
export const MixFacts = Loudness.extend({
  speechLufs: z.number(),
  /**
   * LU that music and sounds that go on lie together below the sentence they come nearest to, as
   * mixed; null without any or without speech.
   */
  bedBelowSpeech: z.number().nullable(),
})

export type MixFacts = z.infer<typeof MixFacts>

export interface Mixdown extends MixFacts {
  file: string
}

/** Samples that are mixed at once. */
const CHUNK = 1 << 16

/** All that is mixed. */
export interface MixRequest {
  /** Voice track, 48 kHz mono WAV. */
  voice: string
  /** Where it speaks, and how much louder or softer it is from a sample on. */
  spoken: readonly SpokenSpan[]
  bed: Bed | undefined
  effects?: Effects
  /** Length of the film. */
  samples: number
  mixing: Mixing
  nearer?: Nearer
  /** Files that its parts are written to as well, as they are in the mix. */
  stems?: Record<Stem, string>
}

export const STEMS = ['voice', 'music', 'effects'] as const
export type Stem = (typeof STEMS)[number]

/**
 * Mixes voice, bed and sounds and brings the whole to the film's loudness.
 *
 * The bed's gain comes from `musicCurve`, sample by sample; the sum is then raised and limited until
 * it has the loudness that is asked for within 0.2 LU and a true peak below −1 dBTP.
 *
 * @param work folder for what lies between
 */
export async function mixdown(
  work: string,
  request: MixRequest,
  signal?: AbortSignal,
): Promise<Mixdown> {
  const { samples, mixing, stems } = request
  const file = join(work, 'mix.wav')
  const mix = { from: join(work, 'sum.wav'), to: file }
  const parts = stems
    ? STEMS.map((stem) => ({ from: join(work, `${stem}-sum.wav`), to: stems[stem] }))
    : []
  const { voice, behind, whole } = await addUp(
    request,
    [mix, ...parts].map(({ from }) => from),
    signal,
  )
  const spoken = integrated(voice)
  const loudness = await levelled(
    mix,
    parts,
    samples,
    { before: integrated(whole), target: mixing.lufs },
    signal,
  )
  return {
    file,
    ...loudness,
    speechLufs: Math.max(SILENT_DB, spoken),
    bedBelowSpeech: hasBackground(request) ? leastBelow(request.spoken, voice, behind) : null,
  }
}

const hasBackground = ({ bed, effects }: MixRequest) =>
  bed !== undefined || !!effects?.cues.some(({ sound }) => sound.goesOn)

/** Decibels what lies behind it is below the sentence it comes nearest to; null where nobody speaks. */
function leastBelow(
  spoken: readonly SpokenSpan[],
  voice: readonly number[],
  behind: readonly number[],
): number | null {
  const distances = spoken.map(({ start, end }) => {
    const [from, to] = [start, end].map((at) => Math.round((at / SAMPLE_RATE) * HOPS_A_SECOND))
    const loudness = (powers: readonly number[]) =>
      Math.max(SILENT_DB, integrated(powers.slice(from, Math.max((from ?? 0) + 1, to ?? 0))))
    return loudness(voice) - loudness(behind)
  })
  return distances.length ? Math.min(...distances) : null
}

/**
 * Voice, bed and sounds in one file, 48 kHz stereo of 32-bit floats; where more files are asked for,
 * each in one of its own after it.
 *
 * @returns powers of the voice, of what lies behind it and of the whole, as they were mixed
 *   (`loudnessMeter`)
 */
async function addUp(
  { voice, spoken, bed, effects, samples, mixing, nearer }: MixRequest,
  files: readonly string[],
  signal?: AbortSignal,
): Promise<Record<'voice' | 'behind' | 'whole', number[]>> {
  const voiceFile = await open(voice)
  const music =
    bed && bedMixer(bed, musicCurve(samples, spoken, bed.levels, mixing, nearer), samples)
  const sounding = effects?.cues.length ? effectsMixer(effects, spoken) : undefined
  const meter = () => loudnessMeter(SAMPLE_RATE, 2)
  const meters = { voice: meter(), behind: meter(), whole: meter() }
  const writers = files.map((file) => floatWavWriter(file, samples))
  const [sumOut, voiceOut, musicOut, effectsOut] = writers
  const bytes = Buffer.alloc(CHUNK * 2)
  const speech = int16View(bytes)
  const level = levelsOf(spoken)
  try {
    for (let at = 0; at < samples; at += CHUNK) {
      signal?.throwIfAborted()
      const count = Math.min(CHUNK, samples - at)
      await voiceFile.read(bytes, 0, count * 2, WAV_HEAD_BYTES + at * 2)
      const said = new Float32Array(count)
      for (let i = 0; i < count; i++) said[i] = speech[i]! / 32768
      level(said, at)
      meters.voice.add([said, said])
      const played = await music?.(at, count)
      const heard = await sounding?.(at, count)
      const behind = added(played, heard?.lasting)
      if (behind) meters.behind.add(behind)
      const voiced: Channels = [said, said]
      const sum = added(added(voiced, played), heard?.all) ?? voiced
      meters.whole.add(sum)
      await sumOut?.add(sum)
      await voiceOut?.add(voiced)
      await musicOut?.add(played ?? silence(count))
      await effectsOut?.add(heard?.all ?? silence(count))
    }
    for (const writer of writers) await writer.end()
  } finally {
    for (const writer of writers) writer.close()
    await voiceFile.close()
  }
  return {
    voice: meters.voice.powers(),
    behind: meters.behind.powers(),
    whole: meters.whole.powers(),
  }
}

type Channels = [Float32Array, Float32Array]

const silence = (count: number): Channels => [new Float32Array(count), new Float32Array(count)]

/** Both together; the one there is where the other is not. */
function added(one: Channels | undefined, other: Channels | undefined): Channels | undefined {
  if (!one || !other) return one ?? other
  return [addedUp(one[0], other[0]), addedUp(one[1], other[1])]
}

function addedUp(one: Float32Array, other: Float32Array): Float32Array {
  const sum = new Float32Array(one.length)
  for (let i = 0; i < sum.length; i++) sum[i] = one[i]! + other[i]!
  return sum
}

/** Reads each sentence as loud as it is to be; between them there is silence. */
function levelsOf(spoken: readonly SpokenSpan[]): (pcm: Float32Array, at: number) => void {
  let next = 0
  let gain = 1
  return (pcm, at) => {
    for (let i = 0; i < pcm.length; i++) {
      for (; next < spoken.length && spoken[next]!.start - TAKE_EDGE <= at + i; next++)
        gain = 10 ** ((spoken[next]!.lufs - SPEECH_LUFS) / 20)
      pcm[i]! *= gain
    }
  }
}

/** Plays a bed along its curve, a piece at a time and in order. */
function bedMixer({ pieces }: Bed, curve: readonly CurvePoint[], samples: number) {
  const dip = [speechBandFilter(SAMPLE_RATE), speechBandFilter(SAMPLE_RATE)] as const
  const files = new Map<string, Int16Array>()
  return async (at: number, count: number): Promise<Channels> => {
    const [left, right] = silence(count)
    for (const piece of pieces) {
      if (piece.at >= at + count) break
      const music = files.get(piece.file) ?? (await samplesIn(piece.file))
      files.set(piece.file, music)
      addPiece(music, piece, at, [left, right])
    }
    const dipped = [dip[0](left), dip[1](right)] as const
    alongCurve([left, right], dipped, (i) => musicGains(curve, samples, at + i))
    return [left, right]
  }
}

/** WAV samples as numbers; a copy where they do not lie on a whole sample in memory. */
function int16View(bytes: Buffer): Int16Array {
  const whole = bytes.byteOffset % 2 === 0 ? bytes : Buffer.from(bytes)
  return new Int16Array(whole.buffer, whole.byteOffset, whole.length >> 1)
}
