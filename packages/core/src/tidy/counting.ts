import { itemAt } from '../faults/certain.ts'
import { cardinal } from '../text/numbers.ts'
import { pattern } from '../text/pattern.ts'
import type { Line, Page } from './page.ts'

const WORDS = Array.from({ length: 101 }, (_, n) => cardinal(n))
const OPENER = pattern(
  'iu',
  String.raw`^(\s*(?:\*\*)?)(?:#\s?(\d{1,3})|(?:number|no\.|nr\.)\s?#?(\d{1,3}|`,
  String.raw`[a-z]+(?:-[a-z]+)?)|(\d{1,3})[.)](?=\s))(?:(\s*[:.)–—-]+|,)(?:\*\*)?(?=\s|$)|(?<=[.)`,
  String.raw`])|\s*(?:\*\*)?(?=\s+\p{Lu}|\s*$))`,
)
const INSIDE = /(?<![\p{L}\p{N}&#/])#(\d{1,3})\b(?!\w)/gu

interface Opener {
  line: Line
  n: number
  /** `[from, to)` of the count in its line. */
  from: number
  to: number
  rest: string
}

/**
 * "#5", "Number four" and "No. 3 –" opening the items of one film: all become "Number five:".
 *
 * @returns nothing: what is found is claimed on the page, which may be none of it
 */
export function findCounting(page: Page) {
  const openers = page.lines.flatMap(openerOf)
  if (isCount(openers)) for (const opener of openers) respell(page, opener)
  for (const { index, 0: whole, 1: n } of page.view.matchAll(INSIDE))
    page.claim('counting', [
      { from: index, to: index + whole.length, text: spelt(page, Number(n)).toLowerCase() },
    ])
}

function openerOf(line: Line): Opener[] {
  const found = OPENER.exec(line.text)
  if (!found) return []
  const said = found[2] ?? found[3] ?? itemAt(found, 4)
  const n = /^\d/.test(said) ? Number(said) : WORDS.indexOf(said.toLowerCase())
  return n > 0
    ? [
        {
          line,
          n,
          from: itemAt(found, 1).length,
          to: found[0].length,
          rest: line.text.slice(found[0].length),
        },
      ]
    : []
}

/** Two or more, each one step from the last, and not simply a numbered list from one upward. */
function isCount(openers: readonly Opener[]): boolean {
  if (openers.length < 2) return false
  const step = itemAt(openers, 1).n - itemAt(openers, 0).n
  if (
    Math.abs(step) !== 1 ||
    openers.some(({ n }, i) => i > 0 && n - itemAt(openers, i - 1).n !== step)
  )
    return false
  return step < 0 || openers.some(({ line }) => /^\s*(?:\*\*)?(?:#|number)/i.test(line.text))
}

/** "Number five"; in other languages the voice says the digit. */
const spelt = ({ rules }: Page, n: number) =>
  rules ? `${rules.words.number} ${n}` : `Number ${WORDS[n] ?? n}`

function respell(page: Page, { line, n, from, to, rest }: Opener) {
  const at = line.from + from
  const text = `${spelt(page, n)}${rest.trim() === '' ? '.' : ':'}${/^\s/.test(rest) || rest === '' ? '' : ' '}`
  const bold = /^\s*\*\*/.test(line.text.slice(0, from)) && line.text.slice(from, to).includes('**')
  page.claim('counting', [{ from: bold ? at - 2 : at, to: line.from + to, text }])
}
