import type { CheckedClaim } from '../document/document.ts'
import type { ClaimRow } from '../export/claim-list.ts'
import { checkedAs, type Claim, CLAIM_KINDS } from './claim.ts'

/**
 * Claims with what a person found out about each.
 *
 * @param known what was found out, of any sentence; what was said of another wording does not count
 * @returns one a claim, in their order; `[]` for none
 */
export const claimRows = (claims: readonly Claim[], known: readonly CheckedClaim[]): ClaimRow[] =>
  claims.map((claim) => {
    const found = checkedAs(claim, known)
    return {
      scene: claim.scene + 1,
      kind: CLAIM_KINDS[claim.kind],
      words: claim.words,
      sentence: claim.sentence,
      mark: found?.mark ?? 'not looked at',
      source: found?.source ?? '',
      by: found?.by ?? '',
    }
  })
