import { BANDS, type HeardFrames, NOTES } from './heard-frames.ts'

/** What a stretch of music sounds like: its notes, its bands and how loud it is. */
export type Likeness = Float32Array

/** Bars have so many beats; the first is taken unless another says more by so much. */
const METRES = [4, 3] as const
const CLEARER = 1.25
/** How much a low note that comes in says beside a new harmony. */
const LOW_SAYS = 1
const LOW_BANDS = 5

/** Mean of a frame's figures over a stretch. */
function meanOf(values: Float32Array, size: number, from: number, to: number): Float32Array {
  const mean = new Float32Array(size)
  for (let frame = from; frame < to; frame++)
    for (let i = 0; i < size; i++) mean[i]! += values[frame * size + i]! / Math.max(1, to - from)
  return mean
}

const length = (vector: Float32Array) => Math.hypot(...vector)
/** 0 for the same direction, 1 for nothing in common. */
function apart(a: Float32Array, b: Float32Array): number {
  const lengths = length(a) * length(b)
  if (!lengths) return length(a) === length(b) ? 0 : 1
  return 1 - a.reduce((sum, x, i) => sum + x * b[i]!, 0) / lengths
}

/** A list in units of its spread around its mean. */
function standard(values: readonly number[]): number[] {
  const mean = values.reduce((sum, one) => sum + one, 0) / Math.max(1, values.length)
  const spread = Math.sqrt(
    values.reduce((sum, one) => sum + (one - mean) ** 2, 0) / Math.max(1, values.length),
  )
  return values.map((one) => (spread ? (one - mean) / spread : 0))
}

/** How much each beat sounds like the first one of a bar. */
function firstness({ chroma, bands }: HeardFrames, beats: readonly number[]): number[] {
  const spans = beats.map((from, i) => [from, beats[i + 1] ?? from + 1] as const)
  const notes = spans.map(([from, to]) => meanOf(chroma, NOTES, from, to))
  const harmony = notes.map((one, i) => (notes[i - 1] ? apart(notes[i - 1]!, one) : 0))
  const lows = spans.map(([from, to]) => {
    const mean = meanOf(bands, BANDS, from, Math.min(to, from + 15))
    return mean.subarray(0, LOW_BANDS).reduce((sum, one) => sum + one, 0)
  })
  const low = lows.map((one, i) => Math.max(0, one - (lows[i - 1] ?? one)))
  const [a, b] = [standard(harmony), standard(low)]
  return beats.map((_, i) => a[i]! + LOW_SAYS * b[i]!)
}

/**
 * The beats that bars begin with: where the harmony changes and a low note comes in.
 *
 * @param beats frames, in order
 * @returns indices into `beats`, and beats a bar
 */
export function barsOf(
  frames: HeardFrames,
  beats: readonly number[],
): { firsts: number[]; metre: number } {
  const said = firstness(frames, beats)
  const found = METRES.flatMap((metre) =>
    Array.from({ length: metre }, (_, phase) => {
      const own = said.filter((_, i) => i % metre === phase)
      const mean = own.reduce((sum, one) => sum + one, 0) / Math.max(1, own.length)
      return { metre, phase, score: mean * (metre === METRES[0] ? CLEARER : 1) }
    }),
  )
  const { metre, phase } = found.reduce((best, one) => (one.score > best.score ? one : best))
  return { firsts: beats.flatMap((_, i) => (i % metre === phase ? [i] : [])), metre }
}

/**
 * What each bar sounds like, so that two can be compared by `unlike`.
 *
 * @param bounds frames where bars begin, and where the last one ends
 */
export const likenessOf = ({ chroma, bands }: HeardFrames, bounds: readonly number[]): Likeness[] =>
  bounds.slice(0, -1).map((from, i) => {
    const to = Math.max(from + 1, bounds[i + 1]!)
    // Halves apart: a bar that goes from one chord to another is not one that goes back.
    const middle = Math.round((from + to) / 2)
    const parts = [
      [from, middle],
      [middle, to],
    ].flatMap(([a, b]) => {
      const notes = meanOf(chroma, NOTES, a!, b!)
      const loud = length(notes)
      const sound = meanOf(bands, BANDS, a!, b!).map((one) => one / 12)
      return [...notes.map((one) => (loud ? one / loud : 0)), ...sound]
    })
    return Float32Array.from(parts)
  })

/** How far two bars sound apart; 0 for the same. */
export function unlike(a: Likeness, b: Likeness): number {
  let sum = 0
  for (let i = 0; i < a.length; i++) sum += (a[i]! - b[i]!) ** 2
  return Math.sqrt(sum)
}
