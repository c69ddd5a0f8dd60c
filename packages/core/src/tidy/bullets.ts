import { certain, itemAt, lastOf } from '../faults/certain.ts'
import { pattern, wordList } from '../text/pattern.ts'
import type { Edit } from './change.ts'
import type { Line, Page } from './page.ts'

const ITEM = pattern(
  'u',
  String.raw`^(\s*)(?:(?:(?!\d)\p{Extended_Pictographic}[\ufe0f\u200d]*|\d\ufe0f?\u20e3|`,
  String.raw`[✓✔✗✘➤➜►→»›])\s+|[-*+•▪◦‣●○■–—·]\s+(?:\[[ xX]\]\s+)?|(\d{1,2})[.)]\s+|[a-z][)]\s+|`,
  String.raw`\[[ xX]\]\s+)(?=.*[\p{L}\p{N}])(?=\S)`,
)
/** A point of a list with more words is a sentence; by hand, on the tuned half of the tidy set. */
const FRAGMENT_WORDS = 8
const LOWERED = new Set(
  wordList(`
    a an the some your their its his her our any no one two three somebody someone enough
    lots plenty
  `),
)

interface Item {
  line: Line
  mark: number
  text: string
  /** Its words run on into the next line. */
  goesOn: boolean
}

/**
 * Lists become sentences: short parts after a colon are joined, all else stands by itself.
 *
 * @returns nothing: what is found is claimed on the page, which may be none of it
 */
export function findBullets(page: Page) {
  const { lines } = page
  for (const items of listsOf(lines)) {
    const lead = leadOf(lines, itemAt(items, 0).line)
    if (lead && items.length > 1 && items.every(isFragment)) join(page, items, lead)
    else for (const item of items) page.claim('bullet', alone(item), { whole: item.line })
  }
}

function listsOf(lines: readonly Line[]): Item[][] {
  const lists: Item[][] = []
  let run: Item[] = []
  let gap = 0
  const close = () => {
    if (
      run.length > 1 ||
      (run[0] &&
        (/^\s*[-*+•▪◦‣●]\s/.test(run[0].line.text) ||
          (/^\s*[–—]\s/.test(run[0].line.text) && leadOf(lines, run[0].line))))
    )
      lists.push(run)
    run = []
  }
  for (const [i, line] of lines.entries()) {
    const found = ITEM.exec(line.text)
    if (found && gap > 0 && run.length && marker(line) !== marker(itemAt(run, 0).line)) close()
    if (found)
      run.push({
        line,
        mark: found[0].length,
        text: line.text.slice(found[0].length).trim(),
        goesOn: goesOn(lines[i + 1]),
      })
    else if (line.text.trim() !== '' || ++gap > 1) close()
    if (line.text.trim() !== '') gap = 0
  }
  close()
  return lists
}

/** A list begun anew below an empty line has other marks. */
const marker = ({ text }: Line) => text.trim().replace(/^\d+/, '1').slice(0, 2)

/** The line that announces a list with a colon, right above it or across one empty line. */
function leadOf(lines: readonly Line[], first: Line): Line | undefined {
  const at = lines.indexOf(first)
  const above = lines[at - 1]?.text.trim() === '' ? lines[at - 2] : lines[at - 1]
  return above && /:\s*$/.test(above.text) ? above : undefined
}

const goesOn = (next: Line | undefined) =>
  next !== undefined &&
  next.text.trim() !== '' &&
  !ITEM.test(next.text) &&
  /^(?:\s{2,}|\p{Ll})/u.test(next.text)

const isFragment = ({ text, goesOn }: Item) =>
  !goesOn && !/[.!?:;…]["”’)]?$/.test(text) && text.split(/\s+/).length <= FRAGMENT_WORDS

/** What stands before an item of a list that becomes a sentence. */
function glueBefore(place: number, all: number, comma: boolean): string {
  if (place === 0) return ' '
  if (place === all - 1) return ' and '
  return comma ? ' ' : ', '
}

function join(page: Page, items: readonly Item[], lead: Line) {
  const edits = items.flatMap(({ line, mark, text }, i): Edit[] => {
    const end = i === 0 ? lead.from + lead.text.trimEnd().length : endOf(itemAt(items, i - 1))
    const comma = /,$/.test(items[i - 1]?.text ?? '')
    const glue = glueBefore(i, items.length, comma)
    const lowered =
      LOWERED.has(itemAt(text.split(/\s/), 0).toLowerCase()) &&
      text[0] !== text.charAt(0).toLowerCase()
    const start = line.from + mark
    return [
      {
        from: end,
        to: start + (lowered ? 1 : 0),
        text: glue + (lowered ? text.charAt(0).toLowerCase() : ''),
      },
    ]
  })
  const last = endOf(lastOf(items))
  page.claim('bullet', [...edits, { from: last, to: last, text: '.' }], {
    whole: { from: itemAt(items, 0).line.from, to: last },
  })
}

const endOf = ({ line }: Item) => line.from + line.text.trimEnd().length

/** The mark goes; the item begins with a capital and ends with a stop. */
function alone({ line, mark, text, goesOn }: Item): Edit[] {
  const start = line.from + mark
  const first = /^\p{Ll}/u.test(text) ? text.charAt(0) : ''
  const end = line.from + line.text.trimEnd().length
  const stop =
    goesOn || /[.!?…:;]["”’)*_]*$/.test(text)
      ? []
      : [{ from: /,$/.test(text) ? end - 1 : end, to: end, text: '.' }]
  return [
    {
      from: line.from + certain(/^\s*/.exec(line.text))[0].length,
      to: start + first.length,
      text: first.toUpperCase(),
    },
    ...stop,
  ]
}
