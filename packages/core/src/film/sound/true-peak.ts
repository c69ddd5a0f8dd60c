/** Samples on either side that a value between two is made from. */
export const REACH = 8
/** Places between two samples that are looked at: four times the rate (ITU-R BS.1770-4, annex 2). */
const PLACES = [0.25, 0.5, 0.75]
/** Where both neighbours are smaller than this share of a peak, none as high lies between them. */
export const WORTH_A_LOOK = 0.5

/** Weights of the samples around a place between two: a sinc under a raised cosine (Hann). */
const WEIGHTS = PLACES.map((share) =>
  Float64Array.from({ length: 2 * REACH }, (_, i) => {
    const x = i - (REACH - 1) - share
    const hann = 0.5 + 0.5 * Math.cos((Math.PI * x) / REACH)
    return (Math.sin(Math.PI * x) / (Math.PI * x)) * hann
  }),
)

/** How high sound goes between a sample and the next, 0 where not all neighbours are there. */
export function between(pcm: Float32Array, i: number): number {
  const first = i - REACH + 1
  if (first < 0 || first + 2 * REACH > pcm.length) return 0
  let peak = 0
  for (const weights of WEIGHTS) {
    let value = 0
    for (let k = 0; k < weights.length; k++) value += weights[k]! * pcm[first + k]!
    peak = Math.max(peak, Math.abs(value))
  }
  return peak
}

/** Finds how high a sound peaks between its samples, piece by piece. */
export interface TruePeakMeter {
  add(channels: readonly Float32Array[]): void
  /** 1 = full scale. */
  peak(): number
}

/** @param count channels */
export function truePeakMeter(count: number): TruePeakMeter {
  const rests = Array.from({ length: count }, () => new Float32Array(2 * REACH - 1))
  let most = 0
  return {
    add(channels) {
      channels.forEach((pcm, c) => {
        const rest = rests[c] ?? new Float32Array(0)
        const whole = new Float32Array(rest.length + pcm.length)
        whole.set(rest)
        whole.set(pcm, rest.length)
        most = peakIn(whole, most)
        rests[c] = whole.slice(-(2 * REACH - 1))
      })
    },
    peak: () => most,
  }
}

/** The larger of a peak and those between the samples that have all their neighbours. */
function peakIn(pcm: Float32Array, most: number): number {
  let peak = most
  for (let i = REACH - 1; i + REACH < pcm.length; i++) {
    const [here, next] = [Math.abs(pcm[i]!), Math.abs(pcm[i + 1]!)]
    if (here > peak) peak = here
    if (here > WORTH_A_LOOK * peak || next > WORTH_A_LOOK * peak)
      peak = Math.max(peak, between(pcm, i))
  }
  return peak
}
