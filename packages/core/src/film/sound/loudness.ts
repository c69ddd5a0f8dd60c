import { type Biquad, type Filter, filterOf } from './biquad.ts'

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
function kWeighting(rate: number): Filter {
  const shelf = filterOf(weighing(1681.974450955533, 0.7071752369554196, rate, 3.999843853973347))
  const high = filterOf(weighing(38.13547087602444, 0.5003270373238773, rate))
  return (pcm) => high(shelf(pcm))
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
  const weighted = Array.from({ length: count }, () => kWeighting(rate))
  const hop = Math.round(rate / HOPS_A_SECOND)
  const done: number[] = []
  let sum = 0
  let samples = 0
  return {
    add(channels) {
      const heard = channels.map((pcm, c) => weighted[c]!(pcm))
      const length = heard[0]?.length ?? 0
      for (let i = 0; i < length; i++) {
        for (const pcm of heard) sum += pcm[i]! * pcm[i]!
        if (++samples < hop) continue
        done.push(sum / hop)
        ;[sum, samples] = [0, 0]
      }
    },
    powers: () => (done.length || !samples ? done : [sum / samples]),
  }
}

/** Power of K-weighted sound in LUFS; −Infinity for none. */
export const lufsOf = (power: number) => -0.691 + 10 * Math.log10(power)
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
  const heard = gated(running(powers, SHORT_TERM), GATE.range).sort((a, b) => a - b)
  const at = (share: number) => lufsOf(heard[Math.round(share * (heard.length - 1))] ?? 1)
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
