import type { Brief, Outline, WriterView, Writing } from '@tidy-reel/core/writing/brief'
import { ask, post } from './ask.ts'

/** Scripts written from sources. */
export const writingApi = {
  writing: (id: string) => ask<Writing>(`/episodes/${id}/writing`),
  keepBrief: (id: string, brief: Brief, outline: Outline | null) =>
    ask<Writing>(`/episodes/${id}/writing`, {
      method: 'PUT',
      body: JSON.stringify({ brief, outline }),
    }),
  makeOutline: (id: string, brief: Brief, signal: AbortSignal) =>
    post<Writing>(`/episodes/${id}/writing/outline`, { brief }, signal),
  makeDraft: (id: string, brief: Brief, outline: Outline, signal: AbortSignal) =>
    post<Writing>(`/episodes/${id}/writing/draft`, { brief, outline }, signal),
  writer: () => ask<WriterView>('/writer'),
  setWriter: (service: { address: string; model: string; key?: string } | null) =>
    ask<void>('/writer', { method: 'PUT', body: JSON.stringify({ service }) }),
}
