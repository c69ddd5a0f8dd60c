import type { Idea, OfferedChannel } from '@tidy-reel/core/topics/topic-views'
import { ask } from './ask.ts'

/** Channels that are followed, and ideas. */
export const topicsApi = {
  topics: () => ask('GET /topics'),
  offeredChannels: () => ask('GET /topics/offered').then(({ channels }) => channels),
  followChannel: ({ id, name }: OfferedChannel) =>
    ask('POST /topics/channels', { json: { id, name } }),
  importFilms: (file: File) =>
    ask('POST /topics/channels/list', {
      query: { name: file.name.slice(-200) },
      file,
      type: 'text/plain',
    }),
  makeChannelOwn: (id: string) => ask('POST /topics/channels/:id/own', { path: { id } }),
  unfollowChannel: (id: string) => ask('DELETE /topics/channels/:id', { path: { id } }),
  addIdea: (idea: Pick<Idea, 'title' | 'notes' | 'subject' | 'state'>) =>
    ask('POST /topics/ideas', { json: idea }),
  changeIdea: (id: string, fields: Partial<Idea>) =>
    ask('PATCH /topics/ideas/:id', { path: { id }, json: fields }),
  removeIdea: (id: string) => ask('DELETE /topics/ideas/:id', { path: { id } }),
  beginEpisode: (id: string) => ask('POST /topics/ideas/:id/episode', { path: { id } }),
}
