import type { KnownSound } from '../film/sound/effects/known-sound.ts'

/** A sound that fits words, and by what. */
export type FoundSoundView = KnownSound & { why: string }
