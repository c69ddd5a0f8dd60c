import { z } from 'zod'

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
