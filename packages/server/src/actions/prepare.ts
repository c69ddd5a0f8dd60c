import type { Sequelize } from 'sequelize'
import { isFault, TidyError } from '@tidy-reel/core/faults/fault'
import type { FilmShape } from '@tidy-reel/core/render/plan'
import { cutText } from '@tidy-reel/core/text/well-formed'
import { timeline } from '@tidy-reel/core/timeline/timeline'
import type { Preparing } from '@tidy-reel/core/views/episode'
import { type EngineConfig, folders } from '@tidy-reel/engine/config'
import { filmLanguage } from '@tidy-reel/engine/make/film-language'
import { silentScenes } from '@tidy-reel/engine/make/film-report'
import { takesOf } from '@tidy-reel/engine/make/film-steps'
import { filmable, takeRequests } from '@tidy-reel/engine/make/filmable'
import { filmEffects } from '@tidy-reel/engine/sound/effects/film-effects'
import { monitorBed } from '@tidy-reel/engine/sound/monitor-bed'
import { plannedMusic } from '@tidy-reel/engine/sound/music/planned-music'
import { speechPlace } from '@tidy-reel/engine/speech/take'
import { takeAll } from '@tidy-reel/engine/speech/take-all'
import { pictureLibrary } from '@tidy-reel/engine/stock/library'
import { WIDE } from '@tidy-reel/engine/stock/match-film'
import { Change, type Episode, Render } from '../db/models.ts'
import { announce } from '../events.ts'
import type { EpisodeActions } from './episodes.ts'
import { libraryActions } from './library.ts'
import { matchEpisode } from './match-episode.ts'
import { rememberTakes } from './scene-takes.ts'

/** The shape a film is made in: that of its latest render. */
async function shapeOf({ id, ownerId }: Episode): Promise<Pick<FilmShape, 'width' | 'height'>> {
  const latest = await Render.findOne({
    where: { episodeId: id, ownerId },
    order: [['createdAt', 'DESC']],
    attributes: ['shape'],
  })
  return latest?.shape ?? WIDE
}

/** What is told at once; further ones are counted. */
const REMARKS_SHOWN = 8

function shortList(remarks: readonly string[]): string[] {
  const shown = remarks.slice(0, REMARKS_SHOWN).map((remark) => cutText(remark, 400))
  const left = remarks.length - shown.length
  return left > 0 ? [...shown, `… and ${left} more like these.`] : shown
}

/**
 * Matches pictures for scenes without any and speaks what is not spoken; safe to repeat.
 *
 * @param first the scene in view: it is spoken before the others, then those after it
 */
export async function prepare(
  sequelize: Sequelize,
  config: EngineConfig,
  episodes: EpisodeActions,
  episodeId: string,
  signal: AbortSignal,
  first?: string,
): Promise<void> {
  const episode = await episodes.find(episodeId)
  const remarks: string[] = []
  const tell = (step: Preparing['step'], done: number, all: number) =>
    announce(sequelize, {
      episodeId,
      kind: 'prepare',
      data: { step, done, all, remarks: shortList(remarks) } satisfies Preparing,
    })
  try {
    filmable(episode.document)
  } catch (cause) {
    if (!isFault(cause)) throw cause
    remarks.push(cause.message)
    await tell('done', 1, 1)
    return
  }
  try {
    await make()
  } catch (cause) {
    // Whoever waits in the room is told why it stands; a worker that stops leaves it to the next.
    if (signal.aborted || (isFault(cause) && cause.code === 'cancelled')) throw cause
    remarks.push(isFault(cause) ? cause.message : new TidyError('unexpected').message)
    await tell('done', 1, 1)
    if (!isFault(cause)) throw cause
  }

  async function make() {
    await tell('match', 0, 1)
    remarks.push(...(await spokenInItsLanguage()))
    remarks.push(
      ...(await matchEpisode(
        config,
        episodes,
        libraryActions(sequelize, episode.ownerId),
        episode,
        await shapeOf(episode),
        signal,
      )),
    )
    const { document } = await episodes.find(episodeId)
    const film = filmable(document)
    const requests = takeRequests(document, film, await episodes.pronunciations(episodeId))
    let done = 0
    let told = 0
    const spoken = await takeAll(speechPlace(config), requests, {
      signal,
      first: film.scenes.findIndex(({ id }) => id === first),
      onSpoken: () => {
        done++
        if (Date.now() - told < 400) return
        told = Date.now()
        void tell('speak', done, requests.length)
      },
    })
    await rememberTakes(episode, film, requests, spoken)
    remarks.push(...silentScenes(spoken))
    const plan = timeline(film, takesOf(spoken), [30, 1])
    const library = pictureLibrary(config)
    const sounds = await filmEffects(folders(config).sounds, { plan, film, library }, signal)
    remarks.push(...sounds.remarks)
    const { music, remarks: said } = await plannedMusic(folders(config), document, film, plan)
    remarks.push(...said)
    if (music) {
      await tell('music', 0, 1)
      await monitorBed(folders(config), music, signal, (done, all) => void tell('music', done, all))
    }
    await tell('done', 1, 1)
  }

  /** A script in another language gets a voice of it, unless somebody chose one. */
  async function spokenInItsLanguage(): Promise<string[]> {
    const { document, revision } = episode
    const chosen = { episodeId, actor: 'person', command: { type: 'setVoice' } }
    const { voice, remarks: said } = filmLanguage(
      document,
      speechPlace(config).voices,
      (await Change.count({ where: chosen })) > 0,
    )
    if (voice)
      await episodes.command(
        episodeId,
        revision,
        { type: 'setVoice', voice, speed: document.speed },
        'matching',
      )
    return said
  }
}
