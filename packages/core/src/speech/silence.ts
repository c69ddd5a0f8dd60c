/** Below this level, for so long, a voice is silent. */
const SILENT_DB = -33
/** A gap shorter than this is the closure of a consonant (up to about 0.08 s; from memory). */
const SHORTEST_SECONDS = 0.09
/** Loudness is taken over such windows, as is usual in speech analysis. */
const WINDOW_SECONDS = 0.01

/** Stretches of silence, `[from, to)` in samples, in order, those at the ends included. */
export function silences(pcm: Float32Array, rate: number): [from: number, to: number][] {
  const size = Math.round(rate * WINDOW_SECONDS)
  const limit = 10 ** (SILENT_DB / 20) * peakLevel(pcm, size)
  const found: [number, number][] = []
  let from = -1
  for (let at = 0; at < pcm.length; at += size) {
    const quiet = rms(pcm, at, Math.min(pcm.length, at + size)) < limit
    if (quiet && from < 0) from = at
    if (!quiet && from >= 0) {
      found.push([from, at])
      from = -1
    }
  }
  if (from >= 0) found.push([from, pcm.length])
  return found.filter(([a, b]) => b - a >= SHORTEST_SECONDS * rate || a === 0 || b === pcm.length)
}

/** The loudest window: what silence is measured against. */
function peakLevel(pcm: Float32Array, size: number): number {
  let peak = 0
  for (let at = 0; at < pcm.length; at += size)
    peak = Math.max(peak, rms(pcm, at, Math.min(pcm.length, at + size)))
  return peak
}

function rms(pcm: Float32Array, from: number, to: number): number {
  let sum = 0
  for (let i = from; i < to; i++) sum += pcm[i]! * pcm[i]!
  return Math.sqrt(sum / Math.max(1, to - from))
}
