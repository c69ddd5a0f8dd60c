import { type Biquad, heard } from './biquad.ts'

/** How often power is told: a tenth of a second. */
export const HOPS_A_SECOND = 10
/** Hops of a momentary and of a short-term loudness: 400 ms and 3 s (EBU Tech 3341). */
const MOMENTARY = 4
const SHORT_TERM = 30
/** Nothing below is counted (ITU-R BS.1770-4), LUFS. */
const SILENCE = -70
/** LU below what is left after it, for the integrated loudness and for the range of it. */
const GATE = { integrated: -10, range: -20 }

/**
 * K-weighting of ITU-R BS.1770-4 for any sample rate: a high shelf for the head, then a high-pass.
 * The analogue prototypes behind the recommendation's 48 kHz coefficients, bilinear-transformed.
 */
const kWeighting = (rate: number) => ({
  shelf: weighing(1681.974450955533, 0.7071752369554196, rate, 3.999843853973347),
  high: weighing(38.13547087602444, 0.5003270373238773, rate),
})

/**
 * Adds up the weighted power of one channel, piece by piece. Both filters in one loop: most of what
 * measuring a film costs is here.
 */
function weightedPower(rate: number): (pcm: Float32Array, from: number, to: number) => number {
  const { shelf, high } = kWeighting(rate)
  const [s0, s1, s2] = shelf.b
  const [t1, t2] = shelf.a
  const [h0, h1, h2] = high.b
  const [g1, g2] = high.a
  const state = new Float64Array(6)
  return (pcm, from, to) => {
    let [x1 = 0, x2 = 0, y1 = 0, y2 = 0, z1 = 0, z2 = 0] = state
    let sum = 0
    for (let i = from; i < to; i++) {
      const x = pcm[i]!
      const y = heard(s0 * x + s1 * x1 + s2 * x2 - t1 * y1 - t2 * y2)
      const z = heard(h0 * y + h1 * y1 + h2 * y2 - g1 * z1 - g2 * z2)
      x2 = x1
      x1 = x
      y2 = y1
      y1 = y
      z2 = z1
      z1 = z
      sum += z * z
    }
    state.set([x1, x2, y1, y2, z1, z2])
    return sum
  }
}

function weighing(hz: number, q: number, rate: number, shelfDb?: number): Biquad {
  const k = Math.tan((Math.PI * hz) / rate)
  const a0 = 1 + k / q + k * k
  const a = [(2 * (k * k - 1)) / a0, (1 - k / q + k * k) / a0] as const
  if (shelfDb === undefined) return { b: [1, -2, 1], a }
  const vh = 10 ** (shelfDb / 20)
  const vb = vh ** 0.4996667741545416
  return {
    b: [
      (vh + (vb * k) / q + k * k) / a0,
      (2 * (k * k - vh)) / a0,
      (vh - (vb * k) / q + k * k) / a0,
    ],
    a,
  }
}

/** Measures sound as it comes. */
export interface LoudnessMeter {
  /** The next piece: as many channels as before, all of one length. */
  add(channels: readonly Float32Array[]): void
  /**
   * K-weighted power of each whole tenth of a second so far, summed over the channels; what is left
   * at the end counts as one where there is nothing else.
   */
  powers(): number[]
}

/** @param rate of the samples, in Hz @param count channels */
export function loudnessMeter(rate: number, count: number): LoudnessMeter {
  const powers = Array.from({ length: count }, () => weightedPower(rate))
  const hop = Math.round(rate / HOPS_A_SECOND)
  const done: number[] = []
  let sum = 0
  let samples = 0
  return {
    add(channels) {
      const length = channels[0]?.length ?? 0
      for (let from = 0; from < length;) {
        const to = Math.min(length, from + hop - samples)
        for (let c = 0; c < count; c++) sum += powers[c]!(channels[c]!, from, to)
        samples += to - from
        from = to
        if (samples < hop) continue
        done.push(sum / hop)
        sum = 0
        samples = 0
      }
    },
    powers: () => (done.length || !samples ? done : [sum / samples]),
  }
}

/** Power of K-weighted sound in LUFS; −Infinity for none. */
export const lufsOf = (power: number) => -0.691 + 10 * Math.log10(power)
/** The mean square that is so many LUFS loud (ITU-R BS.1770-4). */
export const powerOf = (lufs: number) => 10 ** ((lufs + 0.691) / 10)

const mean = (values: readonly number[]) =>
  values.reduce((sum, value) => sum + value, 0) / values.length || 0

/** Means over so many hops, a new one with each hop; one for all where there are fewer. */
function running(powers: readonly number[], hops: number): number[] {
  const width = Math.min(hops, powers.length)
  if (!width) return []
  let sum = 0
  const means: number[] = []
  powers.forEach((power, i) => {
    sum += power - (i >= width ? powers[i - width]! : 0)
    if (i >= width - 1) means.push(Math.max(0, sum) / width)
  })
  return means
}

/** Loudness over 400 ms, ten times a second, LUFS (EBU Tech 3341). */
export const momentary = (powers: readonly number[]) => running(powers, MOMENTARY).map(lufsOf)
/** Loudness over 3 s, ten times a second, LUFS (EBU Tech 3341). */
export const shortTerm = (powers: readonly number[]) => running(powers, SHORT_TERM).map(lufsOf)

/** What is above the gate: a mean of what is left, lowered by `below` LU. */
function gated(means: readonly number[], below: number): number[] {
  const loud = means.filter((power) => lufsOf(power) > SILENCE)
  const gate = lufsOf(mean(loud)) + below
  return loud.filter((power) => lufsOf(power) > gate)
}

/**
 * Integrated loudness in LUFS (ITU-R BS.1770-4): 400 ms blocks, three quarters overlapping, gated
 * at −70 LUFS and at 10 LU below what is left.
 *
 * @param powers of a meter
 * @returns −Infinity for silence
 */
export const integrated = (powers: readonly number[]): number =>
  lufsOf(mean(gated(running(powers, MOMENTARY), GATE.integrated)))

/**
 * Loudness range in LU (EBU Tech 3342): between the 10th and the 95th of a hundred short-term
 * values, gated at −70 LUFS and at 20 LU below what is left.
 */
export function loudnessRange(powers: readonly number[]): number {
  const loud = gated(running(powers, SHORT_TERM), GATE.range).sort((a, b) => a - b)
  const at = (share: number) => lufsOf(loud[Math.round(share * (loud.length - 1))] ?? 1)
  return at(0.95) - at(0.1)
}

/**
 * Integrated loudness of sound that is all there, LUFS. Sound shorter than 400 ms counts as one
 * block.
 *
 * @param channels mono or stereo, samples in −1…1, all of one length
 * @returns −Infinity for silence
 */
export function integratedLoudness(channels: readonly Float32Array[], rate: number): number {
  const meter = loudnessMeter(rate, channels.length)
  meter.add(channels)
  return integrated(meter.powers())
}
