import { certain, itemAt, lastOf } from '../faults/certain.ts'
import { pattern } from '../text/pattern.ts'
import type { Line, Page } from './page.ts'

const ROW = /^\s*\|(.+)\|\s*$/
const RULE = /^\s*\|?\s*:?-{2,}:?\s*(\|\s*:?-{2,}:?\s*)*\|?\s*$/
const PICTURE = /^(visuals?|videos?|pictures?|images?|shots?|b-?roll|footage|on screen|screen)$/i
const SPOKEN = /^(narration|audio|voice|voice-?over|vo|script|spoken|text|narrator|dialogue)$/i

/**
 * Tables: of a two-column script its narration and pictures, of any other nothing.
 *
 * @returns nothing: what is found is claimed on the page, which may be none of it
 */
export function findTables(page: Page) {
  for (const rows of tablesOf(page.lines)) {
    const [head = [], ...body] = rows
      .filter(({ text }) => !RULE.test(text))
      .map(({ text }) => cellsOf(text))
    const { from } = itemAt(rows, 0)
    const { to } = lastOf(rows)
    const picture = head.findIndex((cell) => PICTURE.test(cell))
    const spoken = head.findIndex((cell) => SPOKEN.test(cell))
    if (spoken < 0) page.drop('table', from, to)
    else page.claim('table', [{ from, to, text: sceneLines(body, picture, spoken) }])
  }
}

const cellsOf = (row: string) =>
  itemAt(certain(ROW.exec(row)), 1)
    .split('|')
    .map((cell) => cell.trim().replace(/^\*\*(.*)\*\*$/, '$1'))

/** Rows of a table: two lines or more beginning and ending with a bar, one of them a rule. */
function tablesOf(lines: readonly Line[]): Line[][] {
  const tables: Line[][] = []
  let run: Line[] = []
  for (const line of [...lines, undefined]) {
    if (
      line &&
      (ROW.test(line.text) || (run.length > 0 && RULE.test(line.text) && line.text.includes('|')))
    )
      run.push(line)
    else {
      if (
        run.length > 1 &&
        run.some(({ text }) => RULE.test(text)) &&
        ROW.test(itemAt(run, 0).text)
      )
        tables.push(run)
      run = []
    }
  }
  return tables
}

/** A cell of the sound column that names music or a noise, not narration: few words, no stop. */
const SOUND_CELL = pattern(
  'iu',
  String.raw`^(?:\p{L}+,? ){0,3}(?:piano|strings|guitar|drums|music|theme|choir|violins?|cello|`,
  String.raw`ambience|ambient|silence|wind|waves|rain|thunder|birds|gulls|sfx|nat sound|drone`,
  String.raw`|hum|synth|score|song|jingle)(?: \p{L}+){0,3}$`,
)
const heardIn = (cell: string) => (SOUND_CELL.test(cell) ? `[sound: ${cell}]` : cell)

function sceneLines(rows: readonly string[][], picture: number, spoken: number): string {
  return rows
    .flatMap((cells) => {
      const shown = picture < 0 ? '' : (cells[picture] ?? '').replace(/[[\]]/g, '')
      const said = heardIn(cells[spoken] ?? '')
      return said || shown ? [[shown && `[picture: ${shown}]`, said].filter(Boolean).join(' ')] : []
    })
    .join('\n\n')
}
