import { z } from 'zod'
import { jsonAs } from '@tidy-reel/core/text/json'

/**
 * What is being typed in a row, kept from the first letter on: a browser that dies takes nothing
 * with it.
 */
const Draft = z.object({
  rowId: z.string(),
  text: z.string(),
  /** Of a new scene, the row it is written behind. */
  after: z.string().optional(),
})
type Draft = z.infer<typeof Draft>

const key = (episodeId: string) => `tidy-reel draft ${episodeId}`

export function keepDraft(episodeId: string, draft: Draft) {
  try {
    localStorage.setItem(key(episodeId), JSON.stringify(draft))
  } catch {
    // The browser's storage is full or closed to us: the text is still in the row.
  }
}

export function keptDraft(episodeId: string): Draft | undefined {
  return jsonAs(localStorage.getItem(key(episodeId)) ?? '', Draft)
}

export const forgetDraft = (episodeId: string) => localStorage.removeItem(key(episodeId))
