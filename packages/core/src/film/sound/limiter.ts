import { SAMPLE_RATE } from '../../time/time.ts'

/** How far ahead a peak is seen, and how long it takes to be forgotten. */
const LOOK_AHEAD = Math.round(0.004 * SAMPLE_RATE)

/**
 * Holds sound under a ceiling without a click: gain falls before a peak and rises after it, both
 * over 4 ms.
 *
 * @param pcm 48 kHz, any level
 * @param ceiling largest sample that comes out, 1 = full scale
 */
export function limited(pcm: Float32Array, ceiling: number): Float32Array {
  if (!pcm.some((x) => Math.abs(x) > ceiling)) return pcm
  const needed = pcm.map((x) => Math.min(1, ceiling / Math.max(1e-9, Math.abs(x))))
  const held = smallestAround(needed, LOOK_AHEAD)
  const out = new Float32Array(pcm.length)
  // The mean of what is held over the same stretch: never above what the sample in its middle
  // needs.
  const width = 2 * LOOK_AHEAD + 1
  let sum = 0
  for (let i = -LOOK_AHEAD; i <= LOOK_AHEAD; i++)
    sum += held[Math.min(pcm.length - 1, Math.max(0, i))]!
  for (let i = 0; i < pcm.length; i++) {
    out[i] = pcm[i]! * (sum / width)
    sum += held[Math.min(pcm.length - 1, i + 1 + LOOK_AHEAD)]! - held[Math.max(0, i - LOOK_AHEAD)]!
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
