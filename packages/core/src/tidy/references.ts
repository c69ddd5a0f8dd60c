import { itemAt, lastOf } from '../faults/certain.ts'
import { pattern } from '../text/pattern.ts'
import type { Line, Page } from './page.ts'

const TITLE = pattern(
  'i',
  String.raw`^\s*(?:#{1,6}\s*)?\**(references|sources?|bibliography|further reading|works cited|`,
  String.raw`footnotes|citations|links|credits and sources)\**:?\**\s*$`,
)
const ENTRY = /^\s*(?:[-*•]|\d+[.)]|\[\^?\w+\])\s*\S|https?:\/\/|www\.|\b(?:1[5-9]|20)\d\d\b/
const DEFINITION = /^\s*\[(?:\^[\w-]+|\d+)\]:\s.*$|^\s*\[[\w -]+\]:\s*<?https?:\S+.*$/
const MARKS = pattern(
  'gi',
  String.raw`\[\^[^\]\s]+\]|\[\d{1,3}(?:\s*[,–-]\s*\d{1,3})*\]|\[(?:citation needed|`,
  String.raw`clarification needed|according to whom\?|who\?|when\?|where\?|better source needed|`,
  String.raw`dead link|original research\??|by whom\?|note \d+|[a-z])\]`,
)
/** "(see Figure 2)" points to what no listener has before them. */
const POINTERS = pattern(
  'gi',
  String.raw`\((?:sources?|refs?|references?|citations?)\s*:[^()\n]*\)|\((?:see|cf\.?|compare|`,
  String.raw`shown in|as in)\s+(?:also\s+)?(?:the\s+)?(?:figs?\.?|figures?|tables?|charts?|`,
  String.raw`chapters?|sections?|pages?|pp?\.|appendix|footnotes?|notes?|above|below|diagrams?)`,
  String.raw`\b[^()\n]*\)|\((?:figs?\.?|figures?|tables?)\s+\d+[a-z]?\)`,
)
/** Raised figures after a word or a stop; after a unit they are a power. */
const RAISED = /(?<=[\p{L}.,;:!?”")])(?<!\b[kcmd]?m|\bft|\bs)[¹²³⁰⁴-⁹]+(?![\p{L}\p{N}])/gu

/**
 * Footnote marks, their notes, and the list of sources at the end.
 *
 * @returns nothing: what is found is claimed on the page, which may be none of it
 */
export function findReferences(page: Page) {
  const { lines } = page
  const start = lines.findIndex(({ text }, i) => TITLE.test(text) && isList(lines.slice(i + 1)))
  if (start >= 0) page.drop('footnote', itemAt(lines, start).from, endOf(lines, start))
  for (const line of page.lines)
    if (DEFINITION.test(line.text)) page.drop('footnote', line.from, line.to)
  for (const pattern of [MARKS, RAISED, POINTERS]) {
    const { view } = page
    for (const run of runsOf(view, pattern)) page.drop('footnote', run.from, run.to)
  }
}

/** Marks that touch ("[2][3]") are one change. */
function runsOf(view: string, pattern: RegExp): { from: number; to: number }[] {
  const runs: { from: number; to: number }[] = []
  for (const { index, 0: found } of view.matchAll(pattern)) {
    // Letters in brackets are footnotes only when they touch the word: "said[a]".
    if (/^\[[a-z]\]$/i.test(found) && /\s|^$/.test(view[index - 1] ?? '')) continue
    if (runs.at(-1)?.to === index) lastOf(runs).to = index + found.length
    else runs.push({ from: index, to: index + found.length })
  }
  return runs
}

/** Of the lines up to the next heading, at least two thirds look like sources. */
function isList(after: readonly Line[]): boolean {
  const next = after.findIndex(({ text }) => /^\s*#/.test(text))
  const entries = (next < 0 ? after : after.slice(0, next)).filter(({ text }) => text.trim() !== '')
  return (
    entries.length > 0 &&
    entries.filter(({ text }) => ENTRY.test(text)).length >= (entries.length * 2) / 3
  )
}

function endOf(lines: readonly Line[], start: number): number {
  const next = lines.findIndex(({ text }, i) => i > start && /^\s*#/.test(text))
  let last = (next < 0 ? lines.length : next) - 1
  while (last > start && itemAt(lines, last).text.trim() === '') last--
  return itemAt(lines, last).to
}
