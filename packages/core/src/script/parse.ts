import { itemAt } from '../faults/certain.ts'
import { KEPT_CHARACTERS, keptByText } from '../text/kept-by-text.ts'
import { linesOf } from '../text/lines.ts'
import { pattern } from '../text/pattern.ts'
import { piecesOf } from '../text/pieces.ts'
import { roughlySpoken } from '../text/roughly-spoken.ts'
import type { TextRange } from '../text/text-range.ts'
import { clausesOf } from './clauses.ts'
import { DRAWN_EXAMPLES, DRAWN_FORMS, type DrawnForm, readDrawn } from './drawn.ts'
import { estimateSeconds } from './estimate.ts'
import { sentencesOf } from './sentences.ts'

/** No scene should speak longer than this. */
export const SCENE_SECONDS_LIMIT = 11.5

export type Direction =
  | { kind: 'picture'; text: string }
  | { kind: 'pause'; seconds: number }
  | { kind: 'sound'; text: string }
  | { kind: 'music'; text: string }
  /** Something written or drawn on the picture, as `readDrawn` reads it. */
  | { kind: DrawnForm; text: string }
  | { kind: 'note'; text: string }

/** True for what is written or drawn on the picture. */
export const isDrawn = (
  direction: Direction,
): direction is Extract<Direction, { kind: DrawnForm }> =>
  (DRAWN_FORMS as readonly string[]).includes(direction.kind)

/** The smallest piece of narration with a row of its own, as the script says it. */
export interface ScriptScene {
  /** Narration as written, spaces evened, without directions; at least one letter or digit. */
  text: string
  /** Where the narration stands in the script, directions inside it included. */
  source: TextRange
  /** Index into `chapters`, or -1 before the first heading. */
  chapter: number
  speaker?: string
  directions: Direction[]
  /** Where each of `directions` stands, in the same order. */
  marked: TextRange[]
  opensParagraph: boolean
  /** Seconds it will speak for, estimated from its letters. */
  estimatedSeconds: number
}

/** A heading or a paragraph of the script. */
export interface ScriptBlock {
  source: TextRange
  /** Of a heading, its words. */
  heading?: string
  /** Of a paragraph, where its speaker's label stands. */
  label?: TextRange
  /** Of a paragraph, its scenes: indices `[first, end)` into `scenes`. */
  first: number
  end: number
}

export interface ParsedScript {
  chapters: { title: string; source: TextRange }[]
  scenes: ScriptScene[]
  blocks: ScriptBlock[]
  /** Things a person should know, in words: what was left unread and why. */
  remarks: string[]
}

interface Bracket extends TextRange {
  direction?: Direction
}

