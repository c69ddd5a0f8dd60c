import type { EpisodeView, History, RenderView } from '@tidy-reel/core/views/episode'
import { knownTake } from '@tidy-reel/engine/speech/take'
import { Candidates, Render, type Episode } from '../db/models.ts'

export const renderView = ({ id, state, shape, progress, report, fault, createdAt }: Render): RenderView => ({ id, state, shape, progress, report, fault, createdAt: createdAt.toISOString() })

export async function episodeView(episode: Episode, takesFolder: string, history: History): Promise<EpisodeView> {
  const { id, revision, document, ownerId } = episode
  const [candidates, renders] = await Promise.all([
    Candidates.findAll({ where: { episodeId: id, ownerId } }),
    Render.findAll({ where: { episodeId: id, ownerId }, order: [['createdAt', 'DESC']], limit: 10 }),
  ])
  const takes = await Promise.all(document.scenes.map(async (scene) => {
    const take = await knownTake(takesFolder, { text: scene.text, voice: document.voice, speed: document.speed })
    return take ? [[scene.id, { hash: take.hash, samples: take.samples, pauses: take.pauses }] as const] : []
  }))
  return {
    id, revision, document,
    takes: Object.fromEntries(takes.flat()),
    candidates: Object.fromEntries(candidates.map(({ sceneId, words, picks }) => [sceneId, { words, picks }])),
    renders: renders.map(renderView),
    history,
  }
}
