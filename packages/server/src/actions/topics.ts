import { randomUUID } from 'node:crypto'
import type { Readable } from 'node:stream'
import { Op, type Sequelize } from 'sequelize'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { LIST_BYTES_LIMIT } from '@tidy-reel/core/pictures/picture-list'
import type { ChannelFilm } from '@tidy-reel/core/topics/channel-film'
import type { ReadFilms } from '@tidy-reel/core/topics/read-films'
import type { Idea, OfferedChannel, TopicsView } from '@tidy-reel/core/topics/topic-views'
import type { ChannelStatistics } from '@tidy-reel/engine/statistics/contract'
import { allOf } from '@tidy-reel/engine/storage/limited'
import type { WorkPool } from '@tidy-reel/engine/threads/pool'
import { IdeaRow, Watched } from '../db/models.ts'
import type { EpisodeActions } from './episodes.ts'

type IdeaFields = Pick<Idea, 'title' | 'notes' | 'subject' | 'state'>

/** Channels that are followed, what works on them, and ideas for films. */
export function topicActions(
  sequelize: Sequelize,
  statistics: ChannelStatistics,
  episodes: EpisodeActions,
  ownerId: string,
  pool: Pick<WorkPool, 'run'>,
) {
  const idea = async (id: string) => {
    const found = await IdeaRow.findOne({ where: { id, ownerId } })
    if (!found) throw new TidyError('idea_not_found')
    return found
  }
  /**
   * Figures taken anew replace the earlier ones of the same channel; the first channel is one's own
   * until another is said to be.
   */
  async function keep(key: string, name: string, films: ChannelFilm[]): Promise<void> {
    const known = await Watched.findOne({ where: { ownerId, key } })
    if (known) return void (await known.update({ name, films, takenAt: new Date() }))
    const own = (await Watched.count({ where: { ownerId, own: true } })) === 0
    await Watched.create({ id: randomUUID(), ownerId, key, name, own, films, takenAt: new Date() })
  }
  return {
    async view(now: number): Promise<TopicsView> {
      const watched = await Watched.findAll({
        where: { ownerId },
        order: [
          ['own', 'DESC'],
          ['name', 'ASC'],
        ],
      })
      const ideas = await IdeaRow.findAll({ where: { ownerId }, order: [['createdAt', 'DESC']] })
      // What subjects are made of needs a dictionary: it is loaded when Topics is opened first.
      const { topicsView } = await import('./topics-view.ts')
      return topicsView(watched, ideas.map(ideaView), now)
    },
    offered: (signal: AbortSignal): Promise<OfferedChannel[]> => statistics.channels(signal),
    async follow(channel: Pick<OfferedChannel, 'id' | 'name'>, signal: AbortSignal): Promise<void> {
      await keep(
        `statistics:${channel.id}`,
        channel.name,
        await statistics.films(channel.id, signal),
      )
    },
    async importList(
      name: string,
      bytes: Readable,
    ): Promise<Pick<ReadFilms, 'skipped'> & { films: number }> {
      const list = await allOf(bytes, LIST_BYTES_LIMIT, () => {
        const reason = `it is larger than ${LIST_BYTES_LIMIT / 1024 / 1024} MB`
        return new TidyError('films_unreadable', { name, reason })
      })
      const { films, skipped } = await pool.run('readFilms', {
        text: new TextDecoder().decode(list),
        name,
      })
      const plain = name.replace(/\.\w{1,5}$/, '')
      await keep(`list:${plain}`, plain, films)
      return { films: films.length, skipped: skipped.slice(0, 50) }
    },
    /** One channel is one's own, all others are those of others. */
    async makeOwn(id: string): Promise<void> {
      await sequelize.transaction(async (transaction) => {
        const [count] = await Watched.update({ own: true }, { where: { id, ownerId }, transaction })
        if (!count) throw new TidyError('channel_not_found')
        await Watched.update(
          { own: false },
          { where: { ownerId, id: { [Op.ne]: id } }, transaction },
        )
      })
    },
    async unfollow(id: string): Promise<void> {
      if (!(await Watched.destroy({ where: { id, ownerId } })))
        throw new TidyError('channel_not_found')
    },
    async addIdea({ title, notes, subject, state }: IdeaFields): Promise<Idea> {
      return ideaView(
        await IdeaRow.create({
          id: randomUUID(),
          ownerId,
          title,
          notes,
          subject,
          state,
          episodeId: null,
        }),
      )
    },
    async changeIdea(id: string, fields: Partial<IdeaFields>): Promise<Idea> {
      return ideaView(await (await idea(id)).update(fields))
    },
    async removeIdea(id: string): Promise<void> {
      await (await idea(id)).destroy()
    },
    /** Begins the film of an idea, its notes with it; asked twice, it is the same film. */
    async beginEpisode(id: string): Promise<{ id: string }> {
      const found = await idea(id)
      if (found.episodeId) return { id: found.episodeId }
      const episode = await episodes.create(found.title)
      const { revision } = await episodes.find(episode.id)
      if (found.notes)
        await episodes.command(episode.id, revision, { type: 'setNotes', notes: found.notes })
      await found.update({ episodeId: episode.id, state: 'work' })
      return episode
    },
  }
}
export type TopicActions = ReturnType<typeof topicActions>

const ideaView = ({ id, title, notes, subject, state, episodeId }: IdeaRow): Idea => ({
  id,
  title,
  notes,
  subject,
  state,
  episodeId,
})
