import { existsSync } from 'node:fs'
import type { Sequelize } from 'sequelize'
import type { Document } from '@tidy-reel/core/document/document'
import { filmOf } from '@tidy-reel/core/document/film-scenes'
import { itemsIn } from '@tidy-reel/core/pictures/inlay'
import type { Pronunciation } from '@tidy-reel/core/text/pronunciation'
import { timeline } from '@tidy-reel/core/timeline/timeline'
import type { EpisodeView, History, RenderView } from '@tidy-reel/core/views/episode'
import type { folders } from '@tidy-reel/engine/config'
import { takeRequests } from '@tidy-reel/engine/make/filmable'
import { proxyFile } from '@tidy-reel/engine/render/proxy'
import { knownClipSounds } from '@tidy-reel/engine/sound/effects/clip-sounds'
import { knownSounds, listedSounds } from '@tidy-reel/engine/sound/effects/sound-library'
import { knownBed } from '@tidy-reel/engine/sound/monitor-bed'
import { plannedMusic } from '@tidy-reel/engine/sound/music/planned-music'
import { knownTake, type SpeechPlace, type Take } from '@tidy-reel/engine/speech/take'
import { voiceFacts } from '@tidy-reel/engine/speech/voice-measures'
import { lookOfThumbnail } from '@tidy-reel/engine/stock/thumbnails'
import { type Episode, Render } from '../db/models.ts'
import { candidatesOf } from './candidates.ts'

export const renderView = ({
  id,
  state,
  shape,
  progress,
  report,
  fault,
  copies,
  createdAt,
}: Render): RenderView => ({
  id,
  state,
  shape,
  progress,
  report,
  fault,
  copies,
  createdAt: createdAt.toISOString(),
})

export async function episodeView(
  sequelize: Sequelize,
  episode: Episode,
  place: Pick<ReturnType<typeof folders>, 'beds' | 'music' | 'proxies' | 'sounds' | 'thumbnails'>,
  speech: SpeechPlace,
  pronunciations: Pronunciation[],
  history: History,
): Promise<EpisodeView> {
  const { id, revision, document, ownerId } = episode
  const [candidatesAt, renders] = await Promise.all([
    candidatesOf(sequelize, ownerId).at(id),
    Render.findAll({
      where: { episodeId: id, ownerId },
      order: [['createdAt', 'DESC']],
      limit: 10,
    }),
  ])
  const rate = await voiceRate(speech, document.voice)
  const takes = await knownTakes(document, speech, pronunciations)
  const film = filmOf(document, rate)
  const spoken = Object.fromEntries(
    [...takes].map(([sceneId, { file: _file, ...facts }]) => [sceneId, facts]),
  )
  const plan = timeline(
    film,
    film.scenes.map((scene) => spoken[scene.id]),
    [30, 1],
  )
  const { music, unmet } = await plannedMusic(place, document, film, plan)
  const shown = document.scenes.flatMap(itemsIn)
  return {
    id,
    revision,
    document,
    takes: spoken,
    rate,
    pronunciations,
    bed: await knownBed(place, music),
    unmetMusic: unmet,
    sounds: await knownSounds(place.sounds, film, await listedSounds(place.sounds)),
    clipSounds: await knownClipSounds(place.sounds, plan),
    candidatesAt,
    hashes: Object.fromEntries(
      shown.flatMap(({ id: item }) => {
        const look = lookOfThumbnail(place.thumbnails, item)
        return look ? [[item, look.hash]] : []
      }),
    ),
    proxies: shown.flatMap((item) => (existsSync(proxyFile(place.proxies, item)) ? [item.id] : [])),
    renders: renders.map(renderView),
    history,
  }
}

async function voiceRate(speech: SpeechPlace, id: string): Promise<number> {
  const voice = speech.voices.voices.find((known) => known.id === id)
  return voice ? (await voiceFacts(speech.takes, voice)).rate : 1
}

/**
 * The takes there are, by scene; a scene that is left out has one too, for the moment it comes
 * back.
 */
export async function knownTakes(
  document: Document,
  speech: SpeechPlace,
  pronunciations: readonly Pronunciation[],
): Promise<Map<string, Take>> {
  const whole = filmOf({
    ...document,
    scenes: document.scenes.map(({ hidden: _hidden, ...scene }) => scene),
  })
  const requests = takeRequests(document, whole, pronunciations)
  const takes = await Promise.all(
    whole.scenes.map(
      async ({ id }, i) => [id, requests[i] && (await knownTake(speech, requests[i]))] as const,
    ),
  )
  return new Map(takes.flatMap(([id, take]) => (take ? [[id, take] as const] : [])))
}
