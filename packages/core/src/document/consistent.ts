import { itemAt } from '../faults/certain.ts'
import { parsedScript } from '../script/parsed-script.ts'
import { wordsOf } from '../text/written-words.ts'
import type { Document } from './document.ts'
import { reconcile } from './reconcile.ts'
import { orderly } from './shot-edits.ts'

/**
 * A document from outside with everything in it that its schema cannot tell: scenes are those of
 * its script, ids stand once, cuts in order.
 *
 * @returns the document itself where nothing is amiss
 */
export function consistent(document: Document): Document {
  const parsed = parsedScript(document.script).scenes
  const known = [...new Map(document.scenes.map((scene) => [scene.id, scene])).values()]
  const number = Math.max(
    document.nextId,
    ...known.map(({ id }) => Number(/^s(\d{1,9})$/.exec(id)?.[1] ?? 0) + 1),
  )
  const same =
    parsed.length === document.scenes.length &&
    known.length === parsed.length &&
    parsed.every(({ text }, i) => text === itemAt(document.scenes, i).text)
  const { scenes, nextId } = same
    ? { scenes: document.scenes, nextId: number }
    : reconcile(parsed, known, number)
  return {
    ...document,
    nextId,
    scenes: scenes.map((scene) => ({
      ...scene,
      shots: orderly(scene.shots, wordsOf(scene.text).length),
    })),
  }
}
