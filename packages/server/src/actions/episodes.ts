import { randomUUID } from 'node:crypto'
import { Op, type Sequelize } from 'sequelize'
import { apply } from '@tidy-reel/core/document/apply'
import type { Command } from '@tidy-reel/core/document/command'
import { emptyDocument } from '@tidy-reel/core/document/document'
import { TidyError } from '@tidy-reel/core/fault'
import { parseScript } from '@tidy-reel/core/script/parse'
import { sceneSeconds } from '@tidy-reel/core/timeline/timeline'
import type { EpisodeRow } from '@tidy-reel/core/views/episode'
import { Change, Channel, Episode, Render } from '../db/models.ts'
import { changeEpisode, type Revised } from './change-episode.ts'

/** Commands that hold at any revision, because they name what they change by id or replace it whole. */
const REBASED = new Set<Command['type']>(['setShot', 'editNarration', 'placeShots', 'setTitle', 'setVoice', 'setMood'])

export function episodeActions(sequelize: Sequelize, ownerId: string) {
  const find = async (id: string) => {
    const episode = await Episode.findOne({ where: { id, ownerId, deletedAt: null } })
    if (!episode) throw new TidyError('episode_not_found')
    return episode
  }
  return {
    find,
    async list(): Promise<EpisodeRow[]> {
      const episodes = await Episode.findAll({ where: { ownerId, deletedAt: null }, order: [['updatedAt', 'DESC']] })
      const films = await Render.findAll({ where: { ownerId, state: 'done' }, attributes: ['episodeId'] })
      const rendered = new Set(films.map(({ episodeId }) => episodeId))
      return episodes.map((episode) => rowOf(episode, rendered.has(episode.id)))
    },
    async create(title: string, script = ''): Promise<{ id: string }> {
      const channel = await Channel.findOne({ where: { ownerId } })
      const channelId = channel?.id ?? (await Channel.create({ id: randomUUID(), ownerId, name: 'My channel' })).id
      const { document } = apply(emptyDocument(title), { type: 'setScript', script })
      const episode = await Episode.create({ id: randomUUID(), ownerId, channelId, document, revision: 1, deletedAt: null })
      return { id: episode.id }
    },
    async remove(id: string): Promise<void> {
      await (await find(id)).update({ deletedAt: new Date() })
    },
    async restore(id: string): Promise<void> {
      const [count] = await Episode.update({ deletedAt: null }, { where: { id, ownerId } })
      if (!count) throw new TidyError('episode_not_found')
    },
    /** Applies a command and logs it in one transaction; one that knows not the newest revision is applied where no person's change lies between, or where it names what it changes. */
    async command(id: string, revision: number, command: Command, actor: Change['actor'] = 'person', key: string | null = null): Promise<Revised> {
      return changeEpisode(sequelize, ownerId, id, async (episode, transaction) => {
        if (key && (await Change.count({ where: { episodeId: id, key }, transaction }))) return { revision: episode.revision, document: episode.document }
        if (!REBASED.has(command.type) && revision < episode.revision) {
          const others = await Change.count({ where: { episodeId: id, actor: 'person', revision: { [Op.gt]: revision } }, transaction })
          if (others) throw new TidyError('revision_stale', { revision: episode.revision })
        }
        const { document, inverse } = apply(episode.document, command)
        const next = episode.revision + 1
        if (actor === 'person') await Change.update({ state: 'left' }, { where: { episodeId: id, state: 'undone' }, transaction })
        await Change.create({ ownerId, episodeId: id, revision: next, actor, key, command, inverse }, { transaction })
        return { revision: next, document }
      })
    },
  }
}
export type EpisodeActions = ReturnType<typeof episodeActions>

function rowOf({ id, document, updatedAt }: Episode, rendered: boolean): EpisodeRow {
  const { scenes } = parseScript(document.script)
  const matched = document.scenes.some(({ shots }) => shots.length > 0)
  return {
    id, title: document.title, scenes: scenes.length,
    words: scenes.reduce((sum, { text }) => sum + text.split(/\s+/).length, 0),
    seconds: sceneSeconds(scenes, undefined, document.speed).reduce((sum, seconds) => sum + seconds, 0),
    state: rendered ? 'rendered' : matched ? 'matched' : scenes.length ? 'script' : 'empty',
    updatedAt: updatedAt.toISOString(),
    picture: document.scenes.flatMap(({ shots }) => shots.flatMap(({ item }) => (item ? [item.id] : [])))[0] ?? null,
  }
}
