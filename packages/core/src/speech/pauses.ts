import { SAMPLE_RATE } from '../time/time.ts'

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

type SilentSpan = readonly [from: number, to: number]

/**
 * Makes the silences inside a take longer or shorter, each in its middle, and takes out what is no
 * speech; what is said stays to the sample.
 *
 * @param pauses in order, in samples
 * @param noises breaths and fillers, in order; taken out only where there is a longest silence
 * @param longest samples of silence left at the most; undefined: all stay
 * @param least   samples of each of `pauses` at the least
 */
export function paced(
  pcm: Float32Array,
  pauses: readonly SilentSpan[],
  noises: readonly SilentSpan[],
  {
    factor,
    longest,
    least = [],
  }: { factor: number; longest: number | undefined; least?: readonly number[] },
): Retimed {
  const wished = (samples: number, pause = -1) =>
    Math.min(
      Math.max(samples < SHORTEST ? samples : Math.round(samples * factor), least[pause] ?? 0),
      longest ?? Infinity,
    )
  const out =
    longest === undefined
      ? []
      : noises.filter(([from, to]) => from >= 0 && to <= pcm.length && to > from)
  const silent = pauses
    .flatMap((pause, i) => without(pause, out).map(([from, to]) => ({ from, to, i })))
    .map(({ from, to, i }) => ({ from, to, length: wished(to - from, i) }))
  return retimed(
    pcm,
    [...silent, ...out.map(([from, to]) => ({ from, to, length: 0 }))].sort(
      (a, b) => a.from - b.from,
    ),
  )
}

/** What is left of a stretch outside of others. */
function without([from, to]: SilentSpan, others: readonly SilentSpan[]): SilentSpan[] {
  const left: SilentSpan[] = []
  let at = from
  for (const [start, end] of others) {
    if (end <= at || start >= to) continue
    if (start > at) left.push([at, start])
    at = Math.max(at, end)
  }
  return at < to ? [...left, [at, to]] : left
}

/**
 * Gives stretches of silence new lengths.
 *
 * @param stretches in order, apart; `length` in samples, from 0
 */
export function retimed(
  pcm: Float32Array,
  stretches: readonly { from: number; to: number; length: number }[],
): Retimed {
  if (stretches.every(({ from, to, length }) => to - from === length))
    return { pcm, pauses: stretches.map(({ from, to }) => [from, to]), at: (sample) => sample }
  const total = stretches.reduce(
    (sum, { from, to, length }) => sum + length - (to - from),
    pcm.length,
  )
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
