import { sentencesOf, type TextRange } from './sentences.ts'

/** The paragraphs of a text: runs of lines that are not empty, parted by lines that are. */
export function paragraphsOf(text: string): TextRange[] {
  return [...text.matchAll(/[^\n]*\S[^\n]*(?:\n(?![^\S\n]*\n)[^\n]*\S[^\n]*)*/g)].map(
    ({ index, 0: { length } }) => ({ from: index, to: index + length }),
  )
}

/** The sentences of a text of several paragraphs, none reaching from one into the next. */
export function sentencesIn(text: string): TextRange[] {
  return paragraphsOf(text).flatMap((paragraph) =>
    sentencesOf(text.slice(paragraph.from, paragraph.to)).map(({ from, to }) => ({
      from: paragraph.from + from,
      to: paragraph.from + to,
    })),
  )
}
