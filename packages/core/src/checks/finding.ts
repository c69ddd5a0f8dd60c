import type { TextRange } from '../text/text-range.ts'

export const CHECKS = [
  'long',
  'repeated',
  'opening',
  'name',
  'unit',
  'numeral',
  'spelling',
  'balance',
] as const
export type CheckKind = (typeof CHECKS)[number]

/** Something about the text that is worth a look; `[from, to)` in the script. */
export interface Finding extends TextRange {
  kind: CheckKind
  text: string
}
