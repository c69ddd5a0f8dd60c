import { SAMPLE_RATE } from '../../time/time.ts'
import { FLOOR, HOPS, levelOf, type MeasuredPiece } from './bed-levels.ts'
import { HOPS_A_SECOND, integrated } from './loudness.ts'
import { type BedLevels, fadeOf } from './mix.ts'

/** What of a sound is played where in a film, and how; samples. */
export interface MusicPiece extends MeasuredPiece {
  /** Left out at the sound's beginning. */
  from: number
  /** Of the film: where it begins, and where it is silent again. */
  at: number
  until: number
  /** In which it comes and goes. */
  fades: readonly [rise: number, fall: number]
  /** Factor. */
  gain: number
}

const toHops = (samples: number) => Math.round((samples / SAMPLE_RATE) * HOPS_A_SECOND)

/**
 * What the mix needs to know of pieces that follow and overlap each other: their powers added up,
 * as those of sounds that have nothing to do with each other.
 *
 * @param samples of the whole
 */
export function sequenceLevels(pieces: readonly MusicPiece[], samples: number): BedLevels {
  const count = Math.max(1, Math.ceil((samples / SAMPLE_RATE) * HOPS_A_SECOND))
  const [whole, dipped] = [new Float64Array(count), new Float64Array(count)]
  for (const { at, from, until, fades, gain, ...measured } of pieces) {
    const [first, skipped] = [toHops(at), toHops(from)]
    const end = Math.min(count, toHops(until), first + measured.powers.length - skipped)
    for (let i = Math.max(0, first); i < end; i++) {
      const passed = (i + 0.5) * (SAMPLE_RATE / HOPS_A_SECOND) - at
      const power = (gain * fadeOf(until - at, passed, fades)) ** 2
      const hop = i - first + skipped
      whole[i]! += power * (measured.powers[hop] ?? 0)
      dipped[i]! += power * (measured.dipped[hop] ?? 0)
    }
  }
  const levels = Array.from({ length: Math.ceil(count / HOPS) }, (_, i) => {
    const part = dipped.subarray(i * HOPS, (i + 1) * HOPS)
    const power = part.reduce((sum, one) => sum + one, 0) / part.length
    return levelOf(power)
  })
  return { loopSamples: samples, lufs: Math.max(FLOOR, integrated([...whole])), levels }
}
