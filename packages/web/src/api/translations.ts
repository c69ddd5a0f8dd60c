import { ask } from './ask.ts'

/** A narration in other languages. */
export const translationsApi = {
  askService: (id: string, language: string, signal: AbortSignal) =>
    ask('POST /episodes/:id/tracks/:language', { path: { id, language }, signal }),
}
