import type { Sequelize, Transaction } from 'sequelize'
import type { Document } from '@tidy-reel/core/document/document'
import { TidyError } from '@tidy-reel/core/faults/fault'
import type { EpisodeFacts } from '@tidy-reel/core/views/episode-facts'
import { Episode } from '../db/models.ts'
import { announce } from '../events.ts'

/** A document and the revision it has. */
export interface Revised {
  document: Document
  revision: number
  /** Where they were worked out already. */
  facts?: EpisodeFacts
}

/**
 * Changes an episode in one transaction, nobody else's change between, and tells who follows it.
 *
 * @param take works out the next document, and logs what led there
 */
export async function changeEpisode(
  sequelize: Sequelize,
  ownerId: string,
  id: string,
  take: (episode: Episode, transaction: Transaction) => Promise<Revised>,
): Promise<Revised> {
  const { facts: _facts, ...next } = await sequelize.transaction(async (transaction) => {
    const episode = await Episode.findOne({
      where: { id, ownerId, deletedAt: null },
      lock: transaction.LOCK.UPDATE,
      transaction,
    })
    if (!episode) throw new TidyError('episode_not_found')
    const taken = await take(episode, transaction)
    if (taken.revision !== episode.revision) await episode.update(taken, { transaction })
    return taken
  })
  await announce(sequelize, { episodeId: id, kind: 'document', data: { revision: next.revision } })
  return next
}
