import { type Filter, filterOf, peaking } from './biquad.ts'
import { HOPS_A_SECOND, integrated, loudnessMeter, lufsOf } from './loudness.ts'
import { BED_LEVELS_A_SECOND, type BedLevels, SPEECH_BAND } from './mix.ts'

/** Takes the speech's band out of one channel. */
export const speechBandFilter = (rate: number): Filter =>
  filterOf(peaking(SPEECH_BAND.hz, SPEECH_BAND.q, SPEECH_BAND.db, rate))

/** What is told where there is nothing to hear, LUFS. */
export const FLOOR = -70
/** Tenths of a second that one level stands for. */
export const HOPS = HOPS_A_SECOND / BED_LEVELS_A_SECOND
const PIECE = 1 << 16

/** A sound, measured: power of each tenth of a second (`loudnessMeter`). */
export interface MeasuredPiece {
  powers: readonly number[]
  /** With the speech's band taken out. */
  dipped: readonly number[]
}

/**
 * Measures a sound as it is and without the speech's band.
 *
 * @param channels both of one length
 * @param rate     Hz
 */
export function measuredPiece(
  channels: readonly [Float32Array, Float32Array],
  rate: number,
): MeasuredPiece {
  const [whole, dipped] = [loudnessMeter(rate, 2), loudnessMeter(rate, 2)]
  const filters = channels.map(() => speechBandFilter(rate))
  for (let at = 0; at < channels[0].length; at += PIECE) {
    const piece = channels.map((pcm) => pcm.subarray(at, at + PIECE))
    whole.add(piece)
    dipped.add(piece.map((pcm, c) => filters[c]!(pcm)))
  }
  return { powers: whole.powers(), dipped: dipped.powers() }
}

/**
 * What the mix needs to know of a bed.
 *
 * @param channels    the loop and, after it, what rings on; both of one length
 * @param loopSamples of it
 * @param rate        Hz
 */
export function bedLevels(
  channels: readonly [Float32Array, Float32Array],
  loopSamples: number,
  rate: number,
): BedLevels {
  const { powers, dipped } = measuredPiece(channels, rate)
  return {
    loopSamples,
    lufs: Math.max(FLOOR, integrated(powers)),
    levels: looped(dipped, Math.round((loopSamples / rate) * HOPS_A_SECOND)),
  }
}

/** Half seconds of a loop, what rings on from the round before counted in. */
function looped(powers: readonly number[], loop: number): number[] {
  const count = Math.max(1, Math.round(loop / HOPS))
  const sums = Array.from({ length: count }, () => 0)
  powers.forEach((power, i) => (sums[Math.floor(i / HOPS) % count]! += power / HOPS))
  return sums.map(levelOf)
}

/** A power as a level, LUFS: to a tenth, never below the floor. */
export const levelOf = (power: number) => Math.round(10 * Math.max(FLOOR, lufsOf(power))) / 10
