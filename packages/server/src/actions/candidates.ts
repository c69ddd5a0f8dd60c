import { QueryTypes, type Sequelize } from 'sequelize'
import type { EpisodeCandidates } from '@tidy-reel/core/views/episode'
import { Candidates } from '../db/models.ts'

/** PostgreSQL gives each row a new `xmin` when it is written. */
export const CANDIDATES_AT = `
  select coalesce(md5(string_agg(scene_id || xmin::text, ' ' order by scene_id)), '')
  from candidates where episode_id = `

/** What matching found for the scenes of an episode. */
export function candidatesOf(sequelize: Sequelize, ownerId: string) {
  return {
    /** Changes when they do; empty where there are none. */
    async at(episodeId: string): Promise<string> {
      const [row] = await sequelize.query<{ at: string }>(
        `select (${CANDIDATES_AT} $episodeId and owner_id = $ownerId) as at`,
        { bind: { episodeId, ownerId }, type: QueryTypes.SELECT },
      )
      return row?.at ?? ''
    },
    async of(episodeId: string): Promise<EpisodeCandidates> {
      const rows = await Candidates.findAll({ where: { episodeId, ownerId } })
      return Object.fromEntries(
        rows.map(({ sceneId, words, picks, meanings, numbers }) => [
          sceneId,
          { words, picks, meanings, numbers },
        ]),
      )
    },
  }
}
export type CandidatesActions = ReturnType<typeof candidatesOf>
