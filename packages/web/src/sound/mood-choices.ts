import type { Mood } from '@tidy-reel/core/style/film-choices'

/** The music there is, as a person chooses it. */
export const MOOD_CHOICES: readonly (readonly [Mood, string])[] = [
  ['calm', 'calm: slow piano'],
  ['warm', 'warm: folk guitar'],
  ['bright', 'bright: light band'],
  ['solemn', 'solemn: strings'],
  ['none', 'no music'],
]
