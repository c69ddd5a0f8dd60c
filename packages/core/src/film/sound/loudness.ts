/**
 * K-weighting of ITU-R BS.1770-4 for any sample rate: a high shelf for the head, then a high-pass.
 * The analogue prototypes behind the recommendation's 48 kHz coefficients, bilinear-transformed.
 */
function kWeighting(rate: number) {
  const shelf = biquad(1681.974450955533, 0.7071752369554196, rate, 3.999843853973347)
  const high = biquad(38.13547087602444, 0.5003270373238773, rate)
  return [shelf, high]
}

type Biquad = { b: [number, number, number]; a: [number, number] }

function biquad(hz: number, q: number, rate: number, shelfDb?: number): Biquad {
  const k = Math.tan((Math.PI * hz) / rate)
  const a0 = 1 + k / q + k * k
  const a: [number, number] = [(2 * (k * k - 1)) / a0, (1 - k / q + k * k) / a0]
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

function filtered(input: Float32Array, { b, a }: Biquad): Float32Array {
  const out = new Float32Array(input.length)
  let x1 = 0,
    x2 = 0,
    y1 = 0,
    y2 = 0
  for (let i = 0; i < input.length; i++) {
    const x = input[i]!
    const y = b[0] * x + b[1] * x1 + b[2] * x2 - a[0] * y1 - a[1] * y2
    x2 = x1
    x1 = x
    y2 = y1
    y1 = y
    out[i] = y
  }
  return out
}

/**
 * Integrated loudness in LUFS (ITU-R BS.1770-4): 400 ms blocks, three quarters overlapping, gated
 * at −70 LUFS and at 10 LU below what is left. Sound shorter than a block counts as one block.
 *
 * @param channels mono or stereo, samples in −1…1, all of one length
 * @returns −Infinity for silence
 */
export function integratedLoudness(channels: readonly Float32Array[], rate: number): number {
  const weighted = channels.map((pcm) => kWeighting(rate).reduce(filtered, pcm))
  const length = weighted[0]?.length ?? 0
  const block = Math.min(length, Math.round(rate * 0.4))
  const step = Math.max(1, Math.round(rate * 0.1))
  const powers: number[] = []
  for (let at = 0; block > 0 && at + block <= length; at += step) {
    let power = 0
    for (const pcm of weighted) for (let i = at; i < at + block; i++) power += pcm[i]! * pcm[i]!
    powers.push(power / block)
  }
  const loud = powers.filter((power) => lufs(power) > -70)
  const gate = lufs(mean(loud)) - 10
  return lufs(mean(loud.filter((power) => lufs(power) > gate)))
}

const lufs = (power: number) => -0.691 + 10 * Math.log10(power)
const mean = (values: readonly number[]) =>
  values.reduce((sum, value) => sum + value, 0) / values.length || 0
