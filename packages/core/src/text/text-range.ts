/** A stretch of a text, `[from, to)` in UTF-16 units. */
export interface TextRange {
  from: number
  to: number
}
