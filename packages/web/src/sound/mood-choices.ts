import type { Purpose } from '@tidy-reel/core/film/music/own/own-music'
import type { Mood } from '@tidy-reel/core/style/film-choices'

/** The music there is, as a person chooses it. */
export const MOOD_CHOICES: readonly (readonly [Mood, string])[] = [
  ['calm', 'calm: slow and clear'],
  ['warm', 'warm: easy, at home'],
  ['bright', 'bright: light, on the way'],
  ['solemn', 'solemn: slow, in minor'],
  ['curious', 'curious: what is that?'],
  ['playful', 'playful: quick and light'],
  ['dreamy', 'dreamy: floating'],
  ['night', 'night: low and quiet'],
  ['wistful', 'wistful: looking back'],
  ['tense', 'tense: something is coming'],
  ['busy', 'busy: machines, cities'],
  ['grand', 'grand: wide, for great things'],
  ['none', 'no music'],
]

/** What the music of a mood is good for (common practice). */
export const MOOD_PURPOSES: Record<Mood, readonly Purpose[]> = {
  calm: ['story', 'explanation', 'ending'],
  warm: ['opening', 'story', 'ending'],
  bright: ['opening', 'explanation', 'ending'],
  solemn: ['story', 'ending'],
  curious: ['opening', 'explanation'],
  playful: ['opening', 'explanation'],
  dreamy: ['story', 'explanation'],
  night: ['story', 'explanation'],
  wistful: ['story', 'ending'],
  tense: ['opening', 'tension'],
  busy: ['explanation', 'tension'],
  grand: ['opening', 'ending', 'tension'],
  none: ['opening', 'story', 'explanation', 'tension', 'ending'],
}
