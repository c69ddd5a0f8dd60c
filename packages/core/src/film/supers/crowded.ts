import { clockText, secondsFromSamples } from '../../time/time.ts'
import type { Super } from './supers.ts'

/** What a person should know of supers that found no room, a sentence each. */
export const crowdedRemarks = (crowded: readonly Super[]): string[] =>
  crowded.map(
    ({ kind, text, start }) =>
      `"${text.slice(0, 60)}" (${kind}) at ${clockText(secondsFromSamples(start))} found no room beside ` +
      'what else is seen there; it was left out. Give it another scene, or fewer words.',
  )