const HEADING = /^\s{0,3}#{1,6}/
const SPEAKER = /^\s*(\p{Lu}[\p{Lu}\p{N} .'’-]{1,30}):(?=\s|$)/u
const BRACKET = /\[([^[\]\n]*)(\]|$)/gm
/** What makes a text worth a scene: something to speak. */
export const SPOKEN = /[\p{L}\p{N}]/u
/**
 * Standing alone between words: `|` parts two scenes, `~` keeps two pieces together that would be
 * parted.
 */
export const BOUNDARY = /(?<=^|\s)[|~](?=\s|$)/g

/**
 * Reads a script with light markup.
 *
 * `# Heading` starts a chapter and is never spoken; `[picture: …]`, `[pause 1.5s]`, `[sound: …]`,
 * `[music: …]`, `[super: …]` and the other `DRAWN_FORMS` are directions; `NAME:` opening a paragraph names its speaker; blank lines part
 * paragraphs; a sentence is a scene, split at a clause when it would speak longer than
 * `SCENE_SECONDS_LIMIT`; ` | ` parts a scene in two and ` ~ ` keeps two pieces in one. A direction
 * belongs to the sentence it stands in or before; at the end of a paragraph, to the sentence before
 * it; a pause always follows the sentence before it.
 *
 * @param script as `cleanScript` returns it
 * @example parseScript('# Light\nIt burns. [pause 1s] It turns.').scenes.map((s) => s.text)
 * // => ['It burns.', 'It turns.']
 */
export function parseScript(script: string): ParsedScript {
  const parsed: ParsedScript = { chapters: [], scenes: [], blocks: [], remarks: [] }
  const waiting: Bracket[] = []
  for (const block of blocksOf(script)) {
    const first = parsed.scenes.length
    const label =
      block.heading === undefined ? readParagraph(script, block.source, parsed, waiting) : undefined
    if (block.heading && SPOKEN.test(block.heading))
      parsed.chapters.push({ title: block.heading, source: block.source })
    parsed.blocks.push({ ...block, ...(label ? { label } : {}), first, end: parsed.scenes.length })
  }
  const last = parsed.scenes.at(-1)
  if (last) for (const bracket of waiting) give(last, bracket)
  return parsed
}

type Block = Pick<ScriptBlock, 'source' | 'heading'>

function blocksOf(script: string): Block[] {
  const blocks: Block[] = []
  let paragraph: TextRange | undefined
  for (const { from, to } of linesOf(script)) {
    const line = script.slice(from, to)
    const heading = headingOf(line)
    if (heading !== undefined || line.trim() === '') {
      paragraph = undefined
      if (heading !== undefined) blocks.push({ source: { from, to }, heading })
    } else if (paragraph) {
      paragraph.to = to
    } else {
      paragraph = { from, to }
      blocks.push({ source: paragraph })
    }
  }
  return blocks
}

/** The words of a heading, the signs before and after them out; undefined for another line. */
function headingOf(line: string): string | undefined {
  const signs = HEADING.exec(line)
  if (!signs) return undefined
  const words = line.slice(signs[0].length).trim()
  let end = words.length
  while (words.charAt(end - 1) === '#') end--
  return words.slice(0, end).trim()
}

/** @returns where the speaker's label stands, if there is one */
function readParagraph(
  script: string,
  source: TextRange,
  parsed: ParsedScript,
  waiting: Bracket[],
): TextRange | undefined {
  const read = paragraphRead(script.slice(source.from, source.to))
  for (const remark of read.remarks) parsed.remarks.push(remark)
  const scenes = read.pieces.map(({ text, from, to, estimatedSeconds }, i): ScriptScene => ({
    text,
    source: { from: from + source.from, to: to + source.from },
    chapter: parsed.chapters.length - 1,
    ...(read.speaker ? { speaker: read.speaker } : {}),
    directions: [],
    marked: [],
    opensParagraph: i === 0,
    estimatedSeconds,
  }))
  placeDirections(
    read.brackets.map((bracket) => shifted(bracket, source.from)),
    scenes,
    parsed,
    waiting,
  )
  for (const scene of scenes) parsed.scenes.push(scene)
  return read.label ? { from: source.from, to: source.from + read.label } : undefined
}

/** What a paragraph says by itself, wherever it stands; positions from its start. */
interface ParagraphRead {
  brackets: Bracket[]
  remarks: string[]
  speaker?: string
  /** Characters of the speaker's label. */
  label: number
  pieces: (TextRange & { text: string; estimatedSeconds: number })[]
}

/** After an edit all paragraphs but one are as they were: they are not read again. */
const paragraphRead = keptByText(KEPT_CHARACTERS, freshlyRead)

function freshlyRead(raw: string): ParagraphRead {
  const remarks: string[] = []
  const brackets = bracketsOf(raw, remarks)
  let masked = blank(raw, brackets).replace(/\n/g, ' ')
  const named = SPEAKER.exec(masked)
  if (named) masked = ' '.repeat(named[0].length) + masked.slice(named[0].length)
  const pieces = scenePieces(masked).map(({ from, to }) => {
    const text = evenText(masked.slice(from, to).replace(BOUNDARY, ' '))
    return { from, to, text, estimatedSeconds: spokenSeconds(text) }
  })
  return {
    brackets,
    remarks,
    pieces,
    label: named?.[0].length ?? 0,
    ...(named ? { speaker: itemAt(named, 1).trim() } : {}),
  }
}

const shifted = <T extends TextRange>(stretch: T, by: number): T => ({
  ...stretch,
  from: stretch.from + by,
  to: stretch.to + by,
})

/**
 * The scenes of a paragraph: its sentences and their clauses, kept together and parted where it
 * says so.
 */
function scenePieces(masked: string): TextRange[] {
  const boundaries = [...masked.matchAll(BOUNDARY)].map((match) => ({
    at: match.index,
    parts: match[0] === '|',
  }))
  const plain = boundaries.length ? masked.replace(BOUNDARY, ' ') : masked
  const pieces = boundedAt(
    sentencesOf(plain).flatMap((sentence) => spokenPieces(plain, sentence)),
    boundaries,
  )
  return pieces.flatMap(({ from, to }) => {
    const text = plain.slice(from, to)
    if (!SPOKEN.test(text)) return []
    return [
      {
        from: from + (text.length - text.trimStart().length),
        to: to - (text.length - text.trimEnd().length),
      },
    ]
  })
}

interface Boundary {
  at: number
  /** Parts a scene in two; else keeps two pieces in one. */
  parts: boolean
}

/** Both lists are in the order of the text. */
function boundedAt(pieces: readonly TextRange[], boundaries: readonly Boundary[]): TextRange[] {
  const bounded: TextRange[] = []
  let taken = 0
  const takeUpTo = (at: number) => {
    for (; taken < pieces.length && itemAt(pieces, taken).from <= at; taken++)
      bounded.push(itemAt(pieces, taken))
  }
  for (const { at, parts } of boundaries) {
    takeUpTo(at)
    const piece = bounded.at(-1)
    const next = pieces[taken]
    if (piece && parts && piece.to > at) {
      bounded.pop()
      bounded.push({ from: piece.from, to: at }, { from: at + 1, to: piece.to })
    } else if (piece && !parts && next && piece.to <= at) {
      bounded.pop()
      bounded.push({ from: piece.from, to: next.to })
      taken++
    }
  }
  takeUpTo(Infinity)
  return bounded
}

/** Spaces evened, marks of emphasis out: what is read, subtitled and spoken. */
function evenText(text: string): string {
  return text
    .replace(/(\*{1,3}|_{2,3}|`+)(?=\S)([^*_`]+?)(?<=\S)\1/g, '$2')
    .replace(/\s+/g, ' ')
    .replace(/ ([.,;:!?…])(?=\s|$)/g, '$1')
    .trim()
}

/** Sentences come back with every edit of their paragraph; each is put into spoken form once. */
const spokenSeconds = keptByText(KEPT_CHARACTERS, (text) => estimateSeconds(roughlySpoken(text)))

/**
 * Pieces of one sentence, none over the limit. Wider spaces do not move where it is parted. What
 * goes on without a full stop for longer than anyone speaks is parted beforehand.
 */
const spokenPieces = (masked: string, sentence: TextRange): TextRange[] =>
  piecesOf(masked.slice(sentence.from, sentence.to)).flatMap(({ from, to }) =>
    clausePieces(masked, { from: sentence.from + from, to: sentence.from + to }),
  )

function clausePieces(masked: string, sentence: TextRange): TextRange[] {
  const text = masked.slice(sentence.from, sentence.to)
  if (!SPOKEN.test(text)) return []
  const kept = [...text.matchAll(/\S|\s(?!\s)/g)].map((match) => match.index)
  const even = kept.map((at) => text[at]).join('')
  return clausesOf(even, spokenSeconds, SCENE_SECONDS_LIMIT)
    .map(({ from, to }) => ({
      from: sentence.from + itemAt(kept, from),
      to: sentence.from + itemAt(kept, to - 1) + 1,
    }))
    .filter((piece) => SPOKEN.test(masked.slice(piece.from, piece.to)))
}

function bracketsOf(raw: string, remarks: string[]): Bracket[] {
  return [...raw.matchAll(BRACKET)].flatMap((match) => {
    const closed = match[2] === ']'
    const direction = directionOf(itemAt(match, 1))
    if (!closed && (!direction || direction.kind === 'note')) return []
    if (!closed)
      remarks.push(
        `The direction "[${itemAt(match, 1).trim()}" has no closing bracket; it was read to the end of its line.`,
      )
    remarks.push(...remarkOn(direction))
    return [
      { from: match.index, to: match.index + match[0].length, ...(direction ? { direction } : {}) },
    ]
  })
}

function directionOf(inside: string): Direction | undefined {
  const text = inside.trim()
  if (!SPOKEN.test(text)) return undefined
  const pause = /^pause\b[:\s]*(\d+(?:[.,]\d+)?)?\s*(ms|s|sec|seconds?)?$/i.exec(text)
  if (pause) {
    const amount = pause[1] ? Number(pause[1].replace(',', '.')) : 1
    const seconds = pause[2]?.toLowerCase() === 'ms' ? amount / 1000 : amount
    return { kind: 'pause', seconds: Math.min(60, seconds) }
  }
  const named = NAMED.exec(text)
  if (!named) return { kind: 'note', text }
  const kind = itemAt(named, 1).toLowerCase()
  const words = itemAt(named, 2).trim()
  return { kind: kind as 'picture' | 'sound' | 'music' | DrawnForm, text: words }
}

const NAMED = pattern(
  'i',
  String.raw`^(picture|sound|music|`,
  DRAWN_FORMS.join('|'),
  String.raw`)\s*:\s*(.+)$`,
)

/** What a person should know of a direction that nothing can be drawn from. */
function remarkOn(direction: Direction | undefined): string[] {
  if (!direction || !isDrawn(direction) || readDrawn(direction.kind, direction.text)) return []
  const { kind, text } = direction
  return [
    `Nothing can be drawn from "[${kind}: ${text.slice(0, 60)}]"; it is written like ${DRAWN_EXAMPLES[kind]}.`,
  ]
}

function blank(raw: string, brackets: readonly TextRange[]): string {
  let text = ''
  let at = 0
  for (const { from, to } of brackets) {
    text += raw.slice(at, from) + ' '.repeat(to - from)
    at = to
  }
  return text + raw.slice(at)
}

function give(scene: ScriptScene, { direction, from, to }: Bracket) {
  if (!direction) return
  scene.directions.push(direction)
  scene.marked.push({ from, to })
}

function placeDirections(
  brackets: readonly Bracket[],
  scenes: ScriptScene[],
  parsed: ParsedScript,
  waiting: Bracket[],
) {
  if (scenes[0]) for (const bracket of waiting.splice(0)) give(scenes[0], bracket)
  // Brackets and scenes are in the order of the script: each scene is passed once.
  let passed = 0
  for (const bracket of brackets) {
    while (passed < scenes.length && itemAt(scenes, passed).source.to <= bracket.from) passed++
    const next = scenes[passed]
    const begun = next && next.source.from <= bracket.from ? next : scenes[passed - 1]
    const before = begun ?? parsed.scenes.at(-1)
    const owner = bracket.direction?.kind === 'pause' ? before : (next ?? scenes.at(-1))
    if (owner) give(owner, bracket)
    else if (bracket.direction) waiting.push(bracket)
  }
}
