import type { Stretch } from './sentences.ts'

/** The paragraphs of a text: runs of lines that are not empty, parted by lines that are. */
export function paragraphsOf(text: string): Stretch[] {
  return [...text.matchAll(/[^\n]*\S[^\n]*(?:\n(?![^\S\n]*\n)[^\n]*\S[^\n]*)*/g)].map(({ index, 0: { length } }) => ({ from: index, to: index + length }))
}
