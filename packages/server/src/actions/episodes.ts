import { randomUUID } from 'node:crypto'
import { rm } from 'node:fs/promises'
import { Op, type Sequelize, type Transaction } from 'sequelize'
import { apply, documentFrom } from '@tidy-reel/core/document/apply'
import type { Command } from '@tidy-reel/core/document/command'
import { commandName } from '@tidy-reel/core/document/command-name'
import type { Document } from '@tidy-reel/core/document/document'
import { TidyError } from '@tidy-reel/core/faults/fault'
import type { Pronunciation } from '@tidy-reel/core/text/pronunciation'
import { cutText } from '@tidy-reel/core/text/well-formed'
import { BIN_DAYS, type EpisodeRow } from '@tidy-reel/core/views/episode'
import { episodeFacts } from '@tidy-reel/core/views/episode-facts'
import { hereAndNow } from '@tidy-reel/engine/threads/here-and-now'
import type { WorkPool } from '@tidy-reel/engine/threads/pool'
import { Change, Episode, Render } from '../db/models.ts'
import { changeEpisode, type Revised } from './change-episode.ts'
import type { ChannelActions } from './channels.ts'

const FACTS_AT_ONCE = 10
const TITLE_CHARACTERS = 200
const COPY = ', a copy'

/**
 * Characters of a script from which on it is read in a thread of its own: twice a film of 25
 * minutes.
 */
const LONG_SCRIPT = 50_000

/** Long scripts are taken in by `pool`; all else is done in a blink. */
export function episodeActions(
  sequelize: Sequelize,
  channels: ChannelActions,
  ownerId: string,
  pool: Pick<WorkPool, 'run'> = hereAndNow,
) {
  const begun = async (title: string, script: string) =>
    script.length > LONG_SCRIPT
      ? pool.run('beginDocument', { title, script })
      : { document: documentFrom(title, script) }
  const applied = async (document: Document, command: Command) =>
    Math.max(document.script.length, lengthOf(command)) > LONG_SCRIPT
      ? pool.run('applyCommand', { document, command })
      : apply(document, command)

  const find = async (id: string) => {
    const episode = await Episode.findOne({ where: { id, ownerId, deletedAt: null } })
    if (!episode) throw new TidyError('episode_not_found')
    return episode
  }
  return {
    find,
    /** All there are, those that were put away and those in the bin among them. */
    async list(): Promise<EpisodeRow[]> {
      await workOutFacts(ownerId)
      const episodes = await Episode.findAll({
        where: { ownerId },
        attributes: ['id', 'facts', 'updatedAt', 'deletedAt', 'archivedAt'],
        order: [['updatedAt', 'DESC']],
      })
      const films = await Render.findAll({
        where: { ownerId, state: 'done' },
        attributes: ['episodeId'],
      })
      const rendered = new Set(films.map(({ episodeId }) => episodeId))
      return episodes.flatMap((episode) => rowOf(episode, rendered.has(episode.id)) ?? [])
    },
    /** How the channel of an episode says words. */
    async pronunciations(id: string): Promise<Pronunciation[]> {
      const episode = await Episode.findOne({ where: { id, ownerId }, attributes: ['channelId'] })
      return episode ? channels.pronunciationsOf(episode.channelId) : []
    },
    async create(title: string, script = ''): Promise<{ id: string }> {
      const { id: channelId } = await channels.first()
      const episode = await Episode.create({
        id: randomUUID(),
        ownerId,
        channelId,
        ...(await begun(title, script)),
        revision: 1,
        deletedAt: null,
      })
      return { id: episode.id }
    },
    /** Another episode with the same document; versions, films and the way it was made stay. */
    async duplicate(id: string): Promise<{ id: string }> {
      const { document, channelId } = await find(id)
      const title = `${cutText(document.title, TITLE_CHARACTERS - COPY.length)}${COPY}`
      const made = await Episode.create({
        id: randomUUID(),
        ownerId,
        channelId,
        document: { ...document, title },
        revision: 1,
        deletedAt: null,
      })
      return { id: made.id }
    },
    async archive(id: string, archived: boolean): Promise<void> {
      await (await find(id)).update({ archivedAt: archived ? new Date() : null }, { silent: true })
    },
    async remove(id: string): Promise<void> {
      await (await find(id)).update({ deletedAt: new Date() }, { silent: true })
    },
    /**
     * Ends what has been in the bin for `BIN_DAYS`, with its films.
     *
     * @param folderOf of a film's files
     */
    async emptyBin(folderOf: (renderId: string) => string, now = Date.now()): Promise<void> {
      const past = { [Op.lt]: new Date(now - BIN_DAYS * 86_400_000) }
      for (const episode of await Episode.findAll({
        where: { ownerId, deletedAt: past },
        attributes: ['id'],
      })) {
        const films = await Render.findAll({ where: { episodeId: episode.id }, attributes: ['id'] })
        for (const film of films) await rm(folderOf(film.id), { recursive: true, force: true })
        await episode.destroy()
      }
    },
    async restore(id: string): Promise<void> {
      const [count] = await Episode.update(
        { deletedAt: null },
        { where: { id, ownerId }, silent: true },
      )
      if (!count) throw new TidyError('episode_not_found')
    },
    /**
     * Applies a command and logs it in one transaction; one made against an earlier revision names
     * what it changes by id, and texts are merged with what was written meanwhile.
     */
    async command(
      id: string,
      revision: number,
      command: Command,
      actor: Change['actor'] = 'person',
      key: string | null = null,
    ): Promise<Revised> {
      return changeEpisode(sequelize, ownerId, id, async (episode, transaction) => {
        if (key && (await Change.count({ where: { episodeId: id, key }, transaction })))
          return { revision: episode.revision, document: episode.document }
        if (command.type === 'setScript' && command.base === undefined)
          await refuseBlind(episode, revision, transaction)
        const { inverse, ...after } = await applied(episode.document, command)
        const next = episode.revision + 1
        if (actor === 'person')
          await Change.update(
            { state: 'left' },
            { where: { episodeId: id, state: 'undone' }, transaction },
          )
        await Change.create(
          {
            ownerId,
            episodeId: id,
            revision: next,
            actor,
            key,
            command: logged(command, episode.document),
            inverse,
          },
          { transaction },
        )
        return { revision: next, ...after }
      })
    },
  }
}
/** Of the words a command brings. */
const lengthOf = (command: Command) =>
  command.type === 'setScript' ? Math.max(command.script.length, command.base?.length ?? 0) : 0

