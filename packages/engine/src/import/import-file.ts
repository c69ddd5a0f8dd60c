import { extname } from 'node:path'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { cleanScript, SCRIPT_CHARACTERS_LIMIT } from '@tidy-reel/core/script/clean'
import { IMPORT_BYTES_LIMIT, importTooLarge } from './import-limit.ts'
import { type ImportedScript, readAs } from './imported-script.ts'
import { decoded } from './text-encoding.ts'

/** Readers of documents; each is loaded when the first file of its kind comes. */
const READERS = {
  csv: async () => (await import('./csv-script.ts')).csvScript,
  docx: async () => (await import('./docx-script.ts')).docxScript,
  html: async () => (await import('./html-script.ts')).htmlScript,
  odt: async () => (await import('./odt-script.ts')).odtScript,
  pdf: async () => (await import('./pdf-script.ts')).pdfScript,
  slides: async () => (await import('./slides-script.ts')).slidesScript,
  subtitles: async () => (await import('./subtitles-script.ts')).subtitlesScript,
}

/**
 * A script made of a file, told by what is in it rather than by its name: plain text and Markdown,
 * .docx, .odt, .html, .pdf, .pptx, .odp, two-column .csv, .srt and .vtt.
 *
 * @throws TidyError `import_too_large`, `import_unreadable`, `import_empty`,
 *   `import_pictures_only`, and what `cleanScript` throws
 */
export async function importFile(bytes: Buffer, file: string): Promise<ImportedScript> {
  const name = file.replace(/^.*[\\/]/, '').slice(0, 200) || 'The file'
  if (bytes.length > IMPORT_BYTES_LIMIT) throw importTooLarge(name, bytes.length)
  if (bytes.length === 0) throw new TidyError('import_empty', { name })
  const imported = await readAs(name, () => read(bytes, name))
  if (imported.script.length > SCRIPT_CHARACTERS_LIMIT)
    throw new TidyError('script_too_large', {
      characters: imported.script.length,
      limit: SCRIPT_CHARACTERS_LIMIT,
    })
  return {
    ...imported,
    title: imported.title === name ? name.replace(/\.\w{1,5}$/, '') : imported.title,
    script: kept(imported, name),
  }
}

/** Pictures are placed by letters: where cleaning moves none, they stay right. */
function kept({ script, pictures }: ImportedScript, name: string): string {
  const clean = cleanScript(script, name)
  return pictures.length && clean.length !== script.length ? script : clean
}

async function read(bytes: Buffer, name: string): Promise<ImportedScript> {
  const ending = extname(name).toLowerCase()
  const head = bytes.subarray(0, 8)
  if (head.subarray(0, 5).toString('latin1') === '%PDF-') return (await READERS.pdf())(bytes, name)
  if (head[0] === 0x50 && head[1] === 0x4b) return packedScript(bytes, name)
  const kind = foreign(head, bytes)
  if (kind)
    throw new TidyError('import_unreadable', {
      name,
      reason: `it is ${kind}${ending && !kind.includes(ending.slice(1)) ? `, whatever its name says` : ''}`,
    })
  const { text, encoding } = decoded(bytes)
  const made = await textScript(text, ending, name)
  return encoding === 'UTF-8'
    ? made
    : { ...made, left: [...made.left, `The text was written in ${encoding} and is read as such.`] }
}

/** What a packed document is, told by the parts it has. */
async function packedScript(bytes: Buffer, name: string): Promise<ImportedScript> {
  const { unpacked } = await import('./open-zip.ts')
  const paths = new Set<string>()
  const parts = await unpacked(bytes, name, (path) => {
    paths.add(path)
    return path === 'mimetype'
  })
  const type = parts.get('mimetype')?.toString('latin1') ?? ''
  if (paths.has('word/document.xml')) return (await READERS.docx())(bytes, name)
  if (paths.has('ppt/presentation.xml') || type.includes('presentation'))
    return (await READERS.slides())(bytes, name)
  if (type.includes('opendocument.text')) return (await READERS.odt())(bytes, name)
  throw new TidyError('import_unreadable', {
    name,
    reason: 'it is an archive without a document that can be read',
  })
}

/** Files that are no text, by their first bytes. */
function foreign(head: Buffer, bytes: Buffer): string | undefined {
  const is = (...codes: number[]) => codes.every((code, i) => head[i] === code)
  if (is(0xff, 0xd8, 0xff)) return 'a picture (jpeg)'
  if (is(0x89, 0x50, 0x4e, 0x47)) return 'a picture (png)'
  if (head.toString('latin1', 0, 4) === 'GIF8') return 'a picture (gif)'
  if (head.toString('latin1', 0, 4) === 'RIFF') return 'a sound, film or picture'
  if (bytes.subarray(4, 8).toString('latin1') === 'ftyp') return 'a film'
  if (is(0xd0, 0xcf, 0x11, 0xe0))
    return 'a document of an old kind (before 2007); save it as .docx or .pptx'
  if (head.toString('latin1', 0, 5) === '{\\rtf')
    return 'a rich text file (rtf); save it as .docx or plain text'
  return undefined
}

async function textScript(text: string, ending: string, name: string): Promise<ImportedScript> {
  const start = text.trimStart().slice(0, 400)
  if (
    /^(?:<!doctype html|<html|<\?xml[^>]*>\s*<(?:!doctype )?html)/i.test(start) ||
    /^\.(?:html?|xhtml|mhtml)$/.test(ending)
  )
    return (await READERS.html())(text, name)
  if (/^\.(?:csv|tsv)$/.test(ending)) return (await READERS.csv())(text, name)
  // Called a text, subtitles stay as they are: the tidy pass shows what it takes out of them.
  if (
    !/^\.(?:txt|md|markdown)$/.test(ending) &&
    (/^WEBVTT/.test(start) ||
      /^(?:\d+\s*\n)?\s*(?:\d{1,2}:)?\d{1,2}:\d\d[.,]\d{1,3}\s*-->/.test(start))
  )
    return (await READERS.subtitles())(text, name)
  if (!/[\p{L}\p{N}]/u.test(text))
    throw new TidyError(text.includes('\u0000') ? 'script_not_text' : 'import_empty', { name })
  return {
    title: /^#\s+(.+)$/m.exec(start)?.[1]?.trim() ?? name,
    script: text,
    left: [],
    pictures: [],
  }
}
