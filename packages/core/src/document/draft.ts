import { entryOf, itemAt, lastOf } from '../faults/certain.ts'
import { TidyError } from '../faults/fault.ts'
import { parsedScript } from '../script/parsed-script.ts'
import { wordsOf } from '../text/written-words.ts'
import type { ScenePlace, Target } from './command.ts'
import type { Document, Scene } from './document.ts'
import { type Block, outlineOf, type Piece, placeOf, scriptOf } from './outline.ts'
import { reconcile } from './reconcile.ts'
import { orderly } from './shot-edits.ts'

/**
 * A document taken apart for a change of its scenes: the script's blocks, and the scene of each
 * piece.
 */
export interface Draft {
  blocks: Block[]
  scenes: Map<string, Scene>
  nextId: number
}

/**
 * @returns without blocks for an empty script
 */
export function draftOf({ script, scenes, nextId }: Document): Draft {
  return {
    blocks: outlineOf(
      script,
      parsedScript(script),
      scenes.map(({ id }) => id),
    ),
    scenes: new Map(scenes.map((scene) => [scene.id, scene])),
    nextId,
  }
}

/**
 * The document a changed draft makes.
 *
 * @returns one whose scenes are those of its new script, each once; none for no blocks
 */
export function settle(document: Document, { blocks, scenes, nextId }: Draft): Document {
  const script = scriptOf(blocks)
  const parsed = parsedScript(script).scenes
  const pieces = blocks.flatMap((block) => block.pieces)
  const free = pieces.findIndex((piece) => piece.free)
  const extra = parsed.length - pieces.length
  if (extra !== 0 && (free < 0 || extra < 0)) {
    // A piece reads otherwise where it stands now (it looks like a heading there, say): its scene
    // is found again by its words.
    const known = pieces.map(({ id }) => entryOf(scenes, id))
    return { ...document, script, ...reconcile(parsed, known, nextId) }
  }
  let next = nextId
  const owners = [
    ...pieces.slice(0, free + 1),
    ...Array.from({ length: extra }, () => undefined),
    ...pieces.slice(free + 1),
  ]
  const settled = owners.map((piece, i): Scene => {
    const { text } = itemAt(parsed, i)
    const old = piece && entryOf(scenes, piece.id)
    if (!old) return { id: `s${next++}`, text, shots: [] }
    return old.text === text
      ? old
      : { ...old, text, shots: orderly(old.shots, wordsOf(text).length) }
  })
  return { ...document, script, scenes: settled, nextId: next }
}

/**
 * Adds a scene to the draft under a new id.
 *
 * @returns the new id, one that no scene of this document ever had
 */
export function added(draft: Draft, scene: Omit<Scene, 'id'>): string {
  const id = `s${draft.nextId++}`
  draft.scenes.set(id, { ...scene, id })
  return id
}

/** @throws TidyError `scene_not_found` */
export function sceneOf({ scenes }: Pick<Draft, 'scenes'>, id: string): Scene {
  const scene = scenes.get(id)
  if (!scene) throw new TidyError('scene_not_found', { sceneId: id })
  return scene
}

/** Takes pieces out of their paragraphs. @returns them in the film's order, with their speakers */
export function lifted(
  { blocks }: Draft,
  ids: ReadonlySet<string>,
): { piece: Piece; speaker: string }[] {
  return blocks.flatMap((block) => {
    const taken = block.pieces.filter(({ id }) => ids.has(id))
    if (taken.length) {
      block.pieces = block.pieces.filter(({ id }) => !ids.has(id))
      block.changed = true
    }
    return taken.map((piece) => ({ piece, speaker: block.speaker }))
  })
}

export const paragraph = (speaker: string, pieces: Piece[]): Block => ({
  gap: '\n\n',
  raw: '',
  heading: false,
  speaker,
  pieces,
  changed: true,
})

/**
 * Puts pieces at a place: into the paragraph that is there when it has their speaker, else as
 * paragraphs of their own in it.
 */
export function put(
  draft: Draft,
  pieces: readonly { piece: Piece; speaker: string }[],
  place: ScenePlace,
) {
  const runs: Block[] = []
  for (const { piece, speaker } of pieces) {
    if (runs.at(-1)?.speaker === speaker) lastOf(runs).pieces.push(piece)
    else runs.push(paragraph(speaker, [piece]))
  }
  if (place === 'end') return void draft.blocks.push(...runs)
  const id = 'before' in place ? place.before : place.after
  const at = placeOf(draft.blocks, id)
  const { block } = at
  const index = at.piece + ('after' in place ? 1 : 0)
  block.changed = true
  if (runs.length === 1 && itemAt(runs, 0).speaker === block.speaker)
    return void block.pieces.splice(index, 0, ...itemAt(runs, 0).pieces)
  const rest = block.pieces.splice(index)
  const parts = [
    ...(block.pieces.length ? [block] : []),
    ...runs,
    ...(rest.length ? [paragraph(block.speaker, rest)] : []),
  ]
  itemAt(parts, 0).gap = block.gap
  draft.blocks.splice(at.index, 1, ...parts)
}

/** The scenes a target means, in the film's order. @throws TidyError `scene_not_found` */
export function targeted(
  { scenes, script }: Pick<Document, 'scenes' | 'script'>,
  target: Target,
): Set<string> {
  if (target === 'all') return new Set(scenes.map(({ id }) => id))
  const named = Array.isArray(target) ? target : [target.chapterOf]
  for (const id of named)
    if (!scenes.some((scene) => scene.id === id))
      throw new TidyError('scene_not_found', { sceneId: id })
  if (Array.isArray(target)) return new Set(target)
  const parsed = parsedScript(script).scenes
  const chapter = itemAt(
    parsed,
    scenes.findIndex(({ id }) => id === target.chapterOf),
  ).chapter
  return new Set(scenes.flatMap(({ id }, i) => (itemAt(parsed, i).chapter === chapter ? [id] : [])))
}
