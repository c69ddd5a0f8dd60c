import FFT from 'fft.js'

/** A sound as its rhythm and its harmony are heard, a hundred times a second. */
export interface HeardFrames {
  /** How much begins in each frame: 0 for nothing. */
  onsets: Float64Array
  /** Energy of the twelve notes in each frame, one frame after another. */
  chroma: Float32Array
  /** Loudness of a few bands of each frame, in natural logarithms. */
  bands: Float32Array
  count: number
}

/** Hz that sound is listened to at: what begins is heard below 6 kHz. */
export const HEARD_RATE = 12_000
export const FRAMES_A_SECOND = 100
export const BANDS = 24
export const NOTES = 12
const WINDOW = 1024
const HOP = HEARD_RATE / FRAMES_A_SECOND
/** What begins is louder than it was so many frames before. */
const LAG = 2
/** Frames around each over which what usually begins is taken off. */
const AROUND = FRAMES_A_SECOND / 2
const [LOWEST_HZ, HIGHEST_HZ] = [40, 5800]
/** Below, a bin is wider than a note; above, there are overtones more than notes. */
const [LOWEST_NOTE_HZ, HIGHEST_NOTE_HZ] = [110, 2000]

const hann = Float64Array.from(
  { length: WINDOW },
  (_, i) => 0.5 - 0.5 * Math.cos((2 * Math.PI * i) / WINDOW),
)
const BINS = WINDOW / 2
const hzOf = (bin: number) => (bin * HEARD_RATE) / WINDOW
/** Of each bin its band, evenly spread over the octaves; -1 for none. */
const bandOf = Int8Array.from({ length: BINS }, (_, bin) => {
  const hz = hzOf(bin)
  if (hz < LOWEST_HZ || hz >= HIGHEST_HZ) return -1
  return Math.floor((Math.log(hz / LOWEST_HZ) / Math.log(HIGHEST_HZ / LOWEST_HZ)) * BANDS)
})
/** Of each bin its note, counted from A; -1 for none. */
const noteOf = Int8Array.from({ length: BINS }, (_, bin) => {
  const hz = hzOf(bin)
  if (hz < LOWEST_NOTE_HZ || hz > HIGHEST_NOTE_HZ) return -1
  return ((Math.round(NOTES * Math.log2(hz / 440)) % NOTES) + NOTES) % NOTES
})

/**
 * Listens to a sound: spectral flux over bands for what begins (as S. Dixon, "Onset Detection
 * Revisited", DAFx 2006, has it; from memory), energy by note for its harmony.
 *
 * @param mono at `HEARD_RATE`
 */
export function heardFrames(mono: Float32Array): HeardFrames {
  const count = Math.max(1, Math.ceil(mono.length / HOP))
  const chroma = new Float32Array(count * NOTES)
  const bands = new Float32Array(count * BANDS)
  const flux = new Float64Array(count)
  const fft = new FFT(WINDOW)
  const out = fft.createComplexArray()
  const piece = new Float64Array(WINDOW)
  for (let frame = 0; frame < count; frame++) {
    const first = frame * HOP - WINDOW / 2
    for (let i = 0; i < WINDOW; i++) piece[i] = (mono[first + i] ?? 0) * hann[i]!
    fft.realTransform(out, piece)
    for (let bin = 1; bin < BINS; bin++) {
      const power = out[2 * bin]! ** 2 + out[2 * bin + 1]! ** 2
      const [band, note] = [bandOf[bin]!, noteOf[bin]!]
      if (band >= 0) bands[frame * BANDS + band]! += power
      if (note >= 0) chroma[frame * NOTES + note]! += Math.sqrt(power)
    }
    for (let b = frame * BANDS; b < (frame + 1) * BANDS; b++) {
      bands[b] = Math.log(1e-4 + bands[b]!)
      if (frame >= LAG) flux[frame]! += Math.max(0, bands[b]! - bands[b - LAG * BANDS]!)
    }
  }
  return { onsets: standingOut(flux), chroma, bands, count }
}

/** What is more than it usually is around, over its spread in the whole. */
function standingOut(flux: Float64Array): Float64Array {
  const sums = new Float64Array(flux.length + 1)
  flux.forEach((value, i) => (sums[i + 1] = sums[i]! + value))
  const onsets = flux.map((value, i) => {
    const [from, to] = [Math.max(0, i - AROUND), Math.min(flux.length, i + AROUND + 1)]
    return Math.max(0, value - (sums[to]! - sums[from]!) / (to - from))
  })
  const spread = Math.sqrt(onsets.reduce((sum, one) => sum + one * one, 0) / onsets.length)
  return spread > 0 ? onsets.map((one) => one / spread) : onsets
}
