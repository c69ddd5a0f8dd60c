/** What is being typed in a row, kept from the first letter on: a browser that dies takes nothing with it. */
interface Draft {
  rowId: string
  text: string
  /** Of a new scene, the row it is written behind. */
  after?: string
}

const key = (episodeId: string) => `tidy-reel draft ${episodeId}`

export function keepDraft(episodeId: string, draft: Draft) {
  try {
    localStorage.setItem(key(episodeId), JSON.stringify(draft))
  } catch {
    // The browser's storage is full or closed to us: the text is still in the row.
  }
}

export function keptDraft(episodeId: string): Draft | undefined {
  return (JSON.parse(localStorage.getItem(key(episodeId)) ?? 'null') as Draft | null) ?? undefined
}

export const forgetDraft = (episodeId: string) => localStorage.removeItem(key(episodeId))
