import { itemAt } from '../faults/certain.ts'
import { wordsOf } from '../text/written-words.ts'
import type { CommandOf } from './command.ts'
import type { Document } from './document.ts'
import { type Draft, draftOf, sceneOf, settle } from './draft.ts'
import { placeOf } from './outline.ts'

const DIRECTION = /\[[^[\]\n]*\]/g
/** Directions of a kind that is heard, in a text. */
const HEARD = {
  sound: /\[\s*sound\s*:[^[\]\n]*\]/gi,
  music: /\[\s*music\s*:[^[\]\n]*\]/gi,
}
type HeardKind = keyof typeof HEARD

const rawOf = (draft: Draft, sceneId: string) => {
  sceneOf(draft, sceneId)
  const { block, piece } = placeOf(draft.blocks, sceneId)
  return { block, piece, raw: itemAt(block.pieces, piece).raw }
}

/** Takes one out of a scene. @returns the word it stood before; undefined where there is none */
function takenOut(
  kind: HeardKind,
  draft: Draft,
  sceneId: string,
  index: number,
): number | undefined {
  const { block, piece, raw } = rawOf(draft, sceneId)
  const found = [...raw.matchAll(HEARD[kind])][index]
  if (!found) return undefined
  const head = raw.slice(0, found.index)
  const tail = raw.slice(found.index + found[0].length)
  block.pieces[piece] = { id: sceneId, raw: `${head.trimEnd()} ${tail.trimStart()}`.trim() }
  block.changed = true
  return wordsOf(head.replace(DIRECTION, ' ')).length
}

/**
 * Writes a direction before a word of a scene, at the latest before its last: behind that it would
 * belong to the scene that follows.
 */
function putIn(draft: Draft, sceneId: string, word: number, text: string): void {
  const { block, piece, raw } = rawOf(draft, sceneId)
  // Directions keep their length, so that places are those of the text as it is written.
  const bare = raw.replace(DIRECTION, (direction) => ' '.repeat(direction.length))
  const places = [...bare.matchAll(/\S+/g)].map((match) => match.index)
  const at = word === 0 ? 0 : (places[word] ?? places.at(-1) ?? 0)
  const pieces = [raw.slice(0, at).trimEnd(), `[${text}]`, raw.slice(at).trimStart()]
  block.pieces[piece] = { id: sceneId, raw: pieces.filter(Boolean).join(' ') }
  block.changed = true
}

/**
 * Adds, changes, moves or takes out a sound or music of the script.
 *
 * @throws TidyError `scene_not_found`; nothing is changed then
 */
export function setHeard(
  document: Document,
  kind: HeardKind,
  { sceneId, index, text, to }: CommandOf<'setSound' | 'setMusic'>,
): Document {
  const draft = draftOf(document)
  const word = index === undefined ? 0 : takenOut(kind, draft, sceneId, index)
  if (word === undefined) return document
  if (text !== null) putIn(draft, to?.sceneId ?? sceneId, to?.word ?? word, `${kind}: ${text}`)
  return settle(document, draft)
}
