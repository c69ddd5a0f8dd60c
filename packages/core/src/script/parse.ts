import { spokenText } from '../speech/spoken.ts'
import { clausesOf } from './clauses.ts'
import { estimateSeconds } from './estimate.ts'
import { sentencesOf, type Stretch } from './sentences.ts'

/** No scene should speak longer than this. */
export const SCENE_SECONDS_LIMIT = 11.5

export type Direction =
  | { kind: 'picture'; text: string }
  | { kind: 'pause'; seconds: number }
  | { kind: 'sound'; text: string }
  | { kind: 'super'; text: string }
  | { kind: 'note'; text: string }

/** The smallest piece of narration with a row of its own, as the script says it. */
export interface ScriptScene {
  /** Narration as written, spaces evened, without directions; at least one letter or digit. */
  text: string
  /** Where the narration stands in the script, directions inside it included. */
  source: Stretch
  /** Index into `chapters`, or -1 before the first heading. */
  chapter: number
  speaker?: string
  directions: Direction[]
  opensParagraph: boolean
  /** Seconds it will speak for, estimated from its letters. */
  estimatedSeconds: number
}

export interface ParsedScript {
  chapters: { title: string; source: Stretch }[]
  scenes: ScriptScene[]
  /** Things a person should know, in words: what was left unread and why. */
  remarks: string[]
}

interface Bracket extends Stretch {
  direction?: Direction
}

const HEADING = /^\s{0,3}#{1,6}\s*(.*?)\s*#*\s*$/
const SPEAKER = /^\s*(\p{Lu}[\p{Lu}\p{N} .'’-]{1,30}):(?=\s|$)/u
const BRACKET = /\[([^[\]\n]*)(\]|$)/gm
const SPOKEN = /[\p{L}\p{N}]/u

/**
 * Reads a script with light markup.
 *
 * `# Heading` starts a chapter and is never spoken; `[picture: …]`, `[pause 1.5s]`, `[sound: …]`,
 * `[super: …]` are directions; `NAME:` opening a paragraph names its speaker; blank lines part
 * paragraphs; a sentence is a scene, split at a clause when it would speak longer than
 * `SCENE_SECONDS_LIMIT`. A direction belongs to the sentence it stands in or before; at the end of a
 * paragraph, to the sentence before it; a pause always follows the sentence before it.
 *
 * @param script as `cleanScript` returns it
 * @example parseScript('# Light\nIt burns. [pause 1s] It turns.').scenes.map((s) => s.text)
 * // => ['It burns.', 'It turns.']
 */
export function parseScript(script: string): ParsedScript {
  const parsed: ParsedScript = { chapters: [], scenes: [], remarks: [] }
  const waiting: Direction[] = []
  for (const block of blocksOf(script)) {
    if (block.heading !== undefined) {
      if (SPOKEN.test(block.heading)) parsed.chapters.push({ title: block.heading, source: block.source })
    } else {
      readParagraph(script, block.source, parsed, waiting)
    }
  }
  const last = parsed.scenes.at(-1)
  if (last) last.directions.push(...waiting)
  return parsed
}

interface Block {
  source: Stretch
  heading?: string
}

function blocksOf(script: string): Block[] {
  const blocks: Block[] = []
  let paragraph: Stretch | undefined
  let at = 0
  for (const line of script.split('\n')) {
    const end = at + line.length
    const heading = HEADING.exec(line)
    if (heading || line.trim() === '') {
      paragraph = undefined
      if (heading) blocks.push({ source: { from: at, to: end }, heading: heading[1]!.trim() })
    } else if (paragraph) {
      paragraph.to = end
    } else {
      paragraph = { from: at, to: end }
      blocks.push({ source: paragraph })
    }
    at = end + 1
  }
  return blocks
}

function readParagraph(script: string, source: Stretch, parsed: ParsedScript, waiting: Direction[]) {
  const raw = script.slice(source.from, source.to)
  const brackets = bracketsOf(raw, parsed.remarks)
  let masked = blank(raw, brackets).replace(/\n/g, ' ')
  const named = SPEAKER.exec(masked)
  if (named) masked = ' '.repeat(named[0].length) + masked.slice(named[0].length)
  const scenes = sentencesOf(masked).flatMap((sentence) => piecesOf(masked, sentence)).map((piece, i) => ({
    text: evenText(masked.slice(piece.from, piece.to)),
    source: { from: piece.from + source.from, to: piece.to + source.from },
    chapter: parsed.chapters.length - 1,
    ...(named ? { speaker: named[1]!.trim() } : {}),
    directions: [] as Direction[],
    opensParagraph: i === 0,
    estimatedSeconds: 0,
  }))
  for (const scene of scenes) scene.estimatedSeconds = estimateSeconds(spokenText(scene.text))
  placeDirections(brackets, scenes, source.from, parsed, waiting)
  parsed.scenes.push(...scenes)
}

/** Spaces evened, marks of emphasis out: what is read, subtitled and spoken. */
function evenText(text: string): string {
  return text
    .replace(/(\*{1,3}|_{2,3}|`+)(?=\S)([^*_`]+?)(?<=\S)\1/g, '$2')
    .replace(/\s+/g, ' ')
    .replace(/ ([.,;:!?…])(?=\s|$)/g, '$1')
    .trim()
}

/** Pieces of one sentence, none over the limit; those without a letter or digit dropped or joined. */
function piecesOf(masked: string, sentence: Stretch): Stretch[] {
  const text = masked.slice(sentence.from, sentence.to)
  if (!SPOKEN.test(text)) return []
  return clausesOf(text, (piece) => estimateSeconds(spokenText(piece)), SCENE_SECONDS_LIMIT)
    .map(({ from, to }) => ({ from: from + sentence.from, to: to + sentence.from }))
    .filter((piece) => SPOKEN.test(masked.slice(piece.from, piece.to)))
}

function bracketsOf(raw: string, remarks: string[]): Bracket[] {
  return [...raw.matchAll(BRACKET)].flatMap((match) => {
    const closed = match[2] === ']'
    const direction = directionOf(match[1]!)
    if (!closed && (!direction || direction.kind === 'note')) return []
    if (!closed) remarks.push(`The direction "[${match[1]!.trim()}" has no closing bracket; it was read to the end of its line.`)
    return [{ from: match.index, to: match.index + match[0].length, ...(direction ? { direction } : {}) }]
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
  const named = /^(picture|sound|super)\s*:\s*(.+)$/i.exec(text)
  if (named) return { kind: named[1]!.toLowerCase() as 'picture' | 'sound' | 'super', text: named[2]!.trim() }
  return { kind: 'note', text }
}

function blank(raw: string, brackets: Stretch[]): string {
  let text = raw
  for (const { from, to } of brackets) text = text.slice(0, from) + ' '.repeat(to - from) + text.slice(to)
  return text
}

function placeDirections(
  brackets: Bracket[],
  scenes: ScriptScene[],
  offset: number,
  parsed: ParsedScript,
  waiting: Direction[],
) {
  if (scenes[0]) scenes[0].directions.push(...waiting.splice(0))
  for (const { direction, from } of brackets) {
    if (!direction) continue
    const at = from + offset
    const next = scenes.find((scene) => scene.source.to > at)
    const before = scenes.findLast((scene) => scene.source.from <= at) ?? parsed.scenes.at(-1)
    const owner = direction.kind === 'pause' ? before : (next ?? scenes.at(-1))
    if (owner) owner.directions.push(direction)
    else waiting.push(direction)
  }
}
