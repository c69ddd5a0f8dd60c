import type { Idea, OfferedChannel, TopicsView } from '@tidy-reel/core/topics/topic-views'
import { ask, post } from './ask.ts'

/** Channels that are followed, and ideas. */
export const topicsApi = {
  topics: () => ask<TopicsView>('/topics'),
  offeredChannels: () =>
    ask<{ channels: OfferedChannel[] }>('/topics/offered').then(({ channels }) => channels),
  followChannel: ({ id, name }: OfferedChannel) => post<void>('/topics/channels', { id, name }),
  importFilms: (file: File) =>
    ask<{ films: number; skipped: { row: number; reason: string }[] }>(
      `/topics/channels/list?name=${encodeURIComponent(file.name.slice(-200))}`,
      { method: 'POST', body: file, headers: { 'content-type': 'text/plain' } },
    ),
  makeChannelOwn: (id: string) => post<void>(`/topics/channels/${id}/own`),
  unfollowChannel: (id: string) => ask<void>(`/topics/channels/${id}`, { method: 'DELETE' }),
  addIdea: (idea: Pick<Idea, 'title' | 'notes' | 'subject' | 'state'>) =>
    post<Idea>('/topics/ideas', idea),
  changeIdea: (id: string, fields: Partial<Idea>) =>
    ask<Idea>(`/topics/ideas/${id}`, { method: 'PATCH', body: JSON.stringify(fields) }),
  removeIdea: (id: string) => ask<void>(`/topics/ideas/${id}`, { method: 'DELETE' }),
  beginEpisode: (id: string) => post<{ id: string }>(`/topics/ideas/${id}/episode`),
}
