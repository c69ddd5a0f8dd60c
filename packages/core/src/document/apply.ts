import { applyPatches, enablePatches, original, produceWithPatches, type Draft, type Patch } from 'immer'
import { assertNever, TidyError } from '../fault.ts'
import { cleanScript } from '../script/clean.ts'
import { parseScript } from '../script/parse.ts'
import type { Command } from './command.ts'
import type { Document, Shot } from './document.ts'
import { reconcile } from './reconcile.ts'

enablePatches()

export interface Applied {
  document: Document
  /** What takes the change back, for immer's `applyPatches`. */
  inverse: Patch[]
}

/**
 * Carries out one command.
 *
 * @throws TidyError `scene_not_found`, `shot_not_found`, or what `cleanScript` throws; the document is untouched then
 */
export function apply(document: Document, command: Command): Applied {
  const [next, , inverse] = produceWithPatches(document, (draft) => change(draft, command))
  return { document: next, inverse }
}

/** A document as it was before a change, given the change's inverse. */
export const takenBack = (document: Document, inverse: readonly Patch[]): Document => applyPatches(document, inverse as Patch[])

function change(draft: Draft<Document>, command: Command): void {
  switch (command.type) {
    case 'setTitle':
      draft.title = command.title
      return
    case 'setScript':
      return setScript(draft, cleanScript(command.script))
    case 'setVoice':
      draft.voice = command.voice
      draft.speed = command.speed
      return
    case 'setMood':
      draft.mood = command.mood
      return
    case 'editNarration':
      return editNarration(draft, command.sceneId, command.text)
    case 'setShot':
      return setShot(draft, command.sceneId, command.shot, { item: command.item, by: 'hand' })
    case 'placeShots':
      return placeShots(draft, command.scenes)
    default:
      assertNever(command)
  }
}

function placeShots(draft: Draft<Document>, places: Extract<Command, { type: 'placeShots' }>['scenes']) {
  const indexOf = new Map(original(draft)!.scenes.map(({ id }, i) => [id, i]))
  for (const placed of places) {
    const scene = draft.scenes[indexOf.get(placed.sceneId) ?? -1]
    if (scene?.text !== placed.text) continue
    const shots = placed.items.map((item): Shot => ({ item, by: 'match' }))
    scene.shots = scene.shots.map((shot, i) => (shot.by === 'hand' ? shot : shots[i])).filter((s) => s !== undefined)
    scene.shots.push(...shots.slice(scene.shots.length))
  }
}

function setScript(draft: Draft<Document>, script: string) {
  const { scenes, nextId } = reconcile(parseScript(script).scenes, original(draft)!.scenes, draft.nextId)
  Object.assign(draft, { script, scenes, nextId })
}

/** Puts new words where the scene's old ones stand in the script; directions among them stay, after the words. */
function editNarration(draft: Draft<Document>, sceneId: string, text: string) {
  const index = draft.scenes.findIndex(({ id }) => id === sceneId)
  const source = parseScript(draft.script).scenes[index]?.source
  if (!source) throw new TidyError('scene_not_found', { sceneId })
  const directions = draft.script.slice(source.from, source.to).match(/\[[^[\]\n]*\]/g) ?? []
  const words = cleanScript(text).replace(/\s*\n\s*/g, ' ').trim()
  const written = [words, ...directions].filter(Boolean).join(' ')
  setScript(draft, draft.script.slice(0, source.from) + written + draft.script.slice(source.to))
}

function setShot(draft: Draft<Document>, sceneId: string, index: number, shot: Shot) {
  const scene = draft.scenes.find(({ id }) => id === sceneId)
  if (!scene) throw new TidyError('scene_not_found', { sceneId })
  if (index > scene.shots.length) throw new TidyError('shot_not_found', { shot: index })
  scene.shots[index] = shot
}
