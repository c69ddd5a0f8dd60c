import { randomUUID } from 'node:crypto'
import { compareDocuments, type Comparison } from '@tidy-reel/core/document/compare'
import type { Document } from '@tidy-reel/core/document/document'
import { TidyError } from '@tidy-reel/core/faults/fault'
import type { VersionView } from '@tidy-reel/core/views/episode'
import { Version } from '../db/models.ts'
import type { Revised } from './change-episode.ts'
import type { EpisodeActions } from './episodes.ts'

/**
 * Named versions of an episode: kept as they are, compared with what it is now, brought back as one
 * change that can be undone.
 */
export function versionActions(episodes: EpisodeActions, ownerId: string) {
  const find = async (episodeId: string, id: string) => {
    const version = await Version.findOne({ where: { id, episodeId, ownerId } })
    if (!version) throw new TidyError('version_not_found')
    return version
  }
  return {
    async list(episodeId: string): Promise<VersionView[]> {
      await episodes.find(episodeId)
      return (
        await Version.findAll({ where: { episodeId, ownerId }, order: [['createdAt', 'DESC']] })
      ).map(viewOf)
    },
    async keep(episodeId: string, name: string): Promise<VersionView> {
      const { document, revision } = await episodes.find(episodeId)
      return viewOf(
        await Version.create({ id: randomUUID(), ownerId, episodeId, name, revision, document }),
      )
    },
    async read(episodeId: string, id: string): Promise<VersionView & { document: Document }> {
      const version = await find(episodeId, id)
      return { ...viewOf(version), document: version.document }
    },
    async remove(episodeId: string, id: string): Promise<void> {
      await (await find(episodeId, id)).destroy()
    },
    /** What has changed since the version was kept. */
    async compare(episodeId: string, id: string): Promise<Comparison> {
      const [version, episode] = await Promise.all([find(episodeId, id), episodes.find(episodeId)])
      return compareDocuments(version.document, episode.document)
    },
    async restore(episodeId: string, id: string): Promise<Revised> {
      const [version, { revision }] = await Promise.all([
        find(episodeId, id),
        episodes.find(episodeId),
      ])
      return episodes.command(episodeId, revision, { type: 'restore', document: version.document })
    },
  }
}
export type VersionActions = ReturnType<typeof versionActions>

const viewOf = ({ id, name, revision, document, createdAt }: Version): VersionView => ({
  id,
  name,
  revision,
  scenes: document.scenes.length,
  createdAt: createdAt.toISOString(),
})
