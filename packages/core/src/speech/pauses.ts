import { SAMPLE_RATE } from '../time.ts'

/** Silences shorter than this belong to the words around them. */
const SHORTEST = 0.12 * SAMPLE_RATE
/** Over so much the sound fades on either side of a cut. */
const FADE = Math.round(0.005 * SAMPLE_RATE)

export interface Retimed {
  pcm: Float32Array
  /** Where the silences are now. */
  pauses: [from: number, to: number][]
  /** Where a sample of the sound before is now. */
  at: (sample: number) => number
}

/**
 * Makes the silences inside a take longer or shorter, each in its middle; what is said stays to the sample.
 *
 * @param pauses in order, in samples
 * @param factor 1 leaves the take as it is
 */
export function withPauses(pcm: Float32Array, pauses: readonly (readonly [number, number])[], factor: number): Retimed {
  return retimed(pcm, pauses.map(([from, to]) => ({ from, to, length: to - from < SHORTEST ? to - from : Math.round((to - from) * factor) })))
}

/**
 * Gives stretches of silence new lengths.
 *
 * @param stretches in order, apart; `length` in samples, from 0
 */
export function retimed(pcm: Float32Array, stretches: readonly { from: number; to: number; length: number }[]): Retimed {
  if (stretches.every(({ from, to, length }) => to - from === length)) return { pcm, pauses: stretches.map(({ from, to }) => [from, to]), at: (sample) => sample }
  const total = stretches.reduce((sum, { from, to, length }) => sum + length - (to - from), pcm.length)
  const out = new Float32Array(total)
  const pauses: [number, number][] = []
  const shifts: { from: number; to: number; by: number }[] = []
  let read = 0
  let write = 0
  for (const { from, to, length } of stretches) {
    const kept = Math.min(length, to - from)
    const before = Math.ceil(kept / 2)
    out.set(pcm.subarray(read, from + before), write)
    write += from + before - read
    if (length !== to - from) fadeOut(out, write)
    pauses.push([write - before, write - before + length])
    write += length - kept
    read = to - (kept - before)
    shifts.push({ from: from + before, to: read, by: write - read })
    out.set(pcm.subarray(read, to), write)
    if (length !== to - from) fadeIn(out, write)
    write += to - read
    read = to
  }
  out.set(pcm.subarray(read), write)
  const at = (sample: number) => {
    const last = shifts.findLast((shift) => sample >= shift.from)
    return last ? Math.max(sample, last.to) + last.by : sample
  }
  return { pcm: out, pauses, at }
}

function fadeOut(pcm: Float32Array, end: number) {
  for (let i = Math.max(0, end - FADE); i < end; i++) pcm[i]! *= (end - i) / FADE
}

function fadeIn(pcm: Float32Array, start: number) {
  for (let i = start; i < Math.min(pcm.length, start + FADE); i++) pcm[i]! *= (i - start) / FADE
}
