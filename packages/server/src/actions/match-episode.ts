import type { Matching, Picking } from '@tidy-reel/core/document/document'
import type { FilmScene } from '@tidy-reel/core/document/film-scenes'
import { sharedWords } from '@tidy-reel/core/document/reconcile'
import { itemAt } from '@tidy-reel/core/faults/certain'
import { concerns, saidBy } from '@tidy-reel/core/match/refusals'
import { longestShown } from '@tidy-reel/core/match/rhythm'
import type { SceneToMatch } from '@tidy-reel/core/match/scene-to-match'
import { shotsIn } from '@tidy-reel/core/match/shots-in'
import { depictionText } from '@tidy-reel/core/pictures/depiction'
import { orientationOf, sourceName } from '@tidy-reel/core/pictures/item'
import type { FilmShape } from '@tidy-reel/core/render/plan'
import { sceneSeconds } from '@tidy-reel/core/timeline/timeline'
import { type EngineConfig, folders } from '@tidy-reel/engine/config'
import { filmable } from '@tidy-reel/engine/make/filmable'
import { pictureLibrary } from '@tidy-reel/engine/stock/library'
import {
  decidedBeginnings,
  keptPictures,
  matchDocument,
  placed,
  scenesToMatch,
} from '@tidy-reel/engine/stock/match-film'
import { lookOfThumbnail } from '@tidy-reel/engine/stock/thumbnails'
import { contentHash } from '@tidy-reel/engine/storage/kept-file'
import { Candidates, type Episode } from '../db/models.ts'
import type { EpisodeActions } from './episodes.ts'
import type { LibraryActions } from './library.ts'

/**
 * Pictures of a scene whose words have changed less than this stay: half of them are still said.
 */
const STILL_THE_SAME = 0.5

/**
 * Looks for pictures where scenes have none, or none that still suit them, and keeps what may be
 * chosen for each.
 *
 * @param shape of the film that is being made
 * @returns what a person should know: a library that is away
 */
export async function matchEpisode(
  config: EngineConfig,
  episodes: EpisodeActions,
  library: LibraryActions,
  { id: episodeId, ownerId, document, revision }: Episode,
  shape: Pick<FilmShape, 'width' | 'height'>,
  signal: AbortSignal,
): Promise<string[]> {
  const film = filmable(document)
  const told: Told = { ...document.matching, picking: document.picking }
  const orientation = orientationOf(shape)
  // What was found for a wide film before shapes were told apart stays known.
  const of = contentHash(orientation === 'landscape' ? told : { ...told, orientation })
  const before = await Candidates.findAll({ where: { episodeId, ownerId } })
  const known = new Map(before.map((row) => [row.sceneId, row]))
  const shown = film.scenes.flatMap((scene, i) =>
    scene.card === undefined ? [{ ...scene, i }] : [],
  )
  const seconds = sceneSeconds(film.scenes, film.speed, film.pauses)
  const asked = scenesToMatch(film, seconds).map(textAsked)
  const isKnown = (row: Candidates | undefined, text: string, asks: string) =>
    row?.text === text && (row.told.asked ?? asks) === asks
  const nothingNew =
    before.every((row) => row.told.of === of) &&
    shown.every(
      ({ id, text, shots, i }) =>
        shots.length > 0 && isKnown(known.get(id), text, itemAt(asked, i)),
    )
  if (nothingNew) return []

  const suits = film.scenes.map(
    (scene, i) =>
      scene.shots.length > 0 &&
      stillSuits(
        { ...scene, seconds: itemAt(seconds, i), asked: itemAt(asked, i) },
        known.get(scene.id),
        told,
      ),
  )
  const kept = keptPictures(
    film.scenes.map((scene, i) =>
      suits[i] ? scene : { ...scene, shots: scene.shots.filter(({ by }) => by === 'hand') },
    ),
  )
  const begins = decidedBeginnings(document, film, (n) => kept.has(n))
  const { picks, faults } = await matchDocument(
    document,
    film,
    pictureLibrary(config, library.shelf()),
    {
      shape,
      seconds,
      kept,
      begins,
      channel: {
        refusals: await library.refusals(),
        favourites: await library.favouriteIds(),
      },
      hashOf: (id) => lookOfThumbnail(folders(config).thumbnails, id)?.hash,
      signal,
    },
  )
  const remarks = faults.map(({ message }) => message)
  if (faults.length && picks.every(({ chosen }) => chosen.length === 0)) return remarks

  await Candidates.destroy({ where: { episodeId, ownerId } })
  await Candidates.bulkCreate(
    shown.map(({ id: sceneId, text, i }) => {
      const { words, candidates, meanings, numbers } = itemAt(picks, i)
      return {
        episodeId,
        ownerId,
        sceneId,
        text,
        words,
        picks: candidates,
        meanings,
        numbers,
        told: {
          of,
          asked: itemAt(asked, i),
          picking: told.picking,
          senses: told.senses.filter(({ noun }) => words.some((word) => word.text === noun)),
        },
      }
    }),
  )
  const anew = shown.flatMap(({ i }) => (suits[i] ? [] : [placed(film, i, itemAt(picks, i))]))
  if (anew.length)
    await episodes.command(episodeId, revision, { type: 'placeShots', scenes: anew }, 'matching')
  return remarks
}

type Told = Matching & { picking: Picking }

/** What its directions ask for, to tell whether they still do. */
const textAsked = ({ picture = '', not = [] }: SceneToMatch) =>
  depictionText({ see: picture, not: [...not] })

/**
 * Whether the pictures of a scene are still what would be chosen, given what was found for it
 * before.
 */
function stillSuits(
  {
    text,
    shots,
    seconds,
    asked,
  }: Pick<FilmScene, 'text' | 'shots'> & { seconds: number; asked: string },
  before: Candidates | undefined,
  told: Told,
): boolean {
  if (sharedWords(before?.text ?? text, text) < STILL_THE_SAME) return false
  const matched = shots.flatMap(({ by, item }) => (by === 'match' && item ? [item] : []))
  if (matched.some(({ source }) => told.picking.without.includes(sourceName(source)))) return false
  if (!before) return true
  // Of films matched before directions were kept, nobody knows what was asked.
  if ((before.told.asked ?? asked) !== asked) return false
  const said = saidBy(before.text, before.words)
  if (
    told.refusals.some(
      (refusal) => concerns(refusal, said) && matched.some(({ id }) => id === refusal.item.id),
    )
  )
    return false
  // Where a person chose, what was told meanwhile changes nothing.
  if (matched.length < shots.length) return true
  const sense = ({ senses }: Pick<Matching, 'senses'>, noun: string) =>
    senses.find((pinned) => pinned.noun === noun)?.sense
  const was = before.told
  return (
    before.words.every(({ text: word }) => sense(was, word) === sense(told, word)) &&
    was.picking.stills === told.picking.stills &&
    was.picking.rhythm === told.picking.rhythm &&
    (was.picking.longest === told.picking.longest ||
      shotsIn(seconds, longestShown(told.picking)) === shots.length)
  )
}
