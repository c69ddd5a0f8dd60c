/** A filter of second order: `b` on what comes in, `a` on what went out before. */
export interface Biquad {
  b: readonly [number, number, number]
  a: readonly [number, number]
}

/**
 * What nobody hears is nothing: a filter that rings on in silence comes to numbers so small that a
 * processor takes ten times as long over each.
 */
export const heard = (sample: number): number =>
  sample < INAUDIBLE && sample > -INAUDIBLE ? 0 : sample
const INAUDIBLE = 1e-15

/** Filters sound piece by piece: what went before is kept from one piece to the next. */
export type Filter = (pcm: Float32Array) => Float32Array

export function filterOf({ b: [b0, b1, b2], a: [a1, a2] }: Biquad): Filter {
  // Kept as a list: numbers that a closure writes to one by one cost ten times as much.
  const state = new Float64Array(4)
  return (pcm) => {
    let [x1 = 0, x2 = 0, y1 = 0, y2 = 0] = state
    const out = new Float32Array(pcm.length)
    for (let i = 0; i < pcm.length; i++) {
      const x = pcm[i]!
      const y = heard(b0 * x + b1 * x1 + b2 * x2 - a1 * y1 - a2 * y2)
      x2 = x1
      x1 = x
      y2 = y1
      y1 = y
      out[i] = y
    }
    state.set([x1, x2, y1, y2])
    return out
  }
}

/**
 * Lifts or lowers a band around `hz`, as Web Audio's `peaking` does: the cookbook formulae by
 * Robert Bristow-Johnson, which the Web Audio API (W3C) names.
 */
export function peaking(hz: number, q: number, db: number, rate: number): Biquad {
  const amplitude = 10 ** (db / 40)
  const angle = (2 * Math.PI * hz) / rate
  const alpha = Math.sin(angle) / (2 * q)
  const a0 = 1 + alpha / amplitude
  const middle = (-2 * Math.cos(angle)) / a0
  return {
    b: [(1 + alpha * amplitude) / a0, middle, (1 - alpha * amplitude) / a0],
    a: [middle, (1 - alpha / amplitude) / a0],
  }
}

/** What lets through below, above or around `hz`, by the same cookbook. */
export function passing(
  kind: 'low' | 'high' | 'band',
  hz: number,
  q: number,
  rate: number,
): Biquad {
  const angle = (2 * Math.PI * Math.min(hz, 0.49 * rate)) / rate
  const alpha = Math.sin(angle) / (2 * q)
  const cos = Math.cos(angle)
  const a0 = 1 + alpha
  const middle = {
    low: [(1 - cos) / 2, 1 - cos, (1 - cos) / 2],
    high: [(1 + cos) / 2, -(1 + cos), (1 + cos) / 2],
    band: [alpha, 0, -alpha],
  }[kind] as [number, number, number]
  return {
    b: [middle[0] / a0, middle[1] / a0, middle[2] / a0],
    a: [(-2 * cos) / a0, (1 - alpha) / a0],
  }
}
