import { z } from 'zod'
import { LIMITER_REACH, limiterGains } from '@tidy-reel/core/film/sound/limiter'
import { integrated, loudnessMeter } from '@tidy-reel/core/film/sound/loudness'
import { TRUE_PEAK_DBTP } from '@tidy-reel/core/film/sound/mix'
import { truePeakMeter } from '@tidy-reel/core/film/sound/true-peak'
import { SAMPLE_RATE } from '@tidy-reel/core/time/time'
import { floatWavReader, floatWavWriter } from './float-wav.ts'

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
    const made = await gainedBy(10 ** (gain / 20), [mix, parts], samples, signal)
    const isNear = Math.abs(made.lufs - target) <= NEAR_ENOUGH
    if (isNear || made.lufs <= SILENT_DB || round === ROUNDS) return made
    gain += target - made.lufs
  }
}

/** One pass over all files; the whole decides over the limiter and is measured. */
async function gainedBy(
  gain: number,
  [whole, pieces]: readonly [Levelling, readonly Levelling[]],
  samples: number,
  signal?: AbortSignal,
): Promise<Loudness> {
  const mix = await floatWavReader(whole.from, samples)
  const parts = await Promise.all(pieces.map(({ from }) => floatWavReader(from, samples)))
  const writers = [whole, ...pieces].map(({ to }) => floatWavWriter(to, samples))
  const [meter, peaks] = [loudnessMeter(SAMPLE_RATE, 2), truePeakMeter(2)]
  try {
    for (let at = 0; at < samples; at += PIECE) {
      signal?.throwIfAborted()
      const to = Math.min(samples, at + PIECE)
      const around = await mix.read(at - LIMITER_REACH, to + LIMITER_REACH)
      const gains = gainsWithin(around, gain)
      const sound = scaled([within(around[0]), within(around[1])], gains)
      meter.add(sound)
      peaks.add(sound)
      await writers[0]?.add(sound)
      for (const [p, part] of parts.entries())
        await writers[p + 1]?.add(scaled(await part.read(at, to), gains))
    }
    await Promise.all(writers.map((writer) => writer.end()))
  } finally {
    for (const writer of writers) writer.close()
    await Promise.all([mix, ...parts].map((reader) => reader.close()))
  }
  return {
    lufs: Math.max(SILENT_DB, integrated(meter.powers())),
    truePeak: Math.max(SILENT_DB, 20 * Math.log10(peaks.peak() + 1e-9)),
  }
}

/** A piece without its surroundings. */
const within = (pcm: Float32Array) => pcm.subarray(LIMITER_REACH, -LIMITER_REACH)

/** Gain and limiter together, one factor a sample of the piece inside. */
const gainsWithin = (around: readonly Float32Array[], gain: number): Float32Array =>
  within(limiterGains(around, CEILING / gain)).map((held) => held * gain)

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
