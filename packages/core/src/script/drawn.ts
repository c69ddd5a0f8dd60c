import { splitPlace } from './drawn-place.ts'

/** A figure as it is written, and what it amounts to. */
export interface Figure {
  value: number
  decimals: number
  /** Between thousands, as it is written; empty where nothing is. */
  grouping: '' | ',' | '.' | ' ' | '\u2019'
  decimalMark: '.' | ','
  /** What stands before and after it: a sign of money, a unit. */
  before: string
  after: string
}

/** Something drawn on the picture, as a direction asks for it. */
export type Drawn =
  | { form: 'super'; words: string }
  | { form: 'number'; figure: Figure }
  | { form: 'bars'; bars: { label: string; figure: Figure }[] }
  | { form: 'share'; part: number; written: string; label: string }
  | { form: 'years'; years: { year: string; label: string }[] }
  | { form: 'list'; items: string[] }
  | { form: 'change'; from: string; to: string }
  | { form: 'quote'; words: string; source: string }
  | { form: 'name'; name: string; what: string }
  | { form: 'key'; words: string }
  | { form: 'call'; words: string }
  | { form: 'point'; words: string; across: number; down: number }
  | { form: 'map'; places: [string] | [string, string] }
  | DrawnMark
  | { form: 'wave'; kind: (typeof WAVE_KINDS)[number] }
/** How a voice is drawn. */
export const WAVE_KINDS = ['bars', 'line'] as const
/** Shapes that mark a part of the picture. */
export const MARK_KINDS = ['ring', 'box', 'arrow', 'line', 'marker', 'spotlight'] as const
export type MarkKind = (typeof MARK_KINDS)[number]
export const ARROW_WAYS = ['left', 'right', 'up', 'down'] as const
/** Sizes in shares of the picture's shorter side. */
export interface DrawnMark {
  form: 'mark'
  kind: MarkKind
  width: number
  height: number
  /** Where an arrow points. */
  way: (typeof ARROW_WAYS)[number]
}
export type DrawnForm = Drawn['form']

const NUMBER = /[-−]?\d(?:[\d.,\u00a0\u202f\u2019 ]*\d)?/
const LETTER_OR_DIGIT = /[\p{L}\p{N}]/u

/**
 * Reads the first figure of a text.
 *
 * A mark followed by exactly three digits, once with a comma or more than once with either, parts
 * thousands; otherwise it is the decimal one.
 *
 * @example readFigure('13.8 billion years')
 * // => { value: 13.8, decimals: 1, grouping: '', decimalMark: '.', before: '', after: 'billion years' }
 * @returns undefined where there is none
 */
export function readFigure(text: string): Figure | undefined {
  const found = NUMBER.exec(text)
  if (!found) return undefined
  const written = found[0].replace(/^−/, '-')
  const grouped =
    /^-?\d{1,3}(?:,\d{3})+(?:\.\d+)?$/.exec(written) ??
    /^-?\d{1,3}(?:\.\d{3}){2,}(?:,\d+)?$/.exec(written) ??
    /^-?\d{1,3}(?:\.\d{3})+,\d+$/.exec(written) ??
    /^-?\d{1,3}(?:[ \u00a0\u202f\u2019]\d{3})+(?:[.,]\d+)?$/.exec(written)
  const mark = grouped ? (/[,.\u2019 \u00a0\u202f]/.exec(written)?.[0] ?? '') : ''
  const plain = mark ? written.split(mark).join('') : written
  const parts = /^(-?\d+)(?:([.,])(\d+))?$/.exec(plain)
  if (!parts) return undefined
  const [, whole = '0', decimalMark, fraction = ''] = parts
  return {
    value: Number(`${whole}.${fraction || '0'}`),
    decimals: fraction.length,
    grouping: groupingOf(mark),
    decimalMark: decimalMark === ',' || mark === '.' ? ',' : '.',
    before: text.slice(0, found.index).trim(),
    after: text.slice(found.index + found[0].length).trim(),
  }
}

const groupingOf = (mark: string): Figure['grouping'] =>
  mark === ',' || mark === '.' || mark === '\u2019' || mark === '' ? mark : ' '

/**
 * A value as the figure is written.
 *
 * @example figureText(readFigure('1,250')!, 980) // => '980'
 */
export function figureText(figure: Omit<Figure, 'before' | 'after'>, value = figure.value): string {
  const [whole = '0', fraction] = Math.abs(value).toFixed(figure.decimals).split('.')
  const grouped = figure.grouping
    ? whole.replace(/\B(?=(?:\d{3})+$)/g, figure.grouping === ' ' ? '\u00a0' : figure.grouping)
    : whole
  const isBelow = value < 0 && Number(`${whole}.${fraction ?? 0}`) !== 0
  return `${isBelow ? '\u2212' : ''}${grouped}${fraction ? figure.decimalMark + fraction : ''}`
}

