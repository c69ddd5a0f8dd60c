import { SAMPLE_RATE } from '../../time/time.ts'
import { FLOOR, HOPS, levelOf, type MeasuredPiece } from './bed-levels.ts'
import { HOPS_A_SECOND, integrated } from './loudness.ts'
import type { BedLevels } from './mix.ts'

/**
 * What the mix needs to know of pieces that follow and overlap each other: their powers added up,
 * as those of sounds that have nothing to do with each other.
 *
 * @param samples of the whole
 */
export function sequenceLevels(
  pieces: readonly (MeasuredPiece & { at: number })[],
  samples: number,
): BedLevels {
  const count = Math.max(1, Math.ceil((samples / SAMPLE_RATE) * HOPS_A_SECOND))
  const [whole, dipped] = [new Float64Array(count), new Float64Array(count)]
  for (const piece of pieces) {
    const first = Math.round((piece.at / SAMPLE_RATE) * HOPS_A_SECOND)
    const end = Math.min(count - first, piece.powers.length)
    for (let i = 0; i < end; i++) {
      whole[first + i]! += piece.powers[i]!
      dipped[first + i]! += piece.dipped[i] ?? 0
    }
  }
  const levels = Array.from({ length: Math.ceil(count / HOPS) }, (_, i) => {
    const part = dipped.subarray(i * HOPS, (i + 1) * HOPS)
    const power = part.reduce((sum, one) => sum + one, 0) / part.length
    return levelOf(power)
  })
  return { loopSamples: samples, lufs: Math.max(FLOOR, integrated([...whole])), levels }
}
