import Papa from 'papaparse'
import { itemAt } from '@tidy-reel/core/faults/certain'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { pattern } from '@tidy-reel/core/text/pattern'
import { type ImportedScript, paragraphs } from './imported-script.ts'

const PICTURE =
  /^(?:visuals?|video|pictures?|images?|shots?|b-?roll|footage|what is (?:seen|shown)|screen)$/i
const SPOKEN = pattern(
  'i',
  String.raw`^(?:narration|audio|voice|voice-?over|vo|script|spoken|text|narrator|words|`,
  String.raw`what is (?:said|heard))$`,
)

/** A two-column script as a spreadsheet saves it: narration and picture, a scene a row. */
export function csvScript(text: string, name: string): ImportedScript {
  const { data } = Papa.parse<string[]>(text.trim(), {
    skipEmptyLines: 'greedy',
    delimitersToGuess: [',', ';', '\t', '|'],
  })
  const rows = data.map((row) => row.map((cell) => cell.trim()))
  if (rows.every((row) => row.length < 2))
    throw new TidyError('import_unreadable', {
      name,
      reason:
        'its columns cannot be told apart. Save it with commas, semicolons or tabs between them',
    })
  const head = itemAt(rows, 0)
  const named = head.some((cell) => SPOKEN.test(cell) || PICTURE.test(cell))
  const spoken = named ? head.findIndex((cell) => SPOKEN.test(cell)) : widest(rows)
  if (spoken < 0)
    throw new TidyError('import_unreadable', { name, reason: 'no column is called narration' })
  // Of two columns without names the other one tells the pictures.
  const other = head.length === 2 ? 1 - spoken : -1
  const picture = named ? head.findIndex((cell) => PICTURE.test(cell)) : other
  const body = named ? rows.slice(1) : rows
  const scenes = body.flatMap((row) => {
    const said = row[spoken] ?? ''
    const shown = picture < 0 ? '' : (row[picture] ?? '').replace(/[[\]\n]+/g, ' ').trim()
    return said || shown
      ? [[shown && `[picture: ${shown}]`, said.replace(/\s*\n\s*/g, ' ')].filter(Boolean).join(' ')]
      : []
  })
  if (!scenes.some((scene) => /\p{L}/u.test(scene))) throw new TidyError('import_empty', { name })
  const others = head
    .map((cell, i) => (named ? cell : `column ${i + 1}`))
    .filter((cell, i) => cell && i !== spoken && i !== picture)
  return {
    title: name,
    script: paragraphs(scenes),
    left: others.length
      ? [`Left out: the columns ${others.map((other) => `“${other}”`).join(', ')}.`]
      : [],
    pictures: [],
  }
}

/** Without headings the narration is the column with the most words. */
function widest(rows: readonly string[][]): number {
  const sums = itemAt(rows, 0).map((_cell, i) =>
    rows.reduce((sum, row) => sum + (row[i]?.split(/\s+/).length ?? 0), 0),
  )
  return sums.indexOf(Math.max(...sums))
}
