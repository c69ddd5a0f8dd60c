import { csv } from '../text/csv.ts'

/** A claim of the film and what was found out about it. */
export interface ClaimRow {
  /** Counted from 1. */
  scene: number
  /** In words: a number, a date. */
  kind: string
  words: string
  sentence: string
  /** `not looked at` where nobody has. */
  mark: string
  source: string
  by: string
}

const HEAD = ['scene', 'kind', 'claim', 'sentence', 'mark', 'source', 'marked_by']

/**
 * The claims of a film as a list for its checkers (RFC 4180): one row a claim under a head; the
 * head alone for none.
 */
export const claimList = (rows: readonly ClaimRow[]): string =>
  csv([
    HEAD,
    ...rows.map(({ scene, kind, words, sentence, mark, source, by }) => [
      scene,
      kind,
      words,
      sentence,
      mark,
      source,
      by,
    ]),
  ])
