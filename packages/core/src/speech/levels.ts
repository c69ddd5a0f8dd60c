import { SAMPLE_RATE } from '../time/time.ts'

/** How often the level of a voice is told, to draw it. */
export const LEVELS_A_SECOND = 20
/** What is drawn as nothing and as the most, in dBFS (root mean square). */
const RANGE = { quietest: -54, loudest: -14 }

/**
 * The level of a voice over time, a digit for each twentieth of a second: 0 for silence to 9.
 *
 * @param pcm 48 kHz mono, 1 = full scale
 * @example speechLevels(new Float32Array(48_000)) // => '00000000000000000000'
 */
export function speechLevels(pcm: Float32Array): string {
  const step = SAMPLE_RATE / LEVELS_A_SECOND
  let levels = ''
  for (let at = 0; at < pcm.length; at += step) {
    const part = pcm.subarray(at, at + step)
    const power = part.reduce((sum, x) => sum + x * x, 0) / part.length
    const share =
      (10 * Math.log10(power + 1e-12) - RANGE.quietest) / (RANGE.loudest - RANGE.quietest)
    levels += Math.round(9 * Math.min(1, Math.max(0, share)))
  }
  return levels
}
