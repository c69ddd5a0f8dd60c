import { extname, posix } from 'node:path'
import { certain } from '@tidy-reel/core/faults/certain'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { estimateSeconds } from '@tidy-reel/core/script/estimate'
import { SCENE_SECONDS_LIMIT } from '@tidy-reel/core/script/parse'
import { sentencesOf } from '@tidy-reel/core/script/sentences'
import { pattern } from '@tidy-reel/core/text/pattern'
import { roughlySpoken } from '@tidy-reel/core/text/roughly-spoken'
import type { ImportedPicture, ImportedScript } from './imported-script.ts'
import { unpacked } from './open-zip.ts'
import { found, textOf, type XmlNode, xmlTree } from './xml-tree.ts'

/** One slide as it is told and shown. */
export interface Slide {
  title: string
  /** What stands on it, a line each. */
  text: string[]
  notes: string[]
  /** Path of its largest picture inside the file. */
  picture?: string
}

const PICTURES = /\.(?:png|jpe?g|gif|webp)$/i

/** Parts of a packed document that slides are read from. */
const SLIDE_PARTS = pattern(
  '',
  String.raw`^(?:ppt/(?:presentation|slides/|notesSlides/|_rels/|media/)|content\.xml|Pictures/|`,
  String.raw`META-INF/manifest)`,
)

/**
 * Slides as a script: each a paragraph under its title, told by its notes, or by its text where it
 * has none. A slide that speaks no longer than a scene may is one scene; a longer one keeps its
 * picture on all of its scenes.
 */
export async function slidesScript(bytes: Buffer, name: string): Promise<ImportedScript> {
  const parts = await unpacked(bytes, name, (path) => SLIDE_PARTS.test(path))
  const slides = parts.has('content.xml') ? odpSlides(parts) : pptxSlides(parts, name)
  let script = ''
  const pictures: ImportedPicture[] = []
  let silent = 0
  for (const slide of slides) {
    const told = slide.notes.length ? slide.notes : slide.text
    if (told.length === 0) {
      silent++
      continue
    }
    if (slide.title && slide.title !== told[0]) script += `# ${slide.title}\n\n`
    const from = script.length
    script += `${sceneText(told)}\n\n`
    const picture = slide.picture && parts.get(slide.picture)
    if (picture)
      pictures.push({
        name: posix.basename(slide.picture!),
        bytes: picture,
        from,
        to: script.length,
      })
  }
  if (!/\p{L}/u.test(script)) throw new TidyError('import_empty', { name })
  const left = [
    ...(silent
      ? [`Left out: ${silent === 1 ? 'a slide' : `${silent} slides`} without text or notes.`]
      : []),
    ...(slides.some(({ notes, text }) => notes.length && text.length)
      ? ['The notes are the narration; the text on slides with notes was left out.']
      : []),
  ]
  return { title: slides[0]?.title || name, script: script.trim(), left, pictures }
}

function sceneText(lines: readonly string[]): string {
  const text = lines.map((line) => (/[.!?…:]["”’)]?$/.test(line) ? line : `${line}.`)).join(' ')
  if (estimateSeconds(roughlySpoken(text)) > SCENE_SECONDS_LIMIT) return text
  return sentencesOf(text)
    .map(({ from, to }) => text.slice(from, to))
    .join(' ~ ')
}

const xmlOf = (parts: ReadonlyMap<string, Buffer>, path: string) => {
  const part = parts.get(path)
  return part && xmlTree(part.toString('utf8'))
}

/** Where the relations of a part lead: id → path. */
function relations(parts: ReadonlyMap<string, Buffer>, path: string): Map<string, string> {
  const tree = xmlOf(
    parts,
    posix.join(posix.dirname(path), '_rels', `${posix.basename(path)}.rels`),
  )
  return new Map(
    (tree ? found(tree, 'Relationship') : []).map(({ attributes }) => [
      attributes.Id ?? '',
      posix.join(posix.dirname(path), attributes.Target ?? ''),
    ]),
  )
}

function pptxSlides(parts: ReadonlyMap<string, Buffer>, name: string): Slide[] {
  const presentation = xmlOf(parts, 'ppt/presentation.xml')
  if (!presentation)
    throw new TidyError('import_unreadable', { name, reason: 'it holds no slides' })
  const places = relations(parts, 'ppt/presentation.xml')
  return found(presentation, 'p:sldId').flatMap(({ attributes }) => {
    const path = places.get(attributes['r:id'] ?? '')
    const tree = path && xmlOf(parts, path)
    if (!path || !tree || found(tree, 'p:sld').some((slide) => slide.attributes.show === '0'))
      return []
    const own = relations(parts, path)
    const notes = [...own.values()].find((target) => target.includes('notesSlides/'))
    const shapes = found(tree, 'p:sp')
    const title = shapes.find((shape) => /title/i.test(placeholder(shape)))
    const picture = found(tree, 'p:pic')
      .map((pic) => ({
        area: areaOf(pic),
        target: own.get(found(pic, 'a:blip')[0]?.attributes['r:embed'] ?? ''),
      }))
      .filter(({ target }) => target && PICTURES.test(target))
      .sort((a, b) => b.area - a.area)[0]?.target
    return [
      {
        title: title ? linesOf(title).join(' ') : '',
        text: shapes
          .filter((shape) => shape !== title && !/^(?:dt|ftr|sldNum)$/.test(placeholder(shape)))
          .flatMap(linesOf),
        notes: notes ? notesOf(xmlOf(parts, notes)) : [],
        ...(picture ? { picture } : {}),
      },
    ]
  })
}

const placeholder = (shape: XmlNode) => found(shape, 'p:ph')[0]?.attributes.type ?? ''
const linesOf = (shape: XmlNode) =>
  found(shape, 'a:p')
    .map((line) => textOf(line).replace(/\s+/g, ' ').trim())
    .filter(Boolean)
const notesOf = (tree: XmlNode | undefined) =>
  tree
    ? found(tree, 'p:sp')
        .filter((shape) => placeholder(shape) === 'body')
        .flatMap(linesOf)
    : []
const areaOf = (pic: XmlNode) => {
  const size = found(pic, 'a:ext').find(({ attributes }) => attributes.cx)?.attributes
  return size ? Number(size.cx) * Number(size.cy) : 0
}

function odpSlides(parts: ReadonlyMap<string, Buffer>): Slide[] {
  return found(certain(xmlOf(parts, 'content.xml')), 'draw:page').map((page) => {
    const notes = page.children.find(({ name }) => name === 'presentation:notes')
    const frames = page.children.filter(({ name }) => name === 'draw:frame')
    const lines = (node: XmlNode) =>
      found(node, 'text:p', 'text:h')
        .map((line) => textOf(line).replace(/\s+/g, ' ').trim())
        .filter(Boolean)
    const title = frames.find(({ attributes }) => attributes['presentation:class'] === 'title')
    const picture = frames
      .flatMap((frame) => found(frame, 'draw:image'))
      .map(({ attributes }) => attributes['xlink:href'] ?? '')
      .find((href) => PICTURES.test(href) && extname(href))
    return {
      title: title ? lines(title).join(' ') : '',
      text: frames.filter((frame) => frame !== title).flatMap(lines),
      notes: notes ? lines(notes) : [],
      ...(picture ? { picture } : {}),
    }
  })
}
