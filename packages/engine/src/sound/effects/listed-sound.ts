import type { KnownSound } from '@tidy-reel/core/film/sound/effects/known-sound'

/** A sound and, of one that is not made from numbers, its file. */
export interface ListedSound extends KnownSound {
  file?: string
  /** Never begins again: its end is not laid under its beginning. */
  asRecorded?: boolean
}
