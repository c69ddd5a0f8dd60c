import type { Command } from '@tidy-reel/core/document/command'
import type { CopyWish } from '@tidy-reel/core/export/copies'
import type { FilmShape } from '@tidy-reel/core/render/plan'
import { ask } from './ask.ts'

/** Episodes: their documents, versions and films. */
export const episodesApi = {
  episodes: () => ask('GET /episodes').then(({ episodes }) => episodes),
  createEpisode: (title: string) => ask('POST /episodes', { json: { title } }),
  removeEpisode: (id: string) => ask('DELETE /episodes/:id', { path: { id } }),
  restoreEpisode: (id: string) => ask('POST /episodes/:id/restore', { path: { id } }),
  duplicateEpisode: (id: string) => ask('POST /episodes/:id/duplicate', { path: { id } }),
  archiveEpisode: (id: string, archived: boolean) =>
    ask('PUT /episodes/:id/archived', { path: { id }, json: { archived } }),
  candidates: (id: string) => ask('GET /episodes/:id/candidates', { path: { id } }),
  episode: (id: string) => ask('GET /episodes/:id', { path: { id } }),
  command: (id: string, revision: number, command: Command, key: string) =>
    ask('POST /episodes/:id/commands', { path: { id }, json: { revision, command, key } }),
  undo: (id: string) => ask('POST /episodes/:id/undo', { path: { id } }),
  redo: (id: string) => ask('POST /episodes/:id/redo', { path: { id } }),
  versions: (id: string) =>
    ask('GET /episodes/:id/versions', { path: { id } }).then(({ versions }) => versions),
  keepVersion: (id: string, name: string) =>
    ask('POST /episodes/:id/versions', { path: { id }, json: { name } }),
  version: (id: string, version: string) =>
    ask('GET /episodes/:id/versions/:version', { path: { id, version } }),
  removeVersion: (id: string, version: string) =>
    ask('DELETE /episodes/:id/versions/:version', { path: { id, version } }),
  compareVersion: (id: string, version: string) =>
    ask('GET /episodes/:id/versions/:version/changes', { path: { id, version } }),
  restoreVersion: (id: string, version: string) =>
    ask('POST /episodes/:id/versions/:version/restore', { path: { id, version } }),
  /** @param first the scene in view, spoken before the others */
  prepare: (id: string, first: string) =>
    ask('POST /episodes/:id/prepare', { path: { id }, query: { first } }),
  startRender: (id: string, shape: FilmShape) =>
    ask('POST /episodes/:id/renders', { path: { id }, json: shape }),
  /** A film that failed its check, taken all the same. */
  takeRender: (id: string, reason: string) =>
    ask('POST /renders/:id/taken', { path: { id }, json: { reason } }),
  copyRender: (id: string, wish: CopyWish) =>
    ask('POST /renders/:id/copies', { path: { id }, json: wish }),
  removeCopy: (id: string, name: string) =>
    ask('DELETE /renders/:id/copies/:name', { path: { id, name } }),
  cancelRender: (id: string) => ask('POST /renders/:id/cancel', { path: { id } }),
}
