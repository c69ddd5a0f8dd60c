import { lastOf } from '../faults/certain.ts'
import { sentencesOf } from '../script/sentences.ts'
import { pattern } from '../text/pattern.ts'
import type { Line, Page } from './page.ts'

const FACTS = pattern(
  'i',
  String.raw`^\s*(working title|title ideas?|subject|word ?count|words|target length|length|`,
  String.raw`duration|run ?time|running time|tone|style|audience|target audience|keywords?|tags|`,
  String.raw`author|written by|writer|draft|version|status|date|deadline|client|project|file|`,
  String.raw`thumbnail( idea)?|description|format|language|reviewed by|last edited|published|`,
  String.raw`updated|posted|reading time|read time|by staff|confidence|speakers|recorded|recording)`,
  String.raw`\s*(:\s*\S.*|\s\d[\d.]*)$`,
)
/** What is a fact only beside another: a title alone names the film. */
const BESIDE_FACTS = /^\s*(?:title|voice|genre|mood|platform|channel|host)\s*:\s*\S/i
/** Facts that have no colon: "Draft 3 - not final", "Transcript of lock.m4a". */
const STATE = pattern(
  'i',
  String.raw`^\s*(?:(?:draft|version|revision|v)\s?\d[\d.]*\b(?:\s*[,–—-].{0,60})?|`,
  String.raw`transcript(?:ion)? of \S.{0,80}|(?:auto(?:matically)?[- ])?transcribed\b.{0,60}|`,
  String.raw`(?:first|second|third|final|rough|working) draft\b.{0,40})\s*$`,
)
const LATER = pattern(
  'i',
  String.raw`^\s*(?:[-*•]\s*)?\**(?:todo|tk|tbd|fixme|note to self|reminder|editor'?s? note|`,
  String.raw`note to editor|fact ?check)\**\s*[:–—-]\s*\S.*$`,
)
/** A sentence that speaks to who cuts or reads the film. */
const ORDER = pattern(
  'iu',
  String.raw`^\W{0,2}(?:editor|note (?:for|to) (?:the )?(?:voice|editor|narrator|speaker|reader|sound|`,
  String.raw`director|animator|designer))\s*:\s*\S`,
)
/** The same without a name, where it is a paragraph of its own. */
const ORDER_ALONE = pattern(
  'iu',
  String.raw`^\s*(?:please )?(?:cut|skip|drop|keep|insert|move|hold|use|trim|shorten|add)`,
  String.raw` (?:the |this |that |a )?(?:next|last|previous|above|below|following|shot|clip|`,
  String.raw`paragraph|section|music|graph|picture|image|map|sentence|scene)\b[^.!?]*`,
  String.raw`\b(?:if|here|for|before|after|until|over|under|seconds?)\b[^.!?]*[.!]?\s*$`,
)
/** Parts of a page that are not its text. */
const FURNITURE = pattern(
  'iu',
  String.raw`^\s*(?:(?:figure|fig\.|table|chart|exhibit|plate)\s+\d+[a-z]?\s*[:.–—-].*|`,
  String.raw`page \d+(?: (?:of|/) \d+)?|#{3,}|-{1,3} ?(?:end|30|fin) ?-{1,3}|\*{3}|`,
  String.raw`[\p{L} ]{2,40}[-–—][^.!?]{0,40}[-–—] ?p(?:age|\.) ?\d+|(?:©|\(c\)|copyright\s+(?:©|\(c\)|\d{4}))\s.*|`,
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
  const { rules } = page
  const facts = head(page.lines).filter(
    ({ text }) =>
      FACTS.test(text) || STATE.test(text) || BYLINE.test(text) || rules?.facts.test(text),
  )
  const others = head(page.lines).filter(
    ({ text, from, to }) =>
      BESIDE_FACTS.test(text) && facts.some((fact) => fact.from === to + 1 || fact.to === from - 1),
  )
  facts.push(...others)
  facts.sort((a, b) => a.from - b.from)
  // One such line alone may be narration ("Date: nobody knows"); the first line of all or two
  // together are not.
  if (facts.length > 1 || (facts[0] && facts[0].from === head(page.lines)[0]?.from))
    dropRuns(page, facts)
  aroundText(page)
  for (const line of page.lines)
    if (LATER.test(line.text) || FURNITURE.test(line.text) || rules?.later.test(line.text))
      page.drop('note', line.from, line.to)
  orders(page)
  for (const pattern of rules ? [BRACKETED, rules.laterBracket] : [BRACKETED])
    for (const found of page.view.matchAll(pattern))
      page.drop('note', found.index, found.index + found[0].length)
}

/** Orders to the people who make the film: sentences, alone or among others. */
function orders(page: Page) {
  page.lines.forEach(({ from, to, text }, i) => {
    if (ORDER_ALONE.test(text) && isBlank(page.lines[i - 1]) && isBlank(page.lines[i + 1]))
      return void page.drop('note', from, to)
    if (!/editor|note/i.test(text)) return
    for (const sentence of sentencesOf(text)) {
      const said = text.slice(sentence.from, sentence.to)
      if (!ORDER.test(said)) continue
      // Brackets around it go with it.
      const closes = said.startsWith('(') && text[sentence.to] === ')' ? 1 : 0
      page.drop('note', from + sentence.from, from + sentence.to + closes)
    }
  })
}
const isBlank = (line: Line | undefined) => !line?.text.trim()

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
