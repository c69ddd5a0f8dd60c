import { itemAt } from '../faults/certain.ts'
import { TidyError } from '../faults/fault.ts'
import { DRAWN_FORMS } from '../script/drawn.ts'
import {
  BOUNDARY,
  type ParsedScript,
  parseScript,
  type ScriptBlock,
  SPOKEN,
} from '../script/parse.ts'
import { pattern } from '../text/pattern.ts'

/**
 * The text of one scene as it stands in the script, its directions with it, without the marks that
 * part it from others.
 */
export interface Piece {
  id: string
  readonly raw: string
  /** Parted into sentences as parsing would; otherwise it stays one scene. */
  free?: boolean
}

/** A heading, a paragraph of scenes, or text that nothing is made of. */
export interface Block {
  /** Space before it. */
  gap: string
  /** As it stands; of a changed paragraph, its label alone is used. */
  raw: string
  heading: boolean
  speaker: string
  pieces: Piece[]
  changed: boolean
}

/** A direction read to the end of its line, which it would run beyond when its line grows. */
const UNCLOSED = pattern(
  'gm',
  String.raw`\[\s*(?:picture|sound|music|pause|`,
  DRAWN_FORMS.join('|'),
  String.raw`)\b[^[\]\n]*$`,
)

/**
 * A script taken apart into pieces that can be moved, parted and joined.
 *
 * @param ids of the script's scenes, in order
 * @param ids one a scene, in the order of the script
 * @returns `[]` for an empty script
 */
export function outlineOf(script: string, parsed: ParsedScript, ids: readonly string[]): Block[] {
  const taken = strayDirections(parsed)
  let at = 0
  const blocks = parsed.blocks.map((block): Block => {
    const { from, to } = block.source
    const made = {
      gap: script.slice(at, from),
      raw: script.slice(from, to),
      heading: block.heading !== undefined,
      speaker: parsed.scenes[block.first]?.speaker ?? '',
      pieces: piecesOf(script, parsed, block, ids, taken),
      changed:
        parsed.scenes
          .slice(block.first, block.end)
          .some((scene) => scene.marked.some((mark) => taken.has(mark))) ||
        [...taken].some((mark) => mark.from >= from && mark.to <= to),
    }
    at = to
    return made
  })
  return blocks
}

type Stray = ParsedScript['scenes'][number]['marked'][number]

/**
 * Directions that stand in another block than the scene they belong to; they go with their scene
 * from now on.
 */
function strayDirections({ blocks, scenes }: ParsedScript): Set<Stray> {
  const strays = new Set<Stray>()
  for (const { source, first, end } of blocks)
    for (const scene of scenes.slice(first, end))
      for (const mark of scene.marked)
        if (mark.from < source.from || mark.to > source.to) strays.add(mark)
  return new Set([...strays].sort((a, b) => a.from - b.from))
}

function piecesOf(
  script: string,
  { scenes }: ParsedScript,
  block: ScriptBlock,
  ids: readonly string[],
  strays: ReadonlySet<Stray>,
): Piece[] {
  const own = scenes.slice(block.first, block.end)
  let start = block.label?.to ?? block.source.from
  return own.map((scene, i) => {
    const pauses = scene.marked
      .filter((mark, d) => itemAt(scene.directions, d).kind === 'pause' && !strays.has(mark))
      .map(({ to }) => to)
    const end = i === own.length - 1 ? block.source.to : Math.max(scene.source.to, ...pauses)
    const from = start
    start = end
    const led = scene.marked.filter((mark) => strays.has(mark) && mark.from < block.source.from)
    const followed = scene.marked.filter(
      (mark) => strays.has(mark) && mark.from > block.source.from,
    )
    const words = (marks: readonly Stray[]) => marks.map((mark) => script.slice(mark.from, mark.to))
    return readLater(itemAt(ids, block.first + i), () => {
      const inside = blanked(script, from, end, strays)
        .replace(BOUNDARY, ' ')
        .replace(/[^\S\n]+/g, ' ')
        .trim()
      return [...words(led), inside, ...words(followed)].join(' ').replace(UNCLOSED, '$&]')
    })
  })
}

/** A piece whose text is made when it is asked for: a change touches few of a film's paragraphs. */
function readLater(id: string, read: () => string): Piece {
  let raw: string | undefined
  return {
    id,
    get raw() {
      return (raw ??= read())
    },
  }
}

function blanked(script: string, start: number, end: number, strays: ReadonlySet<Stray>): string {
  let text = ''
  let at = start
  for (const { from, to } of strays) {
    if (from < at || to > end) continue
    text += script.slice(at, from)
    at = to
  }
  return text + script.slice(at, end)
}

/**
 * The script of an outline; paragraphs that nobody changed stand in it letter for letter.
 *
 * @returns the script that parses to these blocks; empty for none
 */
export function scriptOf(blocks: readonly Block[]): string {
  const written = blocks.flatMap((block) => {
    const text = block.changed && !block.heading ? paragraphText(block) : block.raw
    return text ? [{ gap: block.gap, text }] : []
  })
  return written
    .map(({ gap, text }, i) => (i === 0 ? gap.replace(/^\s*\n/, '') : gap || '\n\n') + text)
    .join('')
}

/**
 * A paragraph whose scenes are exactly its pieces: parted and kept together by marks where parsing
 * would do otherwise.
 */
export function paragraphText({ speaker, pieces }: Pick<Block, 'speaker' | 'pieces'>): string {
  if (!pieces.length) return ''
  const label = speaker ? `${speaker}: ` : ''
  const starts: number[] = []
  let text = label
  for (const { raw } of pieces) {
    if (text.length > label.length) text += ' '
    starts.push(text.length)
    text += raw
  }
  const found = parseScript(text).scenes.map(({ source }) => source)
  const edits: { at: number; mark: string }[] = []
  for (let i = 1; i < pieces.length; i++) {
    const start = itemAt(starts, i)
    if (found.some(({ from, to }) => from < start && to > start))
      edits.push({ at: start, mark: '| ' })
  }
  for (let k = 1; k < found.length; k++) {
    const [end, next] = [itemAt(found, k - 1).to, itemAt(found, k).from]
    const owner = starts.findLastIndex((start) => start <= end)
    const parted = starts.some((start) => start >= end && start <= next)
    if (!parted && owner >= 0 && !itemAt(pieces, owner).free) edits.push({ at: end, mark: ' ~' })
  }
  for (const { at, mark } of edits.sort((a, b) => b.at - a.at))
    text = text.slice(0, at) + mark + text.slice(at)
  return text
}

/** Where a scene's piece is. @throws TidyError `scene_not_found` */
export function placeOf(
  blocks: readonly Block[],
  id: string,
): { block: Block; index: number; piece: number } {
  for (const [index, block] of blocks.entries()) {
    const piece = block.pieces.findIndex((candidate) => candidate.id === id)
    if (piece >= 0) return { block, index, piece }
  }
  throw new TidyError('scene_not_found', { sceneId: id })
}

/** The directions in a piece's text and the rest of it. */
export function directionsIn(raw: string): { directions: string[]; pauses: string[] } {
  const all = raw.match(/\[[^[\]\n]*\]/g) ?? []
  const pauses = all.filter((mark) => /^\[\s*pause\b/i.test(mark))
  return { directions: all.filter((mark) => !pauses.includes(mark)), pauses }
}

/**
 * @returns false for nothing but marks and spaces
 */
export const spoken = (text: string) => SPOKEN.test(text)
