import { cutText } from '@tidy-reel/core/text/well-formed'
import { ask } from './ask.ts'

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
  take: (file: File) => ask('POST /sounds', { query: { name: file.name }, file }),
}
