import { existsSync } from 'node:fs'
import { filmOf } from '@tidy-reel/core/document/film-scenes'
import { filmSeconds } from '@tidy-reel/core/timeline/timeline'
import type { EpisodeView, History, RenderView } from '@tidy-reel/core/views/episode'
import type { folders } from '@tidy-reel/engine/config'
import { proxyFile } from '@tidy-reel/engine/render/proxy'
import { knownBed } from '@tidy-reel/engine/sound/monitor-bed'
import { knownTake } from '@tidy-reel/engine/speech/take'
import { Candidates, Render, type Episode } from '../db/models.ts'

export const renderView = ({ id, state, shape, progress, report, fault, createdAt }: Render): RenderView => ({ id, state, shape, progress, report, fault, createdAt: createdAt.toISOString() })

export async function episodeView(episode: Episode, place: Pick<ReturnType<typeof folders>, 'takes' | 'beds' | 'proxies'>, history: History): Promise<EpisodeView> {
  const { id, revision, document, ownerId } = episode
  const [candidates, renders] = await Promise.all([
    Candidates.findAll({ where: { episodeId: id, ownerId } }),
    Render.findAll({ where: { episodeId: id, ownerId }, order: [['createdAt', 'DESC']], limit: 10 }),
  ])
  const takes = await Promise.all(document.scenes.map(async (scene) => {
    const take = await knownTake(place.takes, { text: scene.text, voice: document.voice, speed: document.speed })
    return take ? [[scene.id, { hash: take.hash, samples: take.samples, pauses: take.pauses, ...(take.levels ? { levels: take.levels } : {}) }] as const] : []
  }))
  const film = filmOf(document)
  const spoken = Object.fromEntries(takes.flat())
  return {
    id, revision, document,
    takes: spoken,
    bed: await knownBed(place.beds, document.mood, filmSeconds(film, film.scenes.map((scene) => spoken[scene.id])), document.title),
    candidates: Object.fromEntries(candidates.map(({ sceneId, words, picks }) => [sceneId, { words, picks }])),
    proxies: document.scenes.flatMap(({ shots }) => shots.flatMap(({ item }) => (item && existsSync(proxyFile(place.proxies, item)) ? [item.id] : []))),
    renders: renders.map(renderView),
    history,
  }
}
