import type { Sequelize } from 'sequelize'
import { TidyError } from '@tidy-reel/core/fault'
import { sceneSeconds } from '@tidy-reel/core/timeline/timeline'
import type { Preparing } from '@tidy-reel/core/views/episode'
import { folders, type EngineConfig } from '@tidy-reel/engine/config'
import { filmable, takeRequests } from '@tidy-reel/engine/make'
import { takeAll } from '@tidy-reel/engine/speech/take-all'
import { stockClient } from '@tidy-reel/engine/stock/client'
import { matchFilm, scenesToMatch } from '@tidy-reel/engine/stock/match-film'
import { loadLexicon } from '@tidy-reel/engine/words/wordnet'
import { Candidates, type Episode } from '../db/models.ts'
import { announce } from '../events.ts'
import type { EpisodeActions } from './episodes.ts'

/** Matches pictures for scenes without any and speaks what is not spoken; safe to repeat. */
export async function prepare(sequelize: Sequelize, config: EngineConfig, episodes: EpisodeActions, episodeId: string, signal: AbortSignal): Promise<void> {
  const episode = await episodes.find(episodeId)
  const remarks: string[] = []
  const tell = (step: Preparing['step'], done: number, all: number) => announce(sequelize, { episodeId, kind: 'prepare', data: { step, done, all, remarks } satisfies Preparing })
  try {
    filmable(episode.document.script)
  } catch (cause) {
    if (!(cause instanceof TidyError)) throw cause
    remarks.push(cause.message)
    await tell('done', 1, 1)
    return
  }
  await tell('match', 0, 1)
  remarks.push(...(await matchEpisode(config, episodes, episode, signal)))
  const { document } = await episodes.find(episodeId)
  const requests = takeRequests(document, filmable(document.script))
  let done = 0
  let told = 0
  const spoken = await takeAll(folders(config).takes, requests, {
    signal,
    onSpoken: () => {
      done++
      if (Date.now() - told < 400) return
      told = Date.now()
      void tell('speak', done, requests.length)
    },
  })
  spoken.forEach((s, i) => 'fault' in s && remarks.push(`Scene ${i + 1} is silent: ${s.fault.message}`))
  await tell('done', 1, 1)
}

async function matchEpisode(config: EngineConfig, episodes: EpisodeActions, { id, ownerId, document, revision }: Episode, signal: AbortSignal): Promise<string[]> {
  const parsed = filmable(document.script)
  const known = new Map((await Candidates.findAll({ where: { episodeId: id, ownerId } })).map((c) => [c.sceneId, c.text]))
  if (document.scenes.every((scene) => scene.shots.length > 0 && known.get(scene.id) === scene.text)) return []
  const toMatch = scenesToMatch(parsed, sceneSeconds(parsed.scenes, undefined, document.speed))
  const kept = new Map(document.scenes.flatMap(({ shots }, i) => {
    const ids = shots.flatMap(({ item, by }) => (item && by === 'hand' ? [item.id] : []))
    return ids.length ? [[i, ids] as const] : []
  }))
  const { picks, fault } = await matchFilm(toMatch, await loadLexicon(), stockClient(config.stock), { orientation: 'landscape', kept, signal })
  if (fault && picks.every(({ chosen }) => chosen.length === 0)) return [fault.message]
  await Candidates.destroy({ where: { episodeId: id, ownerId } })
  await Candidates.bulkCreate(document.scenes.map((scene, i) => ({ episodeId: id, ownerId, sceneId: scene.id, text: scene.text, words: picks[i]!.words, picks: picks[i]!.candidates })))
  const unmatched = document.scenes.flatMap((scene, i) => (scene.shots.length > 0 && known.get(scene.id) === scene.text ? [] : [{ sceneId: scene.id, text: scene.text, items: picks[i]!.chosen }]))
  await episodes.command(id, revision, { type: 'placeShots', scenes: unmatched }, 'matching')
  return fault ? [fault.message] : []
}
