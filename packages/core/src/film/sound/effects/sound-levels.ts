import { SAMPLE_RATE } from '../../../time/time.ts'
import type { SoundFacts } from './known-sound.ts'

/**
 * A sound by what names it; null where there is none, undefined where nobody has looked yet.
 */
export type SoundOf = (name: string) => SoundFacts | null | undefined

/**
 * Decibels below speech of what goes on: it counts as background, which WCAG 2.2 (SC 1.4.7) wants
 * 20 dB below.
 */
export const GOES_ON_BELOW = { faint: 38, low: 32, usual: 26, loud: 20 } as const
/** Of sounds of a second or two, which it leaves out. */
export const ONCE_BELOW = { faint: 24, low: 18, usual: 12, loud: 6 } as const

/** Shorter than this nothing is heard as a sound. */
export const LEAST_SAMPLES = Math.round(0.02 * SAMPLE_RATE)
/** Where somebody asks for none: a millisecond, so that nothing clicks. */
export const LEAST_FADE = SAMPLE_RATE / 1000
