import type { CheckedClaim } from '../document/document.ts'
import { csv } from '../text/csv.ts'
import { checkedAs, type Claim, CLAIM_KINDS } from './claims.ts'

/** The claims of a film as a list for its checkers: one row a claim, what was found out beside it. */
export function claimList(claims: readonly Claim[], known: readonly CheckedClaim[]): string {
  const rows = claims.map((claim) => {
    const found = checkedAs(claim, known)
    return [
      claim.scene + 1,
      CLAIM_KINDS[claim.kind],
      claim.words,
      claim.sentence,
      found?.mark ?? 'not looked at',
      found?.source ?? '',
      found?.by ?? '',
    ]
  })
  return csv([['scene', 'kind', 'claim', 'sentence', 'mark', 'source', 'marked_by'], ...rows])
}
