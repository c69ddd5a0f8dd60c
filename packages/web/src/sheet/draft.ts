import { z } from 'zod'
import { jsonAs } from '@tidy-reel/core/text/json'
import { ownTabStore } from '../episode/tab-store.ts'

/**
 * What is being typed in a row, kept from the first letter on: a browser that dies takes nothing
 * with it.
 */
const Draft = z.object({
  rowId: z.string(),
  text: z.string(),
  /** The words that stood in the row when it was opened. */
  base: z.string().optional(),
  /** Of a new scene, the row it is written behind. */
  after: z.string().optional(),
})
type Draft = z.infer<typeof Draft>

/** Apart from the outbox: a row is written on this page alone. */
const tabKept = ownTabStore()

const nameOf = (episodeId: string) => `draft ${episodeId}`

export const keepDraft = (episodeId: string, draft: Draft) =>
  tabKept.set(nameOf(episodeId), JSON.stringify(draft))

export const forgetDraft = (episodeId: string) => tabKept.remove(nameOf(episodeId))

/** @param take whether it has taken the draft; one that is not taken is kept */
export function takeLeftDrafts(episodeId: string, take: (draft: Draft) => boolean) {
  tabKept.left(nameOf(episodeId), (value) => {
    const draft = jsonAs(value, Draft)
    return !draft || take(draft)
  })
}
