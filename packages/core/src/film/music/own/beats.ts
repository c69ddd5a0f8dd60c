import { FRAMES_A_SECOND } from './heard-frames.ts'

/** Seconds between two beats: 200 to 43 a minute. */
const [SHORTEST, LONGEST] = [0.3, 1.4]
/** What is tapped to most readily, and how far from it people tap: 105 a minute, an octave. */
const USUAL = 0.57
const OCTAVES = 1
/** How even beats are. */
const TIGHT = 400
/** The sound repeats itself so much more at a beat than elsewhere, or it has none. */
const LEAST_REPEAT = 0.08

/** How alike what begins is to itself so many frames later, for each number of them; 1 at 0. */
function repeats(onsets: Float64Array, most: number): Float64Array {
  const found = new Float64Array(most + 1)
  for (let lag = 0; lag <= most; lag++) {
    let sum = 0
    for (let i = lag; i < onsets.length; i++) sum += onsets[i]! * onsets[i - lag]!
    found[lag] = sum / Math.max(1, onsets.length - lag)
  }
  const [whole] = found
  return whole ? found.map((one) => one / whole) : found
}

/** The most around a number of frames that need not be whole. */
const near = (values: Float64Array, at: number) => {
  const i = Math.round(at)
  return Math.max(values[i - 1] ?? 0, values[i] ?? 0, values[i + 1] ?? 0)
}

/** Multiples of a beat that music repeats itself after, and how much each says. */
const MULTIPLES: readonly (readonly [times: number, weight: number])[] = [
  [1, 1],
  [2, 1],
  [4, 1],
  [8, 0.5],
]

/** Frames from beat to beat; undefined where nothing comes back. */
function periodOf(onsets: Float64Array): number | undefined {
  const most = Math.ceil(LONGEST * 8 * FRAMES_A_SECOND) + 1
  const alike = repeats(onsets, Math.min(most, onsets.length - 1))
  const mean = alike.reduce((sum, one) => sum + one, 0) / alike.length
  let best: number | undefined
  let score = 0
  for (
    let period = SHORTEST * FRAMES_A_SECOND;
    period <= LONGEST * FRAMES_A_SECOND;
    period += 0.125
  ) {
    const said = MULTIPLES.reduce(
      (sum, [times, weight]) => sum + weight * (near(alike, times * period) - mean),
      0,
    )
    const away = Math.log2(period / FRAMES_A_SECOND / USUAL) / OCTAVES
    const one = said * Math.exp(-0.5 * away * away)
    if (one > score) [best, score] = [period, one]
  }
  return score > LEAST_REPEAT ? best : undefined
}

/**
 * Beats of a sound by dynamic programming: each begins something, and they are even (D. Ellis,
 * "Beat Tracking by Dynamic Programming", 2007; from memory).
 *
 * @param onsets of `heardFrames`
 * @returns frames, in order; `[]` where there is no beat
 */
export function beatsOf(onsets: Float64Array): number[] {
  const period = periodOf(onsets)
  if (!period) return []
  const [least, most] = [Math.round(period / 2), Math.round(period * 2)]
  const cost = Float64Array.from({ length: most + 1 }, (_, gap) =>
    gap ? TIGHT * Math.log(gap / period) ** 2 : 0,
  )
  const score = new Float64Array(onsets.length)
  const before = new Int32Array(onsets.length).fill(-1)
  for (let i = 0; i < onsets.length; i++) {
    let best = 0
    for (let gap = least; gap <= most && gap <= i; gap++) {
      const one = score[i - gap]! - cost[gap]!
      if (one > best) [best, before[i]] = [one, i - gap]
    }
    score[i] = onsets[i]! + best
  }
  let at = score.length - 1
  for (let i = Math.max(0, score.length - most); i < score.length; i++)
    if (score[i]! > score[at]!) at = i
  const beats: number[] = []
  for (; at >= 0; at = before[at]!) beats.push(at)
  return beats.reverse()
}
