import type { Command } from '@tidy-reel/core/document/command'
import type { Document } from '@tidy-reel/core/document/document'
import type { Item } from '@tidy-reel/core/match/item'
import type { Pick as Candidate } from '@tidy-reel/core/match/pick'
import type { Progress } from '@tidy-reel/core/render/progress'
import type { TakeFacts } from '@tidy-reel/core/timeline/timeline'
import type { SearchWord } from '@tidy-reel/core/words/search-words'

export interface EpisodeRow {
  id: string
  title: string
  scenes: number
  words: number
  seconds: number
  state: 'empty' | 'script' | 'matched' | 'rendered'
  updatedAt: string
  picture: string | null
}

export interface Shape {
  width: number
  height: number
  fps: [number, number]
  burnIn: boolean
}

export interface RenderProgress extends Progress {
  remainingSeconds: number | null
}

export interface Render {
  id: string
  state: 'queued' | 'running' | 'done' | 'failed' | 'cancelled'
  shape: Shape
  progress: RenderProgress | null
  report: { seconds: number; lufs: number; truePeak: number; bedBelowSpeech: number | null; remarks: string[]; scenes: number; segmentsReused: number } | null
  fault: { code: string; message: string } | null
  createdAt: string
}

export interface EpisodeData {
  id: string
  revision: number
  document: Document
  takes: Record<string, TakeFacts & { hash: string }>
  candidates: Record<string, { words: SearchWord[]; picks: Candidate[] }>
  renders: Render[]
}

export interface Voice {
  id: string
  name: string
  gender: string
  language: string
  character: string
}

/** An answer that says no, with its code and its sentence. */
export class ApiError extends Error {
  constructor(readonly code: string, message: string, readonly status: number) {
    super(message)
  }
}

async function ask<T>(path: string, init: RequestInit = {}): Promise<T> {
  const answer = await fetch(`/api${path}`, { ...init, headers: { ...(init.body ? { 'content-type': 'application/json' } : {}), ...init.headers } })
  if (answer.ok) return (answer.status === 204 || answer.status === 202 ? undefined : await answer.json()) as T
  const problem = (await answer.json().catch(() => ({}))) as { code?: string; detail?: string }
  throw new ApiError(problem.code ?? 'unexpected', problem.detail ?? 'Tidy Reel did not answer as expected. Try again.', answer.status)
}

const post = <T>(path: string, body?: unknown) => ask<T>(path, { method: 'POST', ...(body === undefined ? {} : { body: JSON.stringify(body) }) })

export const api = {
  episodes: () => ask<{ episodes: EpisodeRow[] }>('/episodes').then(({ episodes }) => episodes),
  createEpisode: (title: string) => post<{ id: string }>('/episodes', { title }),
  removeEpisode: (id: string) => ask<void>(`/episodes/${id}`, { method: 'DELETE' }),
  restoreEpisode: (id: string) => post<void>(`/episodes/${id}/restore`),
  episode: (id: string) => ask<EpisodeData>(`/episodes/${id}`),
  command: (id: string, revision: number, command: Command) => post<{ revision: number; document: Document }>(`/episodes/${id}/commands`, { revision, command }),
  prepare: (id: string) => post<void>(`/episodes/${id}/prepare`),
  startRender: (id: string, shape: Shape) => post<Render>(`/episodes/${id}/renders`, shape),
  cancelRender: (renderId: string) => post<Render>(`/renders/${renderId}/cancel`),
  voices: () => ask<{ voices: Voice[] }>('/voices').then(({ voices }) => voices),
  searchStock: (words: string) => ask<{ items: Item[] }>(`/stock?q=${encodeURIComponent(words)}`).then(({ items }) => items),
}

export const thumbnail = (id: string) => `/api/stock/${encodeURIComponent(id)}/thumbnail`
export const preview = (id: string) => `/api/stock/${encodeURIComponent(id)}/preview`
export const takeSound = (hash: string) => `/api/takes/${hash}`
export const renderFile = (id: string, name: string, save?: string) => `/api/renders/${id}/${name}${save ? `?save=${encodeURIComponent(save)}` : ''}`
