import { Op, type Sequelize, type Transaction } from 'sequelize'
import { apply } from '@tidy-reel/core/document/apply'
import { commandName } from '@tidy-reel/core/document/command-name'
import { takenBack } from '@tidy-reel/core/document/inverse'
import { TidyError } from '@tidy-reel/core/faults/fault'
import type { History } from '@tidy-reel/core/views/episode'
import { Change, type Episode } from '../db/models.ts'
import { changeEpisode, type Revised } from './change-episode.ts'

/**
 * Undo and redo over the change log, back to an episode's first word and across restarts.
 *
 * A change is `done`, `undone` (it can be redone) or `left` (a later edit took another way). What
 * matching did after a person's change goes and comes back with it. The log only grows: redoing
 * appends the change again.
 */
export function historyActions(sequelize: Sequelize, ownerId: string) {
  const step = async (
    id: string,
    take: (episode: Episode, transaction: Transaction) => Promise<Revised>,
  ) => {
    const taken = await changeEpisode(sequelize, ownerId, id, take)
    return { ...taken, history: await history(id) }
  }
  const newest = (episodeId: string, transaction?: Transaction) =>
    Change.findOne({
      where: { episodeId, ownerId, state: 'done', actor: 'person' },
      order: [['revision', 'DESC']],
      ...(transaction ? { transaction } : {}),
    })
  const undone = (episodeId: string, transaction?: Transaction) =>
    Change.findAll({
      where: { episodeId, ownerId, state: 'undone' },
      order: [['revision', 'ASC']],
      ...(transaction ? { transaction } : {}),
    })

  async function history(id: string): Promise<History> {
    const [last, waiting] = await Promise.all([newest(id), undone(id)])
    const first = waiting.find(({ actor }) => actor === 'person')
    return {
      undo: last ? commandName(last.command) : null,
      redo: first ? commandName(first.command) : null,
    }
  }
  return {
    history,
    undo: (id: string) =>
      step(id, async (episode, transaction) => {
        const last = await newest(id, transaction)
        if (!last) throw new TidyError('nothing_to_undo')
        const back = await Change.findAll({
          where: { episodeId: id, state: 'done', revision: { [Op.gte]: last.revision } },
          order: [['revision', 'DESC']],
          transaction,
        })
        const document = back.reduce(
          (now, { inverse }) => takenBack(now, inverse),
          episode.document,
        )
        await Change.update(
          { state: 'undone' },
          { where: { id: back.map((change) => change.id) }, transaction },
        )
        return { document, revision: episode.revision + 1 }
      }),
    redo: (id: string) =>
      step(id, async (episode, transaction) => {
        const waiting = await undone(id, transaction)
        const first = waiting.findIndex(({ actor }) => actor === 'person')
        if (first < 0) throw new TidyError('nothing_to_redo')
        const after = waiting.findIndex(({ actor }, i) => i > first && actor === 'person')
        const again = waiting.slice(0, after < 0 ? waiting.length : after)
        let { document, revision } = episode
        for (const { command, actor } of again) {
          const applied = apply(document, command)
          document = applied.document
          await Change.create(
            {
              ownerId,
              episodeId: id,
              revision: ++revision,
              actor,
              state: 'done',
              command,
              inverse: applied.inverse,
            },
            { transaction },
          )
        }
        await Change.update(
          { state: 'left' },
          { where: { id: again.map((change) => change.id) }, transaction },
        )
        return { document, revision }
      }),
  }
}
export type HistoryActions = ReturnType<typeof historyActions>
