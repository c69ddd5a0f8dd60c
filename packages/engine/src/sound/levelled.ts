import { z } from 'zod'
import { LIMITER_REACH, limiterGains } from '@tidy-reel/core/film/sound/limiter'
import { integrated, loudnessMeter } from '@tidy-reel/core/film/sound/loudness'
import { TRUE_PEAK_DBTP } from '@tidy-reel/core/film/sound/mix'
import { truePeakMeter } from '@tidy-reel/core/film/sound/true-peak'
import { SAMPLE_RATE } from '@tidy-reel/core/time/time'
import { type FloatWavReader, floatWavReader, floatWavWriter } from './float-wav.ts'

/** Of a finished film. */
export const Loudness = z.object({
  /** Integrated, LUFS; −70 for silence. */
  lufs: z.number(),
  /** dBTP; −70 for silence. */
  truePeak: z.number(),
})
type Loudness = z.infer<typeof Loudness>

/** What silence is told as, LUFS and dBTP. */
export const SILENT_DB = -70
/** Samples that are worked on at once. */
const PIECE = 1 << 16
/** The limiter works below the ceiling: the encoder after it adds a little. */
const CEILING = 10 ** ((TRUE_PEAK_DBTP - 0.8) / 20)
/** LU a limited film may be off; one that needs no limiter is not. */
const NEAR_ENOUGH = 0.2
const ROUNDS = 5

/** A file of the mix and where it goes, once it is as loud as it is to be. */
export interface Levelling {
  from: string
  to: string
}

/**
 * Brings a mix to a loudness and holds its true peaks under −1 dBTP; parts of it are brought along
 * by the same gains, so that they still add up to it.
 *
 * @param mix   48 kHz stereo WAV of 32-bit floats, as is what comes out
 * @param parts of the mix
 * @param lufs  before and after
 */
export async function levelled(
  mix: Levelling,
  parts: readonly Levelling[],
  samples: number,
  { before, target }: { before: number; target: number },
  signal?: AbortSignal,
): Promise<Loudness> {
  let gain = before <= SILENT_DB + 1 ? 0 : target - before
  for (let round = 1; ; round++) {
    const made = await gainedBy(10 ** (gain / 20), [mix, ...parts], samples, signal)
    const isNear = Math.abs(made.lufs - target) <= NEAR_ENOUGH
    if (isNear || made.lufs <= SILENT_DB || round === ROUNDS) return made
    gain += target - made.lufs
  }
}

/** One pass over all files; the first decides over the limiter and is measured. */
async function gainedBy(
  gain: number,
  files: readonly Levelling[],
  samples: number,
  signal?: AbortSignal,
): Promise<Loudness> {
  const readers = await Promise.all(files.map(({ from }) => floatWavReader(from, samples)))
  const writers = files.map(({ to }) => floatWavWriter(to, samples))
  const [meter, peaks] = [loudnessMeter(SAMPLE_RATE, 2), truePeakMeter(2)]
  try {
    for (let at = 0; at < samples; at += PIECE) {
      signal?.throwIfAborted()
      const to = Math.min(samples, at + PIECE)
      const gains = await gainsFor(readers[0], at, to, gain)
      for (const [f, reader] of readers.entries()) {
        const piece = scaled(await reader.read(at, to), gains)
        if (f === 0) meter.add(piece)
        if (f === 0) peaks.add(piece)
        await writers[f]?.add(piece)
      }
    }
  } finally {
    await Promise.all(readers.map((reader) => reader.close()))
  }
  await Promise.all(writers.map((writer) => writer.end()))
  return {
    lufs: Math.max(SILENT_DB, integrated(meter.powers())),
    truePeak: Math.max(SILENT_DB, 20 * Math.log10(peaks.peak() + 1e-9)),
  }
}

/** Gain and limiter together, one factor a sample. */
async function gainsFor(
  mix: FloatWavReader | undefined,
  at: number,
  to: number,
  gain: number,
): Promise<Float32Array> {
  const around = (await mix?.read(at - LIMITER_REACH, to + LIMITER_REACH)) ?? []
  const gains = limiterGains(around, CEILING / gain)
  return gains.subarray(LIMITER_REACH, LIMITER_REACH + to - at).map((held) => held * gain)
}

function scaled(
  [left, right]: [Float32Array, Float32Array],
  gains: Float32Array,
): [Float32Array, Float32Array] {
  for (let i = 0; i < gains.length; i++) {
    left[i]! *= gains[i]!
    right[i]! *= gains[i]!
  }
  return [left, right]
}
