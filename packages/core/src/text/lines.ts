import type { TextRange } from './text-range.ts'

/** The lines of a text, without their line feeds; one empty line for an empty text. */
export function linesOf(text: string): TextRange[] {
  const lines: TextRange[] = []
  let from = 0
  for (const line of text.split('\n')) {
    lines.push({ from, to: from + line.length })
    from += line.length + 1
  }
  return lines
}
