import type { Command } from '@tidy-reel/core/document/command'
import type { Comparison } from '@tidy-reel/core/document/compare'
import type { Document } from '@tidy-reel/core/document/document'
import type { FilmShape } from '@tidy-reel/core/render/plan'
import type {
  EpisodeRow,
  EpisodeView,
  RenderView,
  VersionView,
} from '@tidy-reel/core/views/episode'
import { ask, post } from './ask.ts'

/** An episode after a step back or forth. */
export type Changed = Pick<EpisodeView, 'revision' | 'document' | 'history'>

/** Episodes: their documents, versions and films. */
export const episodesApi = {
  episodes: () => ask<{ episodes: EpisodeRow[] }>('/episodes').then(({ episodes }) => episodes),
  createEpisode: (title: string) => post<{ id: string }>('/episodes', { title }),
  removeEpisode: (id: string) => ask<void>(`/episodes/${id}`, { method: 'DELETE' }),
  restoreEpisode: (id: string) => post<void>(`/episodes/${id}/restore`),
  episode: (id: string) => ask<EpisodeView>(`/episodes/${id}`),
  command: (id: string, revision: number, command: Command, key: string) =>
    post<{ revision: number; document: Document }>(`/episodes/${id}/commands`, {
      revision,
      command,
      key,
    }),
  undo: (id: string) => post<Changed>(`/episodes/${id}/undo`),
  redo: (id: string) => post<Changed>(`/episodes/${id}/redo`),
  versions: (id: string) =>
    ask<{ versions: VersionView[] }>(`/episodes/${id}/versions`).then(({ versions }) => versions),
  keepVersion: (id: string, name: string) =>
    post<VersionView>(`/episodes/${id}/versions`, { name }),
  version: (id: string, version: string) =>
    ask<VersionView & { document: Document }>(`/episodes/${id}/versions/${version}`),
  removeVersion: (id: string, version: string) =>
    ask<void>(`/episodes/${id}/versions/${version}`, { method: 'DELETE' }),
  compareVersion: (id: string, version: string) =>
    ask<Comparison>(`/episodes/${id}/versions/${version}/changes`),
  restoreVersion: (id: string, version: string) =>
    post<void>(`/episodes/${id}/versions/${version}/restore`),
  /** @param first the scene in view, spoken before the others */
  prepare: (id: string, first: string) =>
    post<void>(`/episodes/${id}/prepare${first ? `?first=${encodeURIComponent(first)}` : ''}`),
  startRender: (id: string, shape: FilmShape) => post<RenderView>(`/episodes/${id}/renders`, shape),
  cancelRender: (renderId: string) => post<RenderView>(`/renders/${renderId}/cancel`),
}
