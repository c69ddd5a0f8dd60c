import type { Sequelize } from 'sequelize'
import { isEqual } from 'lodash-es'
import type { Matching, Shot } from '@tidy-reel/core/document/document'
import type { FilmScene } from '@tidy-reel/core/document/film-scenes'
import { likeness } from '@tidy-reel/core/document/reconcile'
import { concerns, saidBy } from '@tidy-reel/core/match/refusals'
import { TidyError } from '@tidy-reel/core/fault'
import { filmSeconds, sceneSeconds } from '@tidy-reel/core/timeline/timeline'
import type { Preparing } from '@tidy-reel/core/views/episode'
import { folders, type EngineConfig } from '@tidy-reel/engine/config'
import { filmable, silentScenes, takeRequests } from '@tidy-reel/engine/make'
import { monitorBed } from '@tidy-reel/engine/sound/monitor-bed'
import { speechPlace } from '@tidy-reel/engine/speech/take'
import { takeAll } from '@tidy-reel/engine/speech/take-all'
import { pictureLibrary } from '@tidy-reel/engine/stock/library'
import { keptPictures, matchFilm, scenesToMatch } from '@tidy-reel/engine/stock/match-film'
import { lookOfThumbnail } from '@tidy-reel/engine/stock/thumbnails'
import { loadLexicon } from '@tidy-reel/engine/words/wordnet'
import { Candidates, type Episode } from '../db/models.ts'
import { announce } from '../events.ts'
import type { EpisodeActions } from './episodes.ts'
import { libraryActions, type LibraryActions } from './library.ts'
import { rememberTakes } from './scene-takes.ts'

/**
 * Matches pictures for scenes without any and speaks what is not spoken; safe to repeat.
 *
 * @param first the scene in view: it is spoken before the others, then those after it
 */
export async function prepare(sequelize: Sequelize, config: EngineConfig, episodes: EpisodeActions, episodeId: string, signal: AbortSignal, first?: string): Promise<void> {
  const episode = await episodes.find(episodeId)
  const remarks: string[] = []
  const tell = (step: Preparing['step'], done: number, all: number) => announce(sequelize, { episodeId, kind: 'prepare', data: { step, done, all, remarks } satisfies Preparing })
  try {
    filmable(episode.document)
  } catch (cause) {
    if (!(cause instanceof TidyError)) throw cause
    remarks.push(cause.message)
    await tell('done', 1, 1)
    return
  }
  await tell('match', 0, 1)
  remarks.push(...(await matchEpisode(config, episodes, libraryActions(sequelize, episode.ownerId), episode, signal)))
  const { document } = await episodes.find(episodeId)
  const film = filmable(document)
  const requests = takeRequests(document, film, await episodes.pronunciations(episodeId))
  let done = 0
  let told = 0
  const spoken = await takeAll(speechPlace(config), requests, {
    signal, first: film.scenes.findIndex(({ id }) => id === first),
    onSpoken: () => {
      done++
      if (Date.now() - told < 400) return
      told = Date.now()
      void tell('speak', done, requests.length)
    },
  })
  await rememberTakes(episode, film, requests, spoken)
  remarks.push(...silentScenes(spoken))
  if (document.mood !== 'none') {
    await tell('music', 0, 1)
    const takes = spoken.map((s) => (s && 'take' in s ? s.take : undefined))
    await monitorBed(folders(config).beds, document.mood, filmSeconds(film, takes), document.title, signal)
  }
  await tell('done', 1, 1)
}

/** The sense a person chose for a noun. */
const senseOf = ({ senses }: Matching, noun: string) => senses.find((pinned) => pinned.noun === noun)?.sense

/** Pictures of a scene whose words have changed less than this stay: half of them are still said. */
const STILL_THE_SAME = 0.5

async function matchEpisode(config: EngineConfig, episodes: EpisodeActions, library: LibraryActions, { id, ownerId, document, revision }: Episode, signal: AbortSignal): Promise<string[]> {
  const film = filmable(document)
  const before = await Candidates.findAll({ where: { episodeId: id, ownerId } })
  const known = new Map(before.map((c) => [c.sceneId, c.text]))
  const meansAnother = new Set(before.filter(({ told, words }) => words.some(({ text }) => senseOf(told, text) !== senseOf(document.matching, text))).map(({ sceneId }) => sceneId))
  const toldBefore = before.every(({ told }) => isEqual(told, document.matching))
  const shown = film.scenes.flatMap((scene, i) => (scene.card === undefined ? [{ ...scene, i }] : []))
  if (toldBefore && shown.every(({ id: sceneId, text, shots }) => shots.length > 0 && known.get(sceneId) === text)) return []
  const said = new Map(before.map((c) => [c.sceneId, saidBy(c.text, c.words)]))
  const refusedIn = (sceneId: string) => ({ by, item }: Shot) => by === 'match' && document.matching.refusals.some((refusal) => refusal.item.id === item?.id && concerns(refusal, said.get(sceneId) ?? { text: '', words: [] }))
  const stays = ({ id: sceneId, text, shots }: FilmScene) => shots.length > 0 && !(meansAnother.has(sceneId) && shots.every(({ by }) => by === 'match')) && !shots.some(refusedIn(sceneId)) && likeness(known.get(sceneId) ?? text, text) >= STILL_THE_SAME
  const kept = keptPictures(film.scenes.map((scene) => (stays(scene) ? scene : { ...scene, shots: scene.shots.filter(({ by }) => by === 'hand') })))
  const { picks, faults } = await matchFilm(scenesToMatch(film, sceneSeconds(film.scenes, film.speed, film.pauses)), await loadLexicon(), pictureLibrary(config, library.shelf()), { orientation: 'landscape', hashOf: (id) => lookOfThumbnail(folders(config).thumbnails, id)?.hash, title: document.title, told: { ...document.matching, refusals: [...document.matching.refusals, ...(await library.refusals())] }, kept, signal })
  const remarks = faults.map(({ message }) => message)
  if (faults.length && picks.every(({ chosen }) => chosen.length === 0)) return remarks
  await Candidates.destroy({ where: { episodeId: id, ownerId } })
  await Candidates.bulkCreate(shown.map((scene) => ({ episodeId: id, ownerId, sceneId: scene.id, text: scene.text, words: picks[scene.i]!.words, picks: picks[scene.i]!.candidates, meanings: picks[scene.i]!.meanings, told: document.matching })))
  const unmatched = shown.flatMap((scene) => (stays(scene) ? [] : [{ sceneId: scene.id, text: scene.text, items: picks[scene.i]!.chosen }]))
  if (unmatched.length) await episodes.command(id, revision, { type: 'placeShots', scenes: unmatched }, 'matching')
  return remarks
}
