import { isSameThing } from './likeness.ts'
import type { Ranked } from './rank.ts'

/** Whether a match may be believed, should be looked at, or is hardly one. */
export const SURENESSES = ['sure', 'look', 'weak'] as const
export type Sureness = (typeof SURENESSES)[number]

/**
 * How sure a match is called, by what it is believed and by how near the best picture of another
 * thing comes to it; worked out on the labelled sets, `docs/matching.md` says how often each is
 * right.
 */
const CALLED = {
  /** Sure: nothing else comes as near, or nearly so where it has several of the words said. */
  clear: 0.8,
  clearWorded: 0.9,
  words: 2,
  sure: 0.52,
  /** Weak: believed less than this, or no more than that while another thing fits about as well. */
  believed: 0.6,
  beaten: 0.95,
  doubted: 0.75,
}

/**
 * @param shows of the words said, how many it has
 * @param list  what was ranked for the scene, the most believed first; the entry among it or not
 */
export function surenessOf(
  { believed, clashes, i }: Pick<Ranked, 'believed' | 'clashes' | 'i'>,
  shows: number,
  list: readonly Pick<Ranked, 'believed' | 'i'>[],
  alike: (a: number, b: number) => number,
): Sureness {
  if (clashes.length) return 'weak'
  const other = list.find((entry) => entry.i !== i && !isSameThing(alike(i, entry.i)))
  const next = (other?.believed ?? 0) / believed
  const clear = shows >= CALLED.words ? CALLED.clearWorded : CALLED.clear
  if (believed >= CALLED.sure && next < clear) return 'sure'
  const isDoubted = next > CALLED.beaten && believed < CALLED.doubted
  return believed < CALLED.believed || isDoubted ? 'weak' : 'look'
}
