import type { Transition } from '@tidy-reel/core/style/film-choices'
import { CUT } from '@tidy-reel/core/style/film-choices'
import { SAMPLE_RATE } from '@tidy-reel/core/time/time'

/** A second each, as a hand sets them; calmer ones are set in the panel of the picture. */
export const DISSOLVE: Transition = { kind: 'dissolve', samples: SAMPLE_RATE }
export const DIP: Transition = { kind: 'dip', samples: SAMPLE_RATE }

/** What one key press makes of each. */
export const FOLLOWING: Record<Transition['kind'], Transition> = {
  cut: DISSOLVE,
  dissolve: DIP,
  dip: CUT,
}
