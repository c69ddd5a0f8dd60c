import { SAMPLE_RATE } from '../../time/time.ts'

/**
 * LUFS of the finished film on the large video sites (common practice) and the ceiling of EBU R
 * 128.
 */
export const FILM_LUFS = -14
export const TRUE_PEAK_DBTP = -1
/** LU every take is brought to before it is mixed; leaves room for its peaks. */
export const TAKE_LUFS = -20
/**
 * WCAG 2.2 SC 1.4.7 asks for 20 dB between speech and what lies behind it; a little more, to be
 * sure of it.
 */
export const BED_BELOW_SPEECH_DB = 22

export interface MixPlan {
  /** Length of the whole mix, in samples. */
  samples: number
  /** Gain of the bed from its measured loudness to its place under the speech, in dB. */
  bedGainDb: number
  fadeInSamples: number
  fadeOutSamples: number
}

/**
 * Gains of a film's sound.
 *
 * @param speechLufs integrated loudness of the voice track
 * @param bedLufs    integrated loudness of the bed as it was made
 * @param samples length of the film; of a short one the fades take a quarter and a half at most
 */
export function mixPlan(samples: number, speechLufs: number, bedLufs: number): MixPlan {
  return {
    samples,
    bedGainDb: speechLufs - BED_BELOW_SPEECH_DB - bedLufs,
    fadeInSamples: Math.min(samples >> 2, 1.5 * SAMPLE_RATE),
    fadeOutSamples: Math.min(samples >> 1, 3 * SAMPLE_RATE),
  }
}

/**
 * The bed's gain at a moment, as a factor: its place under the speech, with raised-cosine fades.
 *
 * @param at samples from the start of the film
 */
export function bedGain(plan: MixPlan, at: number): number {
  const fade = (x: number) => 0.5 - 0.5 * Math.cos(Math.PI * Math.min(1, Math.max(0, x)))
  const rise = fade((at + 1) / plan.fadeInSamples)
  const fall = fade((plan.samples - at) / plan.fadeOutSamples)
  return 10 ** (plan.bedGainDb / 20) * Math.min(rise, fall)
}
