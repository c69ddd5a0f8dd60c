import { itemAt, lastOf } from '../../faults/certain.ts'
import { textWidth, type Type } from './measure.ts'

/**
 * Parts a word that is wider than a line into pieces that are not: between the words a dictionary of
 * its language knows, where it is written without spaces, else between letters.
 *
 * @returns the word itself where it fits
 */
export function fittingPieces(word: string, fits: (text: string) => boolean): string[] {
  if (fits(word)) return [word]
  const parts = [...new Intl.Segmenter(undefined, { granularity: 'word' }).segment(word)]
    .map(({ segment }) => segment)
    .flatMap((part) =>
      fits(part) ? [part] : [...new Intl.Segmenter().segment(part)].map(({ segment }) => segment),
    )
  const pieces: string[][] = []
  for (const part of parts) {
    const last = pieces.at(-1)
    if (last && fits(last.join('') + part)) last.push(part)
    // A mark never begins a line: what stands before it goes along.
    else if (last && last.length > 1 && /^[\p{P}\p{M}]/u.test(part))
      pieces.push([lastOf(last.splice(-1)), part])
    else pieces.push([part])
  }
  return pieces.map((piece) => piece.join(''))
}

/**
 * A text in lines that are no wider than allowed and nearly as long as each other.
 *
 * @param most lines; what is over is cut at a word, with an ellipsis
 * @returns `[]` for a text without words
 */
export function textLines(text: string, type: Type, widest: number, most: number): string[] {
  const fits = (line: string) => textWidth(line, type) <= widest
  const words = text
    .trim()
    .split(/\s+/)
    .flatMap((word) => (word ? fittingPieces(word, fits) : []))
  if (!words.length) return []
  const lines = filled(words, (line) => textWidth(line, type), widest)
  if (lines.length > most) {
    const kept = lines.slice(0, most)
    kept[most - 1] = shortened(itemAt(kept, most - 1), fits)
    return kept
  }
  return evened(words, (line) => textWidth(line, type), widest, lines.length)
}

function filled(
  words: readonly string[],
  width: (line: string) => number,
  widest: number,
): string[] {
  const lines: string[] = []
  for (const word of words) {
    const last = lines.at(-1)
    if (last !== undefined && width(`${last} ${word}`) <= widest)
      lines[lines.length - 1] = `${last} ${word}`
    else lines.push(word)
  }
  return lines
}

/** The narrowest measure that needs no more lines leaves none much shorter than the others. */
function evened(
  words: readonly string[],
  width: (line: string) => number,
  widest: number,
  count: number,
): string[] {
  let [low, high] = [0, widest]
  for (let i = 0; i < 12; i++) {
    const middle = (low + high) / 2
    if (filled(words, width, middle).length > count) low = middle
    else high = middle
  }
  return filled(words, width, high)
}

function shortened(line: string, fits: (text: string) => boolean): string {
  const words = line.split(' ')
  while (words.length > 1 && !fits(`${words.join(' ')} …`)) words.pop()
  const left = words.join(' ')
  if (fits(`${left} …`)) return `${left} …`
  const letters = [...new Intl.Segmenter().segment(lastOf(words))].map(({ segment }) => segment)
  while (letters.length > 1 && !fits(`${letters.join('')}…`)) letters.pop()
  return `${letters.join('')}…`
}
