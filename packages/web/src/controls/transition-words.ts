import type { Through, Transition, TransitionKind, Way } from '@tidy-reel/core/style/transition'
import { CUT, isMoving, TRANSITION_SECONDS } from '@tidy-reel/core/style/transition'
import { SAMPLE_RATE } from '@tidy-reel/core/time/time'

/** What a transition is called, read after "comes by". */
export const TRANSITION_WORDS: Record<TransitionKind, string> = {
  cut: 'a plain cut',
  dissolve: 'a dissolve',
  dip: 'a dip',
  push: 'a push',
  slide: 'a slide',
  wipe: 'a wipe',
}

export const THROUGH_WORDS: Record<Through, string> = {
  black: 'to black',
  white: 'to white',
  paper: 'to the paper',
}

export const WAY_WORDS: Record<Way, string> = {
  left: 'to the left',
  right: 'to the right',
  up: 'upwards',
  down: 'downwards',
}

/** A sign for each, as small as the strip of pictures has room for. */
export const TRANSITION_SIGNS: Record<Exclude<TransitionKind, 'cut'>, string> = {
  dissolve: '◢',
  dip: '▼',
  push: '⇤',
  slide: '◨',
  wipe: '◧',
}

/** A dissolve, a dip to white, a push upwards. */
export function transitionName({
  kind,
  through,
  way,
}: Pick<Transition, 'kind' | 'through' | 'way'>): string {
  const name = TRANSITION_WORDS[kind]
  if (kind === 'dip') return `${name} ${THROUGH_WORDS[through ?? 'black']}`
  return isMoving(kind) ? `${name} ${WAY_WORDS[way ?? 'left']}` : name
}

/** As long as a hand sets them: what moves is over sooner than what mixes (by eye). */
const SECONDS = { dissolve: 1, dip: 1, push: 0.6, slide: 0.6, wipe: 0.8 }

/** A transition of a kind as it begins. */
export const transitionOf = (kind: TransitionKind): Transition =>
  kind === 'cut' ? CUT : { kind, samples: Math.round(SECONDS[kind] * SAMPLE_RATE) }

/** The transition in so many seconds, within what is allowed. */
export const lasting = (transition: Transition, seconds: number): Transition => {
  const { least, most } = TRANSITION_SECONDS
  const within = Math.min(most, Math.max(least, seconds))
  return { ...transition, samples: Math.round(within * SAMPLE_RATE) }
}
