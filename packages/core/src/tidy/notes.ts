import { lastOf } from '../faults/certain.ts'
import { pattern } from '../text/pattern.ts'
import type { Line, Page } from './page.ts'

const FACTS = pattern(
  'i',
  String.raw`^\s*(working title|title ideas?|subject|word ?count|words|target length|length|`,
  String.raw`duration|run ?time|running time|tone|style|audience|target audience|keywords?|tags|`,
  String.raw`author|written by|writer|draft|version|status|date|deadline|client|project|file|`,
  String.raw`thumbnail( idea)?|description|format|language|reviewed by|last edited|published|`,
  String.raw`updated|posted|reading time|read time|by staff)\s*(:\s*\S.*|\s\d[\d.]*)$`,
)
const LATER = pattern(
  'i',
  String.raw`^\s*(?:[-*•]\s*)?\**(?:todo|tk|tbd|fixme|note to self|reminder|editor'?s? note|`,
  String.raw`note to editor|fact ?check)\**\s*[:–—-]\s*\S.*$`,
)
/** Parts of a page that are not its text. */
const FURNITURE = pattern(
  'i',
  String.raw`^\s*(?:(?:figure|fig\.|table|chart|exhibit|plate)\s+\d+[a-z]?\s*[:.–—-].*|`,
  String.raw`page \d+(?: (?:of|/) \d+)?|(?:©|\(c\)|copyright\s+(?:©|\(c\)|\d{4}))\s.*|`,
  String.raw`(?=\S).*\ball rights reserved\b.*|\d+ min(?:ute)? read|advertisement|sponsored)\s*$`,
)
const GREETING = pattern(
  'iu',
  String.raw`^\s*(?:hi|hello|hey|dear|good morning|good afternoon)(?: (?:all|team|everyone|there|`,
  String.raw`\p{Lu}[\p{L}'’-]*)){1,3}\s*,\s*$`,
)
const FAREWELL = pattern(
  'i',
  String.raw`^\s*(?:best|best wishes|best regards|kind regards|regards|warm regards|cheers|`,
  String.raw`thanks|many thanks|thank you|sincerely|yours|all the best)\s*,\s*$`,
)
const BRACKETED = pattern(
  'gi',
  String.raw`\[\[[^[\]\n]*\]\]|\[(?:ad|sponsor|sponsored|advert|mid-?roll|pre-?roll|promo|`,
  String.raw`commercial)\b[^[\]\n]*\]|\[(?:(?:todo|tk|tbd|fixme|note|editor'?s? note|fact ?check|`,
  String.raw`check|verify|insert|add|placeholder|comment)\b[^[\]\n]*|\?+)\]|\((?:todo|tk|tbd|`,
  String.raw`fixme|note to self|note to editor)\b[^()\n]*\)`,
)
const BYLINE =
  /^\s*(?:(?:[Ww]ritten|[Pp]osted|[Ww]ords) by|[Bb]y|BY)(?: \p{Lu}[\p{L}.'’-]*){1,4}\s*$/u
/** What a helper that wrote the text said around it. */
const PREFACE = pattern(
  'i',
  String.raw`^\s*(?:sure|certainly|of course|absolutely|okay|ok|great|here(?:['’]s| is| are)|`,
  String.raw`below is|i(?:['’]ve| have) (?:written|revised|drafted))\b[^\n]*\b(?:script|`,
  String.raw`narration|draft|version|text|voice-?over|rewrite)\b[^\n]*[:!.]\s*$`,
)
const OFFER = pattern(
  'i',
  String.raw`^\s*(?:let me know if|would you like me|feel free to|i hope this (?:helps|works)|`,
  String.raw`do you want me to|want me to|if you(?:['’]d| would) like(?:,| me)|i can also)`,
  String.raw`\b[^\n]*$`,
)
/** Facts about a script stand in its first lines; by hand, on the tuned half of the tidy set. */
const HEAD_LINES = 14

/**
 * What was written for the writer, the client or the editor.
 *
 * @returns nothing: what is found is claimed on the page, which may be none of it
 */
export function findNotes(page: Page) {
  frontMatter(page)
  const facts = head(page.lines).filter(({ text }) => FACTS.test(text) || BYLINE.test(text))
  // One such line alone may be narration ("Date: nobody knows"); the first line of all or two
  // together are not.
  if (facts.length > 1 || (facts[0] && facts[0].from === head(page.lines)[0]?.from))
    dropRuns(page, facts)
  aroundText(page)
  for (const line of page.lines)
    if (LATER.test(line.text) || FURNITURE.test(line.text)) page.drop('note', line.from, line.to)
  for (const found of page.view.matchAll(BRACKETED))
    page.drop('note', found.index, found.index + found[0].length)
}

/** The first paragraph and the last may speak to the person instead. */
function aroundText(page: Page) {
  const worded = page.lines.filter(({ text }) => text.trim() !== '')
  for (const line of worded.slice(0, 2))
    if (PREFACE.test(line.text) || GREETING.test(line.text)) page.drop('note', line.from, line.to)
  const [first] = worded
  const farewell = worded.slice(-3, -1).find(({ text }) => FAREWELL.test(text))
  // The name under it is signed, not spoken.
  if (farewell && lastOf(worded).text.trim().split(/\s+/).length <= 4)
    page.drop('note', farewell.from, lastOf(worded).to)
  for (const line of worded.slice(-2))
    if (line !== first && OFFER.test(line.text)) page.drop('note', line.from, line.to)
}

const head = (lines: readonly Line[]) =>
  lines.filter(({ text }) => text.trim() !== '').slice(0, HEAD_LINES)

/** Lines that follow each other are one change. */
function dropRuns(page: Page, lines: readonly Line[]) {
  const runs: { from: number; to: number }[] = []
  for (const { from, to } of lines) {
    const last = runs.at(-1)
    if (last?.to === from - 1) last.to = to
    else runs.push({ from, to })
  }
  for (const { from, to } of runs) page.drop('note', from, to)
}

/** Settings between two `---` at the very top, as page generators have them. */
function frontMatter(page: Page) {
  const found = /^\s*---\n(?:[\w -]+:.*\n|\s+-? ?.*\n)+---(?=\n|$)/.exec(page.view)
  if (found) page.drop('note', found.index, found.index + found[0].length)
}
