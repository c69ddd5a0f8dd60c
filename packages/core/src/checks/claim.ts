import type { CheckedClaim } from '../document/document.ts'

export const CLAIM_KINDS = {
  number: 'a number',
  date: 'a date',
  name: 'a name',
  superlative: 'a superlative',
  cause: 'a cause',
} as const
export type ClaimKind = keyof typeof CLAIM_KINDS

/**
 * Something the narration says that can be right or wrong; `[from, to)` of its words in the script.
 */
export interface Claim {
  kind: ClaimKind
  words: string
  from: number
  to: number
  /** As spoken: spaces evened. */
  sentence: string
  /** Index of the scene its words are in. */
  scene: number
}

/**
 * What a person found out about a claim, if anybody has looked since its sentence was last
 * changed.
 *
 * @returns undefined where nobody has looked, or the sentence has changed since
 */
export function checkedAs(
  claim: Pick<Claim, 'sentence' | 'words'>,
  known: readonly CheckedClaim[],
): CheckedClaim | undefined {
  return known.find(({ sentence, words }) => sentence === claim.sentence && words === claim.words)
}
