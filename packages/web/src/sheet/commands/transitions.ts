import { type Transition, type TransitionKind, TRANSITIONS } from '@tidy-reel/core/style/transition'
import { transitionOf } from '../../controls/transition-words.ts'

/** What one key press makes of each: the kinds one after another. */
export function following(kind: TransitionKind): Transition {
  const next = TRANSITIONS[(TRANSITIONS.indexOf(kind) + 1) % TRANSITIONS.length]
  return transitionOf(next ?? 'cut')
}
