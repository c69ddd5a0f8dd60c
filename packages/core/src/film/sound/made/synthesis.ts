import { SAMPLE_RATE } from '../../../time/time.ts'
import { filterOf, passing } from '../biquad.ts'

/** One channel of sound, 48 kHz. */
export type Sound = Float32Array

/** So many seconds in samples, one at the least. */
export const samplesOf = (seconds: number) => Math.max(1, Math.round(seconds * SAMPLE_RATE))

/** White noise, its samples evenly spread in −1…1. */
export function whiteNoise(seconds: number, random: () => number): Sound {
  const out = new Float32Array(samplesOf(seconds))
  for (let i = 0; i < out.length; i++) out[i] = 2 * random() - 1
  return out
}

/**
 * Noise of so many seconds that is as strong in each octave (filter by Paul Kellet, from memory).
 */
export function pinkNoise(seconds: number, random: () => number): Sound {
  const out = new Float32Array(samplesOf(seconds))
  let [b0, b1, b2] = [0, 0, 0]
  for (let i = 0; i < out.length; i++) {
    const white = 2 * random() - 1
    b0 = 0.99765 * b0 + white * 0.099046
    b1 = 0.963 * b1 + white * 0.2965164
    b2 = 0.57 * b2 + white * 1.0526913
    out[i] = (b0 + b1 + b2 + white * 0.1848) / 4
  }
  return out
}

/** What of a sound lies below `hz`. */
export const lowPassed = (sound: Sound, hz: number, q = 0.7) =>
  filterOf(passing('low', hz, q, SAMPLE_RATE))(sound)
/** What of a sound lies above `hz`. */
export const highPassed = (sound: Sound, hz: number, q = 0.7) =>
  filterOf(passing('high', hz, q, SAMPLE_RATE))(sound)
/** What of a sound lies around `hz`. */
export const bandPassed = (sound: Sound, hz: number, q = 1) =>
  filterOf(passing('band', hz, q, SAMPLE_RATE))(sound)

/** Each sample times what a curve says at its second. */
export function shaped(sound: Sound, curve: (second: number) => number): Sound {
  const out = new Float32Array(sound.length)
  for (let i = 0; i < out.length; i++) out[i] = sound[i]! * curve(i / SAMPLE_RATE)
  return out
}

/** Sounds laid over each other, each from a second on; as long as the first. */
export function laid(
  seconds: number,
  parts: readonly { at: number; sound: Sound; gain?: number }[],
): Sound {
  const out = new Float32Array(samplesOf(seconds))
  for (const { at, sound, gain = 1 } of parts) {
    const start = Math.round(at * SAMPLE_RATE)
    const end = Math.min(out.length, start + sound.length)
    for (let i = Math.max(0, start); i < end; i++) out[i]! += gain * sound[i - start]!
  }
  return out
}

/** A tone that rings out: as many seconds until it is 60 dB lower. */
export interface Mode {
  hz: number
  gain: number
  seconds: number
}

/** What is struck: its modes ring out together, for so many seconds (modal synthesis). */
export function struck(seconds: number, modes: readonly Mode[]): Sound {
  const out = new Float32Array(samplesOf(seconds))
  for (const { hz, gain, seconds: rings } of modes) {
    const fall = Math.exp(-6.91 / (rings * SAMPLE_RATE))
    const step = (2 * Math.PI * hz) / SAMPLE_RATE
    let level = gain
    for (let i = 0; i < out.length; i++, level *= fall) out[i]! += level * Math.sin(step * i)
  }
  return out
}

/** Samples of one round of a tone; between two of them it goes straight. */
const ROUND = 2048

/** One round of a tone of overtones, and its first sample again. */
function roundOf(overtones: readonly number[]): Float64Array {
  const round = new Float64Array(ROUND + 1)
  for (const [n, gain] of overtones.entries())
    for (let i = 0; i <= ROUND; i++)
      round[i]! += gain * Math.sin((2 * Math.PI * (n + 1) * i) / ROUND)
  return round
}

const SINE = roundOf([1])

/**
 * A tone of so many seconds whose pitch follows a curve; `overtones` are its partials' gains, the first
 * the lowest.
 */
export function sung(
  seconds: number,
  hz: (second: number) => number,
  overtones?: readonly number[],
): Sound {
  const out = new Float32Array(samplesOf(seconds))
  const round = overtones ? roundOf(overtones) : SINE
  let phase = 0
  for (let i = 0; i < out.length; i++) {
    phase = (phase + hz(i / SAMPLE_RATE) / SAMPLE_RATE) % 1
    const at = phase * ROUND
    const whole = Math.floor(at)
    out[i] = round[whole]! + (round[whole + 1]! - round[whole]!) * (at - whole)
  }
  return out
}

/** Rises over `attack` and dies away over `fall` seconds, from 0 to 1 and back. */
export const burst = (attack: number, fall: number) => (second: number) =>
  second < attack ? second / attack : Math.exp((-4 * (second - attack)) / fall)

/** A curve that wanders between 0 and 1, in so many seconds from one place to the next. */
export function wandering(random: () => number, seconds: number, every: number) {
  const places = Array.from({ length: Math.ceil(seconds / every) + 2 }, random)
  return (second: number) => {
    const at = second / every
    const i = Math.min(places.length - 2, Math.floor(at))
    const share = Math.min(1, at - i)
    return places[i]! + (places[i + 1]! - places[i]!) * share * share * (3 - 2 * share)
  }
}

/** Moments of a stretch at which something happens, so many a second, as chance has it. */
export function moments(random: () => number, seconds: number, aSecond: number): number[] {
  const found: number[] = []
  const wait = () => -Math.log(1 - random()) / aSecond
  for (let at = wait(); at < seconds; at += wait()) found.push(at)
  return found
}
