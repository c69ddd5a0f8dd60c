import { linesOf } from '../text/lines.ts'
import { piecesOf } from '../text/pieces.ts'
import type { TextRange } from '../text/text-range.ts'
import { sentencesOf } from './sentences.ts'

/** The paragraphs of a text: runs of lines that are not empty, parted by lines that are. */
export function paragraphsOf(text: string): TextRange[] {
  const paragraphs: TextRange[] = []
  let open: TextRange | undefined
  for (const { from, to } of linesOf(text)) {
    if (text.slice(from, to).trim() === '') open = undefined
    else if (open) open.to = to
    else paragraphs.push((open = { from, to }))
  }
  return paragraphs
}

/**
 * The same, a sentence that never ends in pieces: for rules that look at one from each of its
 * places.
 */
export const sentencePiecesIn = (text: string): TextRange[] =>
  sentencesIn(text).flatMap((sentence) =>
    piecesOf(text.slice(sentence.from, sentence.to)).map(({ from, to }) => ({
      from: sentence.from + from,
      to: sentence.from + to,
    })),
  )

/** The sentences of a text of several paragraphs, none reaching from one into the next. */
export function sentencesIn(text: string): TextRange[] {
  return paragraphsOf(text).flatMap((paragraph) =>
    sentencesOf(text.slice(paragraph.from, paragraph.to)).map(({ from, to }) => ({
      from: paragraph.from + from,
      to: paragraph.from + to,
    })),
  )
}
