import { XMLParser } from 'fast-xml-parser'

/** An element: its children in order under its name, or text. */
export interface XmlNode {
  name: string
  attributes: Record<string, string>
  children: XmlNode[]
  text: string
}

const parser = new XMLParser({
  preserveOrder: true,
  ignoreAttributes: false,
  attributeNamePrefix: '',
  trimValues: false,
  processEntities: true,
  htmlEntities: true,
  parseTagValue: false,
})

/**
 * A document as a tree in reading order. Entities of its own are not expanded beyond the parser's
 * limits.
 */
export function xmlTree(xml: string): XmlNode {
  return {
    name: '',
    attributes: {},
    text: '',
    children: nodesOf(parser.parse(xml) as Record<string, unknown>[]),
  }
}

function nodesOf(raw: Record<string, unknown>[]): XmlNode[] {
  return raw.flatMap((entry) => {
    const [name] = Object.keys(entry).filter((key) => key !== ':@')
    if (name === undefined || name.startsWith('?')) return []
    if (name === '#text') return [{ name, attributes: {}, children: [], text: String(entry[name]) }]
    return [
      {
        name,
        attributes: (entry[':@'] ?? {}) as Record<string, string>,
        children: nodesOf(entry[name] as Record<string, unknown>[]),
        text: '',
      },
    ]
  })
}

/** All elements of some names, in order, not looked for inside one another. */
export function found(node: XmlNode, ...names: string[]): XmlNode[] {
  return node.children.flatMap((child) =>
    names.includes(child.name) ? [child] : found(child, ...names),
  )
}

/** All text in an element; line breaks and tabs as spaces. */
export function textOf(node: XmlNode): string {
  if (node.name === '#text') return node.text
  if (/(?::|^)(?:br|tab|s|line-break)$/.test(node.name)) return ' '
  return node.children.map(textOf).join('')
}
