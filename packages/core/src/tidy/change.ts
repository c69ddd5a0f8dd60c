import { lastOf } from '../faults/certain.ts'
import type { TidyKind } from './kinds.ts'

/**
 * One replacement, `[from, to)` in UTF-16 units of the script; empty `text` takes out, `from ===
 * to` puts in.
 */
export interface Edit {
  from: number
  to: number
  text: string
}

/** One thing that should not be spoken as it stands, with what it would become. */
export interface TidyChange {
  kind: TidyKind
  /** In order, apart from each other and from those of every other change. */
  edits: Edit[]
  /** Counted from 1. */
  line: number
  /** The words concerned, as they are and as they would be. */
  before: string
  after: string
}

/**
 * Stands where something was taken out until the space around it is evened; `cleanScript` lets none
 * in.
 */
const GAP = '\u0001'

/**
 * The script with changes carried out. What no change touches stays letter for letter; where
 * something was taken out, the space it leaves behind is evened and lines left empty go.
 */
export function withChanges(script: string, changes: readonly TidyChange[]): string {
  const edits = changes
    .flatMap((change) => change.edits)
    .sort((a, b) => a.from - b.from || a.to - b.to)
  let out = ''
  let at = 0
  for (const { from, to, text } of edits) {
    out +=
      script.slice(at, from) +
      (text === '' ? GAP.repeat(1 + lineBreaks(script.slice(from, to))) : text)
    at = to
  }
  return evened(out + script.slice(at))
}

/** Stretches that span lines leave one gap a line, so that each line is judged by itself. */
const lineBreaks = (text: string) => text.split('\n').length - 1

function evened(text: string): string {
  if (!text.includes(GAP)) return text
  const lines: string[] = []
  for (const line of text.split('\n')) {
    if (!line.includes(GAP)) {
      lines.push(line)
      continue
    }
    const left = line
      .replace(/^[ \t]*\u0001+[ \t]*/, '')
      .replace(/[ \t]*\u0001+[ \t]*$/, '')
      .replace(/[ \t]*\u0001+[ \t]*(?=[,.;:!?…)\]”](?:\s|$|[”"’)\]]))/g, '')
      .replace(/[ \t]+\u0001+[ \t]*|\u0001+[ \t]+/g, ' ')
      .replace(/\u0001/g, '')
    lines.push(left.trim() === '' ? GAP : left)
  }
  return withoutGaps(lines)
}

/** Of the empty lines on both sides of one that went, one is enough. */
function withoutGaps(lines: readonly string[]): string {
  const kept: string[] = []
  lines.forEach((line, i) => {
    if (line === GAP) return
    const afterGap = lines[i - 1] === GAP
    if (line.trim() === '' && afterGap && (kept.length === 0 || lastOf(kept).trim() === '')) return
    kept.push(line)
  })
  // A script ends as it did: with or without one last line break.
  while (lines.at(-1) === GAP && kept.length && lastOf(kept).trim() === '') kept.pop()
  return kept.join('\n')
}
