import { TidyError } from '@tidy-reel/core/faults/fault'
import { type ImportedScript, LeftOut, listedParagraphs } from './imported-script.ts'
import { unpacked } from './open-zip.ts'
import { found, textOf, type XmlNode, xmlTree } from './xml-tree.ts'

/** Parts of a text document that are not read out. */
const DROPPED: Record<string, string> = {
  'text:note': 'a footnote',
  'office:annotation': 'a comment',
  'table:table': 'a table',
  'draw:frame': 'a picture',
  'text:tracked-changes': 'a change that was tracked',
  'text:table-of-content': 'a table of contents',
}

/** An .odt as a script: headings as chapters, lists as lists. */
export async function odtScript(bytes: Buffer, name: string): Promise<ImportedScript> {
  const parts = await unpacked(bytes, name, (path) => path === 'content.xml' || path === 'meta.xml')
  const content = parts.get('content.xml')
  if (!content)
    throw new TidyError('import_unreadable', { name, reason: 'it is not a text document' })
  const left = new LeftOut()
  const body = found(without(xmlTree(content.toString('utf8')), left), 'office:text')[0]
  const lines = body ? blocks(body) : []
  if (!lines.some((line) => /\p{L}/u.test(line))) throw new TidyError('import_empty', { name })
  const meta = parts.get('meta.xml')
  const title =
    meta &&
    found(xmlTree(meta.toString('utf8')), 'dc:title')
      .map(textOf)[0]
      ?.trim()
  return {
    title: title || name,
    script: listedParagraphs(lines),
    left: left.sentences,
    pictures: [],
  }
}

function without(node: XmlNode, left: LeftOut): XmlNode {
  return {
    ...node,
    children: node.children.flatMap((child) => {
      const what = DROPPED[child.name]
      if (!what) return [without(child, left)]
      left.add(what)
      return []
    }),
  }
}

const line = (node: XmlNode) => textOf(node).replace(/\s+/g, ' ').trim()

function blocks(node: XmlNode): string[] {
  return node.children.flatMap((child) => {
    if (child.name === 'text:h') return [line(child) && `# ${line(child)}`]
    if (child.name === 'text:p') return [line(child)]
    if (child.name === 'text:list')
      return found(child, 'text:list-item').map((item) => `- ${line(item)}`)
    return blocks(child)
  })
}
