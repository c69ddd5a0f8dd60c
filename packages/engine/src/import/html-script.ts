import { Readability } from '@mozilla/readability'
import { parseHTML } from 'linkedom'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { wordList } from '@tidy-reel/core/text/pattern'
import { type ImportedScript, LeftOut, listedParagraphs } from './imported-script.ts'

const BLOCKS = new Set(
  wordList(`
    P DIV SECTION ARTICLE LI BLOCKQUOTE DD DT FIGCAPTION PRE H1 H2 H3 H4 H5 H6 UL OL TABLE
    TR HEADER FOOTER MAIN ASIDE FIGURE BODY HTML
  `),
)
/** What is never narration. */
const DROPPED: Record<string, string> = {
  TABLE: 'a table',
  FIGURE: 'a picture',
  IMG: 'a picture',
  VIDEO: 'a video',
  AUDIO: 'a sound',
  IFRAME: 'something embedded',
  SVG: 'a drawing',
  CANVAS: 'a drawing',
  FORM: 'a form',
  BUTTON: 'a button',
}
const SILENT = new Set('SCRIPT STYLE NOSCRIPT TEMPLATE HEAD NAV'.split(' '))

/** Less than this around the main text is no more than its title again. */
const AROUND_CHARACTERS = 100

interface DomNode {
  nodeType: number
  nodeName: string
  textContent: string | null
  childNodes: Iterable<DomNode>
}

/** What is read of a page. */
interface HtmlPage {
  title: string
  body: DomNode | null
  documentElement: DomNode | null
}

/** Parts inside one another: pages have some 30, and what looks for main text is slow in deep ones. */
const DEEPEST = 250

/** Level by level: a page made to be deep would be too deep for functions that call themselves. */
function isDeep(root: DomNode): boolean {
  let level = [root]
  for (let depth = 0; depth <= DEEPEST; depth++) {
    level = level.flatMap(({ childNodes }) =>
      [...childNodes].filter(({ nodeType }) => nodeType === 1),
    )
    if (!level.length) return false
  }
  return true
}

// The types of linkedom name the DOM of a browser, which Node's do not have.
const pageOf = (html: string) => (parseHTML(html) as { document: HtmlPage }).document

const bodyOf = (html: string) => pageOf(`<!doctype html><html><body>${html}</body></html>`).body!

/** A page as a script: its main text, headings as chapters. */
export function htmlScript(html: string, name: string): ImportedScript {
  const page = pageOf(html)
  if (!page.documentElement || !page.body) throw new TidyError('import_empty', { name })
  if (isDeep(page.documentElement))
    throw new TidyError('import_unreadable', {
      name,
      reason: `its parts lie over ${DEEPEST} deep inside one another; paste its text`,
    })
  const left = new LeftOut()
  const whole = page.body.textContent ?? ''
  const article = new Readability(page, {
    charThreshold: 200,
    keepClasses: false,
  }).parse()
  if (!article?.content) return wholePage(html, left, name)
  const main = bodyOf(article.content)
  const made = blocksOf(main, left, name)
  const around =
    whole.replace(/\s+/g, ' ').length - (main.textContent ?? '').replace(/\s+/g, ' ').length
  return {
    title: article.title || page.title || name,
    script: made.script,
    left: [
      ...(around > AROUND_CHARACTERS
        ? ['Left out: what stood around the main text (menus, lists of other pages, remarks).']
        : []),
      ...made.left,
    ],
    pictures: [],
  }
}

/**
 * All of a page that has no main text; what looked for it has changed the page, so it is read anew.
 */
function wholePage(html: string, left: LeftOut, name: string): ImportedScript {
  const { body, title } = pageOf(html)
  if (!body) throw new TidyError('import_empty', { name })
  return { ...blocksOf(body, left, name), title: title || name, pictures: [] }
}

/** Markup that another program made (docx, say), all of it text. */
export function plainHtmlScript(html: string, name: string): { script: string; left: string[] } {
  return blocksOf(bodyOf(html), new LeftOut(), name)
}

/** What a block of this kind begins with in a script. */
function markOf(kind: string): string {
  if (/^H[1-6]$/.test(kind)) return '# '
  return kind === 'LI' ? '- ' : ''
}

function blocksOf(root: DomNode, left: LeftOut, name: string): { script: string; left: string[] } {
  const parts: string[] = []
  let line = ''
  const close = (prefix = '') => {
    const text = line.replace(/[\s\u00a0]+/g, ' ').trim()
    if (text) parts.push(prefix + text)
    line = ''
  }
  const walk = (node: DomNode) => {
    if (node.nodeType === 3) return void (line += node.textContent ?? '')
    if (node.nodeType !== 1 || SILENT.has(node.nodeName.toUpperCase())) return
    const kind = node.nodeName.toUpperCase()
    if (DROPPED[kind]) return left.add(DROPPED[kind])
    if (kind === 'BR') return void (line += ' ')
    const block = BLOCKS.has(kind)
    if (block) close()
    for (const child of node.childNodes) walk(child)
    if (block) close(markOf(kind))
  }
  walk(root)
  close()
  const script = listedParagraphs(parts)
  if (!/\p{L}/u.test(script)) throw new TidyError('import_empty', { name })
  return { script, left: left.sentences }
}
