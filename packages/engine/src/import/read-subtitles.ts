import Papa from 'papaparse'
import { TidyError } from '@tidy-reel/core/faults/fault'
import type { TimedText } from '@tidy-reel/core/film/subtitles/align-texts'
import { LeftOut } from './imported-script.ts'
import { decoded } from './text-encoding.ts'
import { found, textOf, type XmlNode, xmlTree } from './xml-tree.ts'

/** Subtitles of a file, and what of it they cannot hold. */
export interface ReadSubtitles {
  texts: TimedText[]
  /** What was left out, in words, each once. */
  left: string[]
}

/** In bytes: an hour of subtitles with styles has half a megabyte. */
export const SUBTITLES_BYTES_LIMIT = 8 * 1024 * 1024
/** One every second for five hours. */
const MOST_TEXTS = 20_000

/**
 * Subtitles of a file, told by what is in it: WebVTT, SubRip, ASS, TTML, else a table or lines, one
 * text each.
 *
 * @param name of the file, for the sentence
 * @throws TidyError `subtitles_unreadable`
 */
export function readSubtitles(bytes: Buffer, name: string): ReadSubtitles {
  const unreadable = (reason: string) => new TidyError('subtitles_unreadable', { name, reason })
  if (bytes.length > SUBTITLES_BYTES_LIMIT) throw unreadable('it is over 8 MB')
  if (bytes.includes(0) && !isWide(bytes)) throw unreadable('it is no text')
  const { text } = decoded(bytes)
  if (/<!(?:DOCTYPE|ENTITY)/i.test(text))
    throw unreadable('it declares entities of its own, which may fetch anything')
  const left = new LeftOut()
  let texts: TimedText[]
  try {
    texts = readerOf(text)(text, left)
  } catch {
    throw unreadable('it is damaged')
  }
  if (texts.length > MOST_TEXTS)
    throw unreadable(`it has ${texts.length} subtitles, at most ${MOST_TEXTS} are read`)
  const worded = texts.filter(({ text: words }) => /[\p{L}\p{N}]/u.test(words))
  if (!worded.some(({ text: words }) => /\p{L}/u.test(words)))
    throw unreadable('there are no words in it')
  return { texts: worded, left: left.sentences }
}

/** UTF-16 has zeros in every second place. */
const isWide = (bytes: Buffer) => /^(?:fffe|feff)/.test(bytes.subarray(0, 2).toString('hex'))

type Reader = (text: string, left: LeftOut) => TimedText[]

function readerOf(text: string): Reader {
  const head = text.slice(0, 4000)
  if (/^\uFEFF?WEBVTT/.test(head)) return webVtt
  if (/^\[(?:Script Info|Events|V4\+? Styles)\]/im.test(head)) return ass
  if (/<(?:\w+:)?tt[\s>]/.test(head)) return ttml
  return text.includes('-->') ? subRip : table
}

const CLOCK = String.raw`(?:(\d{1,4}):)?(\d{1,2}):(\d{1,2})[.,](\d{1,3})`
const ARROW = new RegExp(String.raw`^\s*${CLOCK}\s*-->\s*${CLOCK}(.*)$`)

function seconds([h = '0', m = '0', s = '0', fraction = '']: (string | undefined)[]): number {
  return Number(h) * 3600 + Number(m) * 60 + Number(s) + Number(`0.${fraction || '0'}`)
}

/** Blocks parted by empty lines, of which those with a time are texts. */
function blocks(text: string, left: LeftOut, onSettings: (settings: string) => void): TimedText[] {
  return text
    .replace(/^\uFEFF/, '')
    .replace(/\r\n?/g, '\n')
    .split(/\n[ \t]*\n/)
    .flatMap((block) => {
      const lines = block.split('\n')
      const at = lines.findIndex((line) => ARROW.test(line))
      const times = ARROW.exec(lines[at] ?? '')
      if (!times) return []
      if (times[9]?.trim()) onSettings(times[9])
      const words = lines.slice(at + 1).map((line) => withoutTags(line, left))
      return [
        { start: seconds(times.slice(1, 5)), end: seconds(times.slice(5, 9)), text: lined(words) },
      ]
    })
}

const subRip: Reader = (text, left) => blocks(text, left, () => left.add('a place on the picture'))

const webVtt: Reader = (text, left) => {
  left.add('a style of its own', text.match(/^STYLE\b/gm)?.length ?? 0)
  left.add('a region', text.match(/^REGION\b/gm)?.length ?? 0)
  left.add('a remark', text.match(/^NOTE\b/gm)?.length ?? 0)
  return blocks(text, left, () => left.add('a place on the picture'))
}

const ENTITIES: Record<string, string> = {
  '&amp;': '&',
  '&lt;': '<',
  '&gt;': '>',
  '&nbsp;': ' ',
  '&lrm;': '',
  '&rlm;': '',
}

/** Tags of SubRip and WebVTT, times of words, overrides of ASS; any other bracket is a text's own. */
const MARKS = /<\/?(?:b|i|u|s|c|v|font|ruby|rt|lang)(?:[.\s][^>]*)?>|<\d[\d:.]*>|\{\\[^}]*\}/gi

