import { SAMPLE_RATE } from '../../time/time.ts'
import { between, REACH, WORTH_A_LOOK } from './true-peak.ts'

/** How far ahead a peak is seen, and how long it takes to be forgotten. */
const LOOK_AHEAD = Math.round(0.004 * SAMPLE_RATE)
/** Samples on either side that decide over the gain of one. */
export const LIMITER_REACH = 2 * LOOK_AHEAD + REACH

/**
 * Holds sound under a ceiling without a click: gain falls before a peak and rises after it, both
 * over 4 ms.
 *
 * @param pcm 48 kHz, any level
 * @param ceiling largest sample that comes out, 1 = full scale
 */
export function limited(pcm: Float32Array, ceiling: number): Float32Array {
  if (!pcm.some((x) => Math.abs(x) > ceiling)) return pcm
  const gains = smoothed(pcm.map((x) => Math.min(1, ceiling / Math.max(1e-9, Math.abs(x)))))
  return pcm.map((x, i) => x * gains[i]!)
}

/**
 * Gains that hold channels under a ceiling together, between their samples too (ITU-R BS.1770-4).
 *
 * @param channels 48 kHz, of one length; near the ends, within `LIMITER_REACH`, peaks outside them
 *   are not known
 * @returns one a sample, 1 where nothing is to be done
 */
export function limiterGains(channels: readonly Float32Array[], ceiling: number): Float32Array {
  const needed = new Float32Array(channels[0]?.length ?? 0).fill(1)
  const isLoud = channels.map((pcm) => lowerNeeded(needed, pcm, ceiling))
  return isLoud.some(Boolean) ? smoothed(needed) : needed
}

/** @returns whether any peak is over the ceiling */
function lowerNeeded(needed: Float32Array, pcm: Float32Array, ceiling: number): boolean {
  let isLoud = false
  for (let i = 0; i < pcm.length; i++) {
    const here = Math.abs(pcm[i]!)
    const next = Math.abs(pcm[i + 1] ?? 0)
    let peak = here
    if (here > WORTH_A_LOOK * ceiling || next > WORTH_A_LOOK * ceiling)
      peak = Math.max(peak, between(pcm, i))
    if (peak <= ceiling) continue
    isLoud = true
    // What peaks between two samples is made by both.
    for (const at of [i, i + 1])
      if (at < needed.length) needed[at] = Math.min(needed[at]!, ceiling / peak)
  }
  return isLoud
}

/** The mean of what is held around each sample: never above what the sample itself needs. */
function smoothed(needed: Float32Array): Float32Array {
  const held = smallestAround(needed, LOOK_AHEAD)
  const out = new Float32Array(needed.length)
  const last = needed.length - 1
  const width = 2 * LOOK_AHEAD + 1
  let sum = 0
  for (let i = -LOOK_AHEAD; i <= LOOK_AHEAD; i++) sum += held[Math.min(last, Math.max(0, i))]!
  for (let i = 0; i < needed.length; i++) {
    out[i] = sum / width
    sum += held[Math.min(last, i + 1 + LOOK_AHEAD)]! - held[Math.max(0, i - LOOK_AHEAD)]!
  }
  return out
}

/** The smallest value within `reach` on either side, in one pass with a queue of candidates. */
function smallestAround(values: Float32Array, reach: number): Float32Array {
  const out = new Float32Array(values.length)
  const queue = new Int32Array(values.length)
  let head = 0
  let tail = 0
  for (let i = 0; i < values.length + reach; i++) {
    if (i < values.length) {
      while (tail > head && values[queue[tail - 1]!]! >= values[i]!) tail--
      queue[tail++] = i
    }
    const at = i - reach
    if (at < 0) continue
    while (queue[head]! < at - reach) head++
    out[at] = values[queue[head]!]!
  }
  return out
}
