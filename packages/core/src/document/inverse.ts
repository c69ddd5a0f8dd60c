import equal from 'fast-deep-equal'
import { z } from 'zod'
import { Document, type Scene } from './document.ts'

/**
 * A piece of a list or text put in place of another: `remove` units from `at` give way to `insert`.
 */
const splice = <T extends z.ZodType>(insert: T) =>
  z.object({ at: z.number().int().min(0), remove: z.number().int().min(0), insert })

/** What makes of a document the one before a change: small, whatever the length of the film. */
export const Inverse = z.object({
  fields: Document.omit({ scenes: true, script: true }).partial(),
  script: splice(z.string()).optional(),
  scenes: splice(Document.shape.scenes).optional(),
})
export type Inverse = z.infer<typeof Inverse>

/**
 * What leads from `now` back to `before`.
 *
 * @returns nothing but what differs: empty fields for equal documents
 */
export function inverseOf(now: Document, before: Document): Inverse {
  const fields = Object.fromEntries(
    Object.entries(before).filter(
      ([name, value]) =>
        name !== 'scenes' && name !== 'script' && !equal(value, now[name as keyof Document]),
    ),
  )
  const script = now.script === before.script ? undefined : spliceOf(now.script, before.script)
  const scenes = now.scenes === before.scenes ? undefined : spliceOf(now.scenes, before.scenes)
  return {
    fields,
    ...(script ? { script } : {}),
    ...(scenes && (scenes.remove || scenes.insert.length) ? { scenes } : {}),
  }
}

/**
 * A document as it was before a change, given the change's inverse.
 *
 * @param document the one the change led to; of another the outcome means nothing
 */
export function takenBack(document: Document, { fields, script, scenes }: Inverse): Document {
  return {
    ...document,
    ...(fields as Partial<Document>),
    ...(script
      ? {
          script:
            document.script.slice(0, script.at) +
            script.insert +
            document.script.slice(script.at + script.remove),
        }
      : {}),
    ...(scenes
      ? { scenes: document.scenes.toSpliced(scenes.at, scenes.remove, ...scenes.insert) }
      : {}),
  }
}

function spliceOf<T extends string | Scene[]>(
  now: T,
  before: T,
): { at: number; remove: number; insert: T } {
  const shorter = Math.min(now.length, before.length)
  let at = 0
  while (at < shorter && equal(now[at], before[at])) at++
  let tail = 0
  while (tail < shorter - at && equal(now[now.length - 1 - tail], before[before.length - 1 - tail]))
    tail++
  return { at, remove: now.length - at - tail, insert: before.slice(at, before.length - tail) as T }
}