export type EpisodeActions = ReturnType<typeof episodeActions>

/**
 * A whole script that says nothing of what it was written on takes the place of what is there; not
 * where a person has changed that meanwhile.
 *
 * @throws TidyError `revision_stale`
 */
async function refuseBlind({ id, revision }: Episode, against: number, transaction: Transaction) {
  const since = await Change.findAll({
    where: { episodeId: id, revision: { [Op.gt]: against }, actor: 'person' },
    attributes: ['command'],
    transaction,
  })
  const changes = [...new Set(since.map(({ command }) => commandName(command)))].join(', ')
  if (changes) throw new TidyError('revision_stale', { revision, changes })
}

/**
 * A command as the log keeps it. A script is long and nearly always written on just the one that is
 * there: that one need not be kept again.
 */
const logged = (command: Command, { script }: Document): Command =>
  command.type === 'setScript' && command.base === script
    ? { type: 'setScript', script: command.script }
    : command

/** Of episodes from before their facts were kept; a few at a time, as documents are large. */
async function workOutFacts(ownerId: string): Promise<void> {
  for (;;) {
    const episodes = await Episode.findAll({
      where: { ownerId, deletedAt: null, facts: { [Op.is]: null } },
      limit: FACTS_AT_ONCE,
    })
    if (!episodes.length) return
    for (const episode of episodes)
      await episode.update({ facts: episodeFacts(episode.document) }, { silent: true })
  }
}

/** Undefined for an episode that has come since the facts were worked out. */
function rowOf(
  { id, facts, updatedAt, deletedAt, archivedAt }: Episode,
  rendered: boolean,
): EpisodeRow | undefined {
  if (!facts) return undefined
  const { matched, ...shown } = facts
  const unmatched = facts.scenes ? 'script' : 'empty'
  const unrendered = matched ? 'matched' : unmatched
  return {
    id,
    ...shown,
    state: rendered ? 'rendered' : unrendered,
    updatedAt: updatedAt.toISOString(),
    archived: archivedAt !== null,
    deletedAt: deletedAt?.toISOString() ?? null,
  }
}
