import { z } from 'zod'
import type { Pronunciation } from './pronunciation.ts'

/** How a voice is finished; `plain` is the engine's own sound at the level of all others. */
export const FINISHES = ['documentary', 'bright', 'intimate', 'plain'] as const
export type Finish = (typeof FINISHES)[number]

/** How a scene is spoken: the voice's own way, held back, or with more weight. */
export const EMPHASES = ['soft', 'plain', 'strong'] as const
export type Emphasis = (typeof EMPHASES)[number]

/** The voices' limits: below and above, words are no longer understood. */
export const Speed = z.number().min(0.6).max(1.6)
/** All silences between words, sentences, paragraphs and chapters at once: 1 as they are. */
export const PauseFactor = z.number().min(0.3).max(2.5)

/** What is asked of a voice. */
export interface TakeRequest {
  text: string
  voice: string
  speed: number
  finish?: Finish
  emphasis?: Emphasis
  /** Of the silences inside the take. */
  pauses?: number
  pronunciations?: readonly Pronunciation[]
  /** The longest silence left inside the take, in seconds; breaths and fillers of a recording go with it. Left out, all stay. */
  tighten?: number
  /** A take that a person chose for the text: nothing is spoken then; a recording is finished as asked. */
  take?: string
}
