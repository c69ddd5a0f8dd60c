import { z } from 'zod'
import { itemAt } from '@tidy-reel/core/faults/certain'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { type ImportedScript, paragraphs } from './imported-script.ts'

/** Pages of the longest script: a film of 25 minutes has about 15. */
const PAGES_LIMIT = 400

interface Line {
  text: string
  y: number
  height: number
  x: number
}

interface TextItem {
  str: string
  transform: number[]
  height: number
  width: number
}

/**
 * A PDF as a script: lines joined to paragraphs by their distance, larger lines as chapters;
 * running heads and page numbers left out.
 */
export async function pdfScript(bytes: Buffer, name: string): Promise<ImportedScript> {
  const { getDocument } = await import('pdfjs-dist/legacy/build/pdf.mjs')
  const loading = getDocument({
    data: new Uint8Array(bytes),
    isEvalSupported: false,
    disableFontFace: true,
    useSystemFonts: false,
    verbosity: 0,
  })
  const pdf = await loading.promise.catch((cause: Error) => {
    throw new TidyError('import_unreadable', {
      name,
      reason:
        cause.name === 'PasswordException'
          ? 'it is locked with a password'
          : 'it is damaged or was cut off',
    })
  })
  try {
    const pages: Line[][] = []
    for (let n = 1; n <= Math.min(pdf.numPages, PAGES_LIMIT); n++) {
      const content = await (await pdf.getPage(n)).getTextContent()
      pages.push(linesOf(content.items.filter((item) => 'str' in item)))
    }
    const metadata = await pdf.getMetadata().catch(() => undefined)
    const title = PdfInfo.parse(metadata?.info ?? {}).Title.trim()
    return { ...scriptOf(pages, name), title: title || name, pictures: [] }
  } finally {
    await loading.destroy()
  }
}

/** The information dictionary of a PDF (ISO 32000-1, 14.3.3), as far as it is asked for. */
const PdfInfo = z.object({ Title: z.string().catch('') })

/** Pieces of text on one height make a line. */
function linesOf(items: readonly TextItem[]): Line[] {
  const lines: Line[] = []
  for (const { str, transform, height, width } of items) {
    const [x, y] = [itemAt(transform, 4), itemAt(transform, 5)]
    const last = lines.at(-1)
    if (last && Math.abs(last.y - y) < Math.max(2, height / 2)) {
      if (str.trim() && x - last.x > height * 0.15 && !last.text.endsWith(' ')) last.text += ' '
      last.text += str
      last.x = x + width
      last.height = Math.max(last.height, height)
    } else if (str.trim()) lines.push({ text: str, y, height, x: x + width })
  }
  return lines.map((line) => ({ ...line, text: line.text.replace(/\s+/g, ' ').trim() }))
}

function scriptOf(pages: readonly Line[][], name: string): { script: string; left: string[] } {
  const all = pages.flat()
  if (!all.some(({ text }) => /\p{L}/u.test(text)))
    throw new TidyError('import_pictures_only', { name })
  const body = quantile(
    all.map(({ height }) => height),
    0.5,
  )
  const running = runningHeads(pages)
  let dropped = 0
  const parts: string[] = []
  let paragraph = ''
  const close = () => {
    if (paragraph) parts.push(paragraph)
    paragraph = ''
  }
  for (const lines of pages) {
    // Most lines follow closely; wider steps are the ends of paragraphs.
    const gap = quantile(
      lines
        .slice(1)
        .map((line, i) => itemAt(lines, i).y - line.y)
        .filter((distance) => distance > 0),
      0.25,
    )
    lines.forEach((line, i) => {
      if (
        running.has(line.text) ||
        /^(?:page |p\. )?\d{1,4}(?: (?:of|\/) \d{1,4})?$/i.test(line.text)
      )
        return void dropped++
      const before = lines[i - 1]
      if (line.height > body * 1.15 && line.text.length < 90) {
        close()
        parts.push(`# ${line.text}`)
        return
      }
      if (before && (before.y - line.y > gap * 1.4 || before.height > body * 1.15)) close()
      paragraph = joined(paragraph, line.text)
    })
    // A page ends a paragraph only where its sentence ends.
    if (/[.!?…]["”’)]?$/.test(paragraph)) close()
  }
  close()
  return {
    script: paragraphs(parts),
    left: dropped ? [`Left out: ${dropped} running heads and page numbers.`] : [],
  }
}

/** A word parted at the end of a line is one word again. */
function joined(before: string, line: string): string {
  if (!before) return line
  const parted = /\p{Ll}-$/u.test(before) && /^\p{Ll}/u.test(line)
  return parted ? before.slice(0, -1) + line : `${before} ${line}`
}

/** Lines that stand at the top or foot of most pages. */
function runningHeads(pages: readonly Line[][]): Set<string> {
  if (pages.length < 3) return new Set()
  const counts = new Map<string, number>()
  for (const lines of pages)
    for (const text of new Set([lines[0]?.text, lines.at(-1)?.text]))
      if (text) counts.set(text, (counts.get(text) ?? 0) + 1)
  return new Set([...counts].filter(([, times]) => times >= pages.length / 2).map(([text]) => text))
}

function quantile(numbers: readonly number[], share: number): number {
  const sorted = [...numbers].sort((a, b) => a - b)
  return sorted[Math.floor(sorted.length * share)] ?? 0
}
