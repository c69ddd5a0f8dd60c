import type { Document } from '@tidy-reel/core/document/document'
import { type Film, filmOf } from '@tidy-reel/core/document/film-scenes'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { takeRequester } from '@tidy-reel/core/speech/take-request'
import type { Pronunciation } from '@tidy-reel/core/text/pronunciation'
import { sceneSeconds } from '@tidy-reel/core/timeline/timeline'
import type { Part } from '../speech/take-all.ts'

/** The longest film, pauses included: past that, a person is told to part the script. */
export const FILM_MINUTES_LIMIT = 60

/**
 * The film of a document that can be made.
 *
 * @throws TidyError `script_empty`, `script_nothing_spoken`, `scenes_all_hidden`, `script_too_long`
 *   when it makes none
 */
export function filmable(document: Document): Film {
  const film = filmOf(document)
  if (!document.script.trim()) throw new TidyError('script_empty')
  if (document.scenes.length === 0) throw new TidyError('script_nothing_spoken')
  if (document.scenes.every(({ hidden }) => hidden)) throw new TidyError('scenes_all_hidden')
  const seconds = sceneSeconds(film.scenes, film.speed, film.pauses)
  const minutes = Math.round(seconds.reduce((sum, each) => sum + each, 0) / 60)
  if (minutes > FILM_MINUTES_LIMIT)
    throw new TidyError('script_too_long', { minutes, limitMinutes: FILM_MINUTES_LIMIT })
  return film
}

/**
 * What is to be spoken, one a scene of the film; undefined for a card, which nobody speaks.
 *
 * @param channel its pronunciations, under those of the document
 */
export function takeRequests(
  document: Pick<Document, 'voice' | 'speed' | 'speaking'>,
  { scenes }: Film,
  channel: readonly Pronunciation[] = [],
): (Part | undefined)[] {
  const requestOf = takeRequester(document, channel)
  const { understudy } = document.speaking
  return scenes.map((scene) =>
    scene.card === undefined
      ? { ...requestOf(scene), ...(understudy ? { understudy } : {}) }
      : undefined,
  )
}
