import type { Brief, Outline } from '@tidy-reel/core/writing/brief'
import { ask } from './ask.ts'

/** Scripts written from sources. */
export const writingApi = {
  writing: (id: string) => ask('GET /episodes/:id/writing', { path: { id } }),
  keepBrief: (id: string, brief: Brief, outline: Outline | null) =>
    ask('PUT /episodes/:id/writing', { path: { id }, json: { brief, outline } }),
  makeOutline: (id: string, brief: Brief, signal: AbortSignal) =>
    ask('POST /episodes/:id/writing/outline', { path: { id }, json: { brief }, signal }),
  makeDraft: (id: string, brief: Brief, outline: Outline, signal: AbortSignal) =>
    ask('POST /episodes/:id/writing/draft', { path: { id }, json: { brief, outline }, signal }),
  writer: () => ask('GET /writer'),
  setWriter: (service: { address: string; model: string; key?: string } | null) =>
    ask('PUT /writer', { json: { service } }),
}
