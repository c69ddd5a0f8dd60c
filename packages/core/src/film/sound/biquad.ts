/** A filter of second order: `b` on what comes in, `a` on what went out before. */
export interface Biquad {
  b: readonly [number, number, number]
  a: readonly [number, number]
}

/** Filters sound piece by piece: what went before is kept from one piece to the next. */
export type Filter = (pcm: Float32Array) => Float32Array

export function filterOf({ b, a }: Biquad): Filter {
  let [x1, x2, y1, y2] = [0, 0, 0, 0]
  return (pcm) => {
    const out = new Float32Array(pcm.length)
    for (let i = 0; i < pcm.length; i++) {
      const x = pcm[i]!
      const y = b[0] * x + b[1] * x1 + b[2] * x2 - a[0] * y1 - a[1] * y2
      x2 = x1
      x1 = x
      y2 = y1
      y1 = y
      out[i] = y
    }
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
