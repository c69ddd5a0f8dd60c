import type { SearchWord } from '@tidy-reel/core/words/search-words'

/** A narration in pieces, the words that pictures are looked for by marked. */
export function markedPieces(
  text: string,
  words: readonly Pick<SearchWord, 'written'>[],
): { text: string; mark: boolean }[] {
  const wanted = [...new Set(words.map(({ written }) => written).filter(Boolean))].sort(
    (a, b) => b.length - a.length,
  )
  if (!wanted.length) return [{ text, mark: false }]
  const pattern = new RegExp(
    `(?<![\\p{L}\\p{N}])(` +
      `${wanted.map((word) => word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')).join('|')})(?![\\p{L}` +
      `\\p{N}])`,
    'gu',
  )
  return text
    .split(pattern)
    .map((piece, i) => ({ text: piece, mark: i % 2 === 1 }))
    .filter((piece) => piece.text)
}