function withoutTags(line: string, left: LeftOut): string {
  return line
    .replace(/<v[.\w]*\s+([^>]*)>/g, () => (left.add('the name of who speaks'), ''))
    .replace(MARKS, (tag) => {
      if (!/^<\//.test(tag)) left.add('a mark of letters or time')
      return ''
    })
    .replace(/&(?:amp|lt|gt|nbsp|lrm|rlm);/g, (entity) => ENTITIES[entity] ?? '')
    .trim()
}

const lined = (lines: readonly string[]) => lines.filter(Boolean).join('\n')

const ass: Reader = (text, left) => {
  left.add('a style', text.match(/^Style:/gm)?.length ?? 0)
  const rows = text.replace(/\r\n?/g, '\n').split('\n')
  const format = rows
    .slice(rows.findIndex((row) => /^\[Events\]/i.test(row)))
    .find((row) => /^Format:/i.test(row))
  const columns = (
    format ?? 'Format: Layer,Start,End,Style,Name,MarginL,MarginR,MarginV,Effect,Text'
  )
    .replace(/^Format:/i, '')
    .split(',')
    .map((column) => column.trim().toLowerCase())
  return rows.flatMap((row): TimedText[] => {
    const said = /^Dialogue:\s*(.*)$/.exec(row)?.[1]
    if (said === undefined) return []
    const parts = said.split(',')
    const fields = [
      ...parts.slice(0, columns.length - 1),
      parts.slice(columns.length - 1).join(','),
    ]
    const field = (name: string) => fields[columns.indexOf(name)] ?? ''
    const time = (written: string) =>
      seconds(new RegExp(`^${CLOCK}$`).exec(written.trim())?.slice(1, 5) ?? [])
    if (/\{[^}]*\\p[1-9]/.test(field('text'))) {
      left.add('a drawing')
      return []
    }
    if (/\{\\/.test(field('text'))) left.add('a movement or colour of letters')
    const words = field('text')
      .replace(/\{[^}]*\}/g, '')
      .split(/\\[Nn]/)
      .map((line) => line.replace(/\\h/g, ' ').trim())
    return [{ start: time(field('start')), end: time(field('end')), text: lined(words) }]
  })
}

const ttml: Reader = (text, left) => {
  const [tt] = elements(xmlTree(text), 'tt')
  if (!tt) return []
  left.add('a region', elements(tt, 'region').length)
  left.add('a style', elements(tt, 'style').length)
  const rate = Number(attribute(tt, 'frameRate') ?? 30)
  const ticks = Number(attribute(tt, 'tickRate') ?? 1)
  const time = (written: string | undefined) => ttmlSeconds(written ?? '', rate, ticks)
  return elements(tt, 'p').map((p) => {
    const start = time(attribute(p, 'begin')) ?? 0
    const end = time(attribute(p, 'end')) ?? start + (time(attribute(p, 'dur')) ?? 0)
    const words = textOf({ ...p, children: p.children.map(brokenLine) })
    return {
      start,
      end,
      text: lined(words.split('\n').map((line) => line.replace(/\s+/g, ' ').trim())),
    }
  })
}

/** Line breaks of TTML as such, wherever in a paragraph they stand. */
const brokenLine = (node: XmlNode): XmlNode => {
  if (node.name === '#text') return { ...node, text: node.text.replace(/\s+/g, ' ') }
  return /(?::|^)br$/.test(node.name)
    ? { ...node, name: '#text', text: '\n' }
    : { ...node, children: node.children.map(brokenLine) }
}

/** Elements of a name, whatever their namespace is called. */
const elements = (node: XmlNode, name: string): XmlNode[] =>
  found(node, name, ...['tt', 'ns0', 'ns1', 'ttml'].map((space) => `${space}:${name}`))
const attribute = ({ attributes }: XmlNode, name: string): string | undefined =>
  Object.entries(attributes).find(([key]) => key.replace(/^.*:/, '') === name)?.[1]

/** Clock times, frames and offsets (TTML 2, 12.3.1, from memory). */
function ttmlSeconds(written: string, rate: number, ticks: number): number | undefined {
  const clock = /^(\d{2,}):(\d\d):(\d\d)(?:(\.\d+)|:(\d+))?$/.exec(written.trim())
  if (clock) {
    const [, h, m, s, fraction = '0', frames = '0'] = clock
    return Number(h) * 3600 + Number(m) * 60 + Number(s) + Number(fraction) + Number(frames) / rate
  }
  const offset = /^(\d+(?:\.\d+)?)(h|ms|m|s|f|t)$/.exec(written.trim())
  if (!offset) return undefined
  const units = { h: 3600, m: 60, s: 1, ms: 0.001, f: 1 / rate, t: 1 / ticks }
  return Number(offset[1]) * units[offset[2] as keyof typeof units]
}

/** Rows of a table, or lines: the last cell of each is its text. */
const table: Reader = (text) => {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, '').trim(), {
    skipEmptyLines: true,
  })
  const columns = Math.max(...data.map((row) => row.length))
  // Commas in plain lines are no columns.
  const isTable = columns > 1 && data.every((row) => row.length === columns)
  const cells = isTable
    ? data.map((row) => row.at(-1) ?? '')
    : text.split(/\r?\n/).filter((line) => line.trim())
  return cells.map((cell) => ({ text: cell.replace(/\s+/g, ' ').trim() }))
}
