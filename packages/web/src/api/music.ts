import type { OwnMusic } from '@tidy-reel/core/film/music/own/own-music'
import type { Instrumentation, Mood } from '@tidy-reel/core/style/film-choices'
import { ask } from './ask.ts'

/** What is tried in place of a film's music. */
export interface TriedMusic {
  mood: Mood
  instruments: Instrumentation | null
  own: string | null
}

/** Music under films, and music of one's own. */
export const musicApi = {
  /** As it would be under an episode, from a place on. */
  tried: (id: string, json: TriedMusic & { at: number }) =>
    ask('POST /episodes/:id/music/tried', { path: { id }, json }),
  list: () => ask('GET /music', {}).then(({ music }) => music),
  take: (file: File) => ask('POST /music', { query: { name: file.name }, file }),
  change: (id: string, json: Partial<OwnMusic>) => ask('PATCH /music/:id', { path: { id }, json }),
  remove: (id: string) => ask('DELETE /music/:id', { path: { id } }),
}
