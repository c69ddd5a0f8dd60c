import { clockText, secondsFromSamples } from '../../time/time.ts'
import type { Placing } from './places.ts'

/** What a person should know of supers that are not seen, a sentence each. */
export const leftOutRemarks = ({
  crowded,
  unknown,
}: Pick<Placing, 'crowded' | 'unknown'>): string[] => [
  ...crowded.map(
    ({ kind, text, start }) =>
      `"${text.slice(0, 60)}" (${kind}) at ${at(start)} found no room beside what else is seen ` +
      'there; it was left out. Give it another scene, or fewer words.',
  ),
  ...unknown.map(
    ({ text, start }) =>
      `No place called "${text.slice(0, 60)}" is known, so the map at ${at(start)} was left out. ` +
      'Write it as "Town, Country"; towns of 30,000 people and more are known.',
  ),
]

const at = (samples: number) => clockText(secondsFromSamples(samples))