/** What parts a list, the strongest first; a comma between digits is one of a number. */
const PARTING = [/[;；؛|•]/, /\s\/\s/, /,(?!\d)|[，、،]/]

/** Pieces of a list, parted by the strongest mark that is there. */
const parts = (text: string) =>
  text
    .split(PARTING.find((mark) => mark.test(text)) ?? ';')
    .map((part) => part.trim())
    .filter((part) => LETTER_OR_DIGIT.test(part))

const isPair = (text: string) => /^(.+?)\s*(?:->|→|=>|\bto\b|–>)\s*(.+)$/i.exec(text)
const LEAD_MARKS = /^[“”"„«»‘’']+|[“”"„«»‘’']+$/g

/** More of a kind cannot be told apart on a picture. */
const MOST = { bars: 6, years: 6, list: 7 }

function bars(text: string): Drawn | undefined {
  const read = parts(text).flatMap((part) => {
    const figure = readFigure(part.replace(/[:=]/g, ' '))
    if (!figure || figure.value < 0) return []
    const label = (figure.before || figure.after).replace(/[\s:–-]+$/, '')
    return [{ label, figure: { ...figure, before: '', after: figure.before ? figure.after : '' } }]
  })
  return read.length >= 2 && read.some(({ figure }) => figure.value > 0)
    ? { form: 'bars', bars: read.slice(0, MOST.bars) }
    : undefined
}

const FRACTIONS: Record<string, number> = {
  half: 1 / 2,
  third: 1 / 3,
  quarter: 1 / 4,
  fifth: 1 / 5,
}

function share(text: string): Drawn | undefined {
  const outOf = /^(.*?)(\d+)\s*(?:\/|of|in|out of)\s*(\d+)\b(.*)$/i.exec(text)
  if (outOf) {
    const [, before = '', part = '', whole = '', after = ''] = outOf
    const fraction = Number(part) / Number(whole)
    if (!(fraction >= 0 && fraction <= 1)) return undefined
    const written = text.slice(before.length, text.length - after.length).trim()
    return { form: 'share', part: fraction, written, label: (before + after).trim() }
  }
  const named = /\b(?:an?|one)?\s*(half|third|quarter|fifth)\b/i.exec(text)
  const figure = readFigure(text)
  if (figure && /^\s*(?:%|per ?cent|percent|pour cent|Prozent|por ciento)/i.test(figure.after)) {
    if (figure.value < 0 || figure.value > 100) return undefined
    const label = figure.after.replace(
      /^\s*(?:%|per ?cent|percent|pour cent|Prozent|por ciento)/i,
      '',
    )
    const rest = `${figure.before} ${label}`.replace(/\s+/g, ' ').trim()
    return {
      form: 'share',
      part: figure.value / 100,
      written: `${figureText(figure)} %`,
      label: rest.replace(/^of\s+/i, ''),
    }
  }
  const part = FRACTIONS[named?.[1]?.toLowerCase() ?? '']
  if (!named || part === undefined) return undefined
  const label = text
    .replace(named[0], '')
    .replace(/\s+/g, ' ')
    .trim()
    .replace(/^of\s+/i, '')
  return { form: 'share', part, written: named[0].trim(), label }
}

function years(text: string): Drawn | undefined {
  const read = parts(text).flatMap((part) => {
    const year = /\b\d{1,4}(?:\s?(?:BC|BCE|AD|CE))?\b/.exec(part)
    if (!year) return []
    const label = part.replace(year[0], '').replace(/^[\s:,–-]+|[\s:,–-]+$/g, '')
    return [{ year: year[0], label }]
  })
  return read.length >= 2 ? { form: 'years', years: read.slice(0, MOST.years) } : undefined
}

function list(text: string): Drawn | undefined {
  const items = parts(text)
  return items.length ? { form: 'list', items: items.slice(0, MOST.list) } : undefined
}

function change(text: string): Drawn | undefined {
  const [, from, to] = isPair(text) ?? []
  return from && to && LETTER_OR_DIGIT.test(from) && LETTER_OR_DIGIT.test(to)
    ? { form: 'change', from: from.trim(), to: to.trim() }
    : undefined
}

function quote(text: string): Drawn {
  const parted = /^(.+?)\s+[—–-]{1,2}\s+([^—–]+)$/.exec(text)
  const words = (parted?.[1] ?? text).trim().replace(LEAD_MARKS, '')
  return { form: 'quote', words, source: parted?.[2]?.trim() ?? '' }
}

function name(text: string): Drawn {
  const parted = /^([^,;–—]+)(?:[,;]|\s[–—])\s*(.+)$/.exec(text)
  return { form: 'name', name: (parted?.[1] ?? text).trim(), what: parted?.[2]?.trim() ?? '' }
}

function point(text: string): Drawn | undefined {
  const at = /^(.+?)\s+at\s+(\d{1,3})\s*%?\s*[,x ]\s*(\d{1,3})\s*%?$/i.exec(text)
  if (!at) return undefined
  const [, words = '', across, down] = at
  const share = (written: string | undefined) => Math.min(100, Number(written)) / 100
  return { form: 'point', words: words.trim(), across: share(across), down: share(down) }
}

/** A place, or two that a way leads between. */
function map(text: string): Drawn | undefined {
  const [, from, to] = isPair(text) ?? []
  if (from && to && LETTER_OR_DIGIT.test(from) && LETTER_OR_DIGIT.test(to))
    return { form: 'map', places: [from.trim(), to.trim()] }
  return LETTER_OR_DIGIT.test(text) ? { form: 'map', places: [text] } : undefined
}

/** As large as most are drawn, in per cent of the picture's shorter side; by eye. */
const MARK_SIZES: Record<MarkKind, [width: number, height: number]> = {
  ring: [24, 24],
  box: [34, 24],
  arrow: [22, 8],
  line: [30, 1],
  marker: [30, 6],
  spotlight: [40, 40],
}
const MARK =
  /^(ring|box|arrow|line|marker|spotlight)(?:\s+(left|right|up|down))?(?:\s+(\d{1,3})(?:\s*[x× ]\s*(\d{1,3}))?)?\s*%?$/i

function mark(text: string): Drawn | undefined {
  const [, named, way, size, tall] = MARK.exec(text) ?? []
  const kind = MARK_KINDS.find((one) => one === named?.toLowerCase())
  if (!kind) return undefined
  const [width, height] = MARK_SIZES[kind]
  const asked = size === undefined ? width : Math.max(2, Math.min(100, Number(size)))
  const ownTall = tall === undefined ? (height * asked) / width : Number(tall)
  return {
    form: 'mark',
    kind,
    width: asked / 100,
    height: Math.max(kind === 'box' ? 2 : 0.2, Math.min(100, ownTall)) / 100,
    way: ARROW_WAYS.find((one) => one === way?.toLowerCase()) ?? 'right',
  }
}

function wave(text: string): Drawn | undefined {
  const kind = WAVE_KINDS.find((one) => one === text.toLowerCase())
  return kind && { form: 'wave', kind }
}

function number(text: string): Drawn | undefined {
  const figure = readFigure(text)
  return figure && { form: 'number', figure }
}

const READERS: Record<DrawnForm, (text: string) => Drawn | undefined> = {
  super: (words) => ({ form: 'super', words }),
  number,
  bars,
  share,
  years,
  list,
  change,
  quote,
  name,
  key: (words) => ({ form: 'key', words }),
  call: (words) => ({ form: 'call', words }),
  point,
  map,
  mark,
  wave,
}
export const DRAWN_FORMS = Object.keys(READERS) as [DrawnForm, ...DrawnForm[]]

/** What a direction of each form is written like: for who wrote one that could not be read. */
export const DRAWN_EXAMPLES: Record<DrawnForm, string> = {
  super: '[super: 1859]',
  number: '[number: 13.8 billion years]',
  bars: '[bars: Coal 35 %; Gas 22 %; Wind 8 %]',
  share: '[share: 71 % water]',
  years: '[years: 1822 the lens; 1859 electric light]',
  list: '[list: the gate; the sluice; the chamber]',
  change: '[change: 4 m to 12 m]',
  quote: '[quote: It never goes out — a keeper]',
  name: '[name: Ann Reed, keeper]',
  key: '[key: refraction]',
  call: '[call: More on the tides next week]',
  point: '[point: the lens at 40 30]',
  map: '[map: Bremen]',
  mark: '[mark: ring @ 40 30]',
  wave: '[wave: bars]',
}

/** Letters of a direction that are looked at: no picture holds more. */
const READ_CHARACTERS = 600

/**
 * Reads what a direction asks to be drawn. Nothing is invented: what has no figure gets no bar.
 *
 * @param text as it stands behind the colon; a place at its end is left aside
 * @returns undefined where the form cannot be drawn from it
 */
export const readDrawn = (form: DrawnForm, text: string): Drawn | undefined =>
  READERS[form](splitPlace(text.slice(0, READ_CHARACTERS)).text.trim())
