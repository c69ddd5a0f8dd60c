import { itemAt } from '../faults/certain.ts'
import { pattern } from '../text/pattern.ts'
import type { TidyRules } from './languages/rules.ts'
import type { Line, Page } from './page.ts'

const MARKED = /^(\s{0,3}#{1,6})(?:(\s+)|(?=[^\d\s#]))(.+?)(\s*#*\s*)$/
/** "#sea #sand" is no heading. */
const TAGS = /^\p{L}[\p{L}\p{N}_]*(?:\s+#\p{L}[\p{L}\p{N}_]*)*\s*$/u
const UNDERLINE = /^\s*(={3,}|-{3,})\s*$/
const BOLD = /^\s*(?:\*\*|__)([^*_]+)(?:\*\*|__)\s*:?\s*$/
/** "[HOOK]" */
const BOXED = /^\s*(?:\*\*)?\[([^[\]]+)\](?:\*\*)?\s*:?\s*$/
const NAMED = pattern(
  'iu',
  String.raw`^\s*((?:chapter|part|act|section)\s+(?:\d+|[ivx]+|one|two|three|four|five|six|seven|`,
  String.raw`eight|nine|ten)\b(?:\s*[:.–—-]\s*\S.*)?|[IVX]+\.\s+\p{Lu}.*)$`,
)
const USUAL = pattern(
  'i',
  String.raw`^\s*(intro|introduction|hook|cold open|opening|outro|conclusion|closing|summary|`,
  String.raw`recap|epilogue|prologue|teaser|main(?: (?:part|body|content))?|body|middle|the hook|`,
  String.raw`call to action|cta|segment \d+|point \d+)\s*:?\s*$`,
)
const TITLE = /^\s*(?:title|film title|video title|headline)\s*:\s*(\S.*)$/i
const TIMES = /\s*[([]?\b\d{1,2}:\d\d(?::\d\d)?(?:\s*[–—-]+\s*\d{1,2}:\d\d(?::\d\d)?)?[)\]]?\s*/g
const PICTOGRAM =
  /(?![©®™↔-↙‼⁉])\p{Extended_Pictographic}(?:\ufe0f|\u200d|\u20e3|\p{Extended_Pictographic})*/gu
const SMALL_WORDS = new Set(
  'a an and as at but by for from in into of on onto or the to vs with without is'.split(' '),
)

/**
 * Headings of any sort become `# Heading`; those that are so already lose what is not theirs.
 *
 * @returns nothing: what is found is claimed on the page, which may be none of it
 */
export function findHeadings(page: Page) {
  const { lines } = page
  const shouted = mostlyCapitals(lines)
  const plainHeadings = unmarkedHeadings(lines)
  lines.forEach((line, i) => {
    const { text, from, to } = line
    const marked = MARKED.exec(text)
    if (marked) return tidyHeading(page, line, marked)
    if (text.trim() === '' || !alone(lines, i)) return underlined(page, lines, i)
    const bare = text.replace(TIMES, ' ').trim()
    const title =
      titleOf(text, shouted) ??
      (bare && bare !== text.trim() ? titleOf(bare, shouted) : undefined) ??
      (page.rules && namesForeignPart(text, page.rules) ? text.trim() : undefined) ??
      (isTitle(lines, i) || plainHeadings.has(i) ? text.trim() : undefined)
    if (title !== undefined) page.mark('heading', from, to, `# ${plainTitle(title)}`)
  })
}

function tidyHeading(
  page: Page,
  { from, to, text }: Line,
  [, hashes, space, title = '']: RegExpExecArray,
) {
  const plain = plainTitle(title)
  if (!space && TAGS.test(title)) return
  if (plain === title) page.keep(from, to)
  else
    page.mark(
      'heading',
      from,
      to,
      plain === '' ? '' : `${hashes}${space ?? ' '}${plain}`.trimStart() || text,
    )
}

/** Without marks of emphasis, time stamps, emoji and the colon of a label. */
const plainTitle = (title: string) =>
  title
    .replace(/\*\*|__|`/g, '')
    .replace(/^\s*\[(.*)\]\s*$/, '$1')
    .replace(/^\*(.+)\*$/, '$1')
    .replace(PICTOGRAM, '')
    .replace(TIMES, ' ')
    .replace(/\s+/g, ' ')
    .trim()
    .replace(/\s*:$/, '')

/** A line with an empty line, a heading or the edge of the script on each side. */
const alone = (lines: readonly Line[], i: number) => edge(lines[i - 1]) && edge(lines[i + 1])
const edge = (line: Line | undefined) => !line || line.text.trim() === '' || MARKED.test(line.text)

/** A short line with a row of `=` or `-` right below it. */
function underlined(page: Page, lines: readonly Line[], i: number) {
  const line = itemAt(lines, i)
  const rule = lines[i + 1]
  if (
    !rule ||
    !UNDERLINE.test(rule.text) ||
    !edge(lines[i - 1]) ||
    !/\p{L}/u.test(line.text) ||
    line.text.length > 90 ||
    /[.!]\s*$/.test(line.text)
  )
    return
  page.mark('heading', line.from, rule.to, `# ${plainTitle(line.text)}`)
}

function titleOf(text: string, shouted: boolean): string | undefined {
  const boxed = BOXED.exec(text)?.[1]
  if (boxed) return namesPart(boxed) ? boxed : undefined
  const bold = BOLD.exec(text)
  if (bold)
    return (
      TITLE.exec(itemAt(bold, 1))?.[1] ??
      (isShort(itemAt(bold, 1)) && !/[.!]\s*$/.test(itemAt(bold, 1)) ? itemAt(bold, 1) : undefined)
    )
  const said = TITLE.exec(text)
  if (said) return itemAt(said, 1)
  if (USUAL.test(text)) return text.trim()
  if (NAMED.test(text) && isShort(text) && !/[.!,]\s*$/.test(text)) return text.trim()
  if (
    !shouted &&
    isCapitals(text) &&
    isShort(text) &&
    /\p{L}{3}/u.test(text) &&
    !/[.!:,)\]]\s*$/.test(text) &&
    !/^\s*[[({]/.test(text) &&
    !/^\s*(INT|EXT)\b/.test(text)
  )
    return text.trim()
  return undefined
}

/** The same in the language of the script. */
const namesForeignPart = (text: string, { part, chapter }: TidyRules) =>
  part.test(text) || (chapter.test(text) && isShort(text) && !/[.!,]\s*$/.test(text))

/** "HOOK", "Part 2": what a part of a script is called, in brackets or out of them. */
export const namesPart = (text: string) => USUAL.test(text) || NAMED.test(text)

const isShort = (text: string) => text.trim().split(/\s+/).length <= 10
const isCapitals = (text: string) => /\p{Lu}/u.test(text) && text === text.toUpperCase()
const mostlyCapitals = (lines: readonly Line[]) => {
  const worded = lines.filter(({ text }) => text.trim().split(/\s+/).length > 4)
  return (
    worded.length > 0 && worded.filter(({ text }) => isCapitals(text)).length > worded.length / 2
  )
}

/** The first line with words from a place on; only a few empty ones are passed. */
function worded(lines: readonly Line[], from: number): Line | undefined {
  for (let i = from; i < Math.min(lines.length, from + EMPTY_PASSED); i++)
    if (itemAt(lines, i).text.trim() !== '') return lines[i]
  return undefined
}
const EMPTY_PASSED = 6

/** Words of a heading that has no mark at all, and of the narration under it. */
const UNMARKED = { most: 6, narration: 8 }

/**
 * Lines that are plainly headings though nothing marks them: short, no stop, an empty line on each
 * side and narration below; two at least, since one alone may be a verse or a slip.
 */
function unmarkedHeadings(lines: readonly Line[]): Set<number> {
  const found = lines.flatMap(({ text }, i) => {
    if (!/^\p{Lu}[\p{L}\p{N}’' ,-]*$/u.test(text.trim()) || !alone(lines, i)) return []
    if (text.trim().split(/\s+/).length > UNMARKED.most) return []
    const next = worded(lines, i + 1)
    const isNarration =
      next &&
      /[.!?…]["”’»]?\s*$/.test(next.text) &&
      next.text.trim().split(/\s+/).length >= UNMARKED.narration
    return isNarration ? [i] : []
  })
  return new Set(found.length > 1 ? found : [])
}

/**
 * "A Light in the Dark" between paragraphs: every word of weight has a capital, and no stop ends
 * it.
 */
function isTitle(lines: readonly Line[], i: number): boolean {
  const text = itemAt(lines, i).text.trim()
  if (!/^[\p{Lu}\p{N}][\p{L}\p{N}’' ,&:-]*\??$/u.test(text) || text.length > 60) return false
  const words = text.split(/\s+/)
  if (
    words.length > 8 ||
    !words.every((word) => SMALL_WORDS.has(word) || /^[\p{Lu}\p{N}&]/u.test(word))
  )
    return false
  if (words.length === 1 && text.endsWith('?')) return false
  const next = worded(lines, i + 1)
  // Narration must follow it, and be punctuated as narration is.
  return next !== undefined && /[.!?…”"]/.test(next.text) && /\s\p{Ll}/u.test(next.text)
}
