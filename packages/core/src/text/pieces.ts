import type { TextRange } from './text-range.ts'

/**
 * Characters that are looked at together, at most. Rules that look for something from every place
 * of a text take time by its square: in pieces of this size they take it by its length. A sentence
 * of so many characters speaks for over a minute; hardly anything written by a person has one.
 */
export const PIECE_CHARACTERS = 1000

const SPACE = /\s/
const CLAUSE_END = /[,;:—–、，；：。]/

/**
 * A text in pieces of at most `most` characters, parted behind the end of a clause, else behind a
 * space, else anywhere between two characters.
 *
 * @returns in order, covering the whole text; one piece for what is short enough, `[]` for none
 */
export function piecesOf(text: string, most = PIECE_CHARACTERS): TextRange[] {
  const pieces: TextRange[] = []
  for (let from = 0; from < text.length;) {
    const to = text.length - from <= most ? text.length : cutBetween(text, from, from + most)
    pieces.push({ from, to })
    from = to
  }
  return pieces
}

/** The best place to part `[from, to]`, in its second half. */
function cutBetween(text: string, from: number, to: number): number {
  const half = from + Math.ceil((to - from) / 2)
  let space = 0
  for (let at = to; at > half; at--) {
    if (!SPACE.test(text.charAt(at - 1))) continue
    if (CLAUSE_END.test(text.charAt(at - 2))) return at
    space ||= at
  }
  if (space) return space
  const splitsPair =
    /[\udc00-\udfff]/.test(text.charAt(to)) && /[\ud800-\udbff]/.test(text.charAt(to - 1))
  return splitsPair ? to - 1 : to
}
