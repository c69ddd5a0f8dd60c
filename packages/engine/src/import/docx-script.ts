import { buffer } from 'node:stream/consumers'
import mammoth from 'mammoth'
import { ZipFile } from 'yazl'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { pattern } from '@tidy-reel/core/text/pattern'
import { plainHtmlScript } from './html-script.ts'
import { type ImportedScript, LeftOut } from './imported-script.ts'
import { unpacked } from './open-zip.ts'

/** The text parts of a word-processor document; pictures and fonts stay packed. */
const TEXT = pattern(
  '',
  String.raw`^(?:\[Content_Types\]\.xml|_rels/\.rels|docProps/core\.xml|word/(?:document|styles|`,
  String.raw`numbering|footnotes|endnotes|comments)\.xml|word/_rels/document\.xml\.rels)$`,
)

const DROPPED: [string, RegExp][] = [
  ['a picture', /<w:drawing[ >]|<w:pict[ >]/g],
  ['a table', /<w:tbl[ >]/g],
  ['a footnote', /<w:footnoteReference /g],
  ['a comment', /<w:commentReference /g],
  ['a deletion that was tracked', /<w:del [^>]*>/g],
]

/** A .docx as a script: headings as chapters, lists as lists, comments and footnotes left out. */
export async function docxScript(bytes: Buffer, name: string): Promise<ImportedScript> {
  const parts = await unpacked(bytes, name, (path) => TEXT.test(path))
  const document = parts.get('word/document.xml')
  if (!document)
    throw new TidyError('import_unreadable', {
      name,
      reason: 'it is not a word-processor document',
    })
  const xml = document.toString('utf8')
  const count = (pattern: RegExp) => xml.match(pattern)?.length ?? 0
  const left = new LeftOut()
  for (const [what, pattern] of DROPPED) left.add(what, count(pattern))
  const { value } = await mammoth
    .convertToHtml(
      { buffer: await repacked(parts) },
      {
        styleMap: [
          "p[style-name='Title'] => h1:fresh",
          "p[style-name='Subtitle'] => p:fresh",
          'comment-reference => sup',
        ],
        includeDefaultStyleMap: true,
      },
    )
    .catch(() => {
      throw new TidyError('import_unreadable', { name, reason: 'it is damaged or was cut off' })
    })
  const { script } = plainHtmlScript(
    value
      .replace(/<sup>.*?<\/sup>/g, '')
      .replace(/<ol><li id="(?:foot|end)note[\s\S]*?<\/ol>/g, ''),
    name,
  )
  const title = /<dc:title>([^<]+)<\/dc:title>/
    .exec(parts.get('docProps/core.xml')?.toString('utf8') ?? '')?.[1]
    ?.trim()
  return { title: title || name, script, left: left.sentences, pictures: [] }
}

/** Only the parts that were unpacked with limits reach the converter, which has none. */
function repacked(parts: ReadonlyMap<string, Buffer>): Promise<Buffer> {
  const zip = new ZipFile()
  for (const [path, part] of parts) zip.addBuffer(part, path, { compress: false })
  zip.end()
  return buffer(zip.outputStream)
}
