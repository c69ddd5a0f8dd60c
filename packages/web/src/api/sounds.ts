import { cutText } from '@tidy-reel/core/text/well-formed'
import type { FoundSoundView } from '@tidy-reel/core/views/sounds'
import { ask } from './ask.ts'

/** What a person may say of a sound of their own. */
export type SaidOfSound = Partial<
  Pick<FoundSoundView, 'title' | 'words' | 'goesOn' | 'author' | 'licence'>
>

/** Sounds that films can have. */
export const soundsApi = {
  /** Those that fit words, the best first; all of them where there are none. */
  find: (words: string, signal?: AbortSignal) =>
    ask('GET /sounds', { query: { words }, signal }).then(({ sounds }) => sounds),
  /** Those that a text speaks of: what a scene says and what its pictures show. */
  near: (text: string, signal?: AbortSignal) =>
    ask('GET /sounds', { query: { near: cutText(text, 4000) }, signal }).then(
      ({ sounds }) => sounds,
    ),
  facts: (id: string, signal?: AbortSignal) => ask('GET /sounds/:id', { path: { id }, signal }),
  change: (id: string, json: SaidOfSound) => ask('PATCH /sounds/:id', { path: { id }, json }),
  remove: (id: string) => ask('DELETE /sounds/:id', { path: { id } }),
  take: (file: File) => ask('POST /sounds', { query: { name: file.name }, file }),
}
