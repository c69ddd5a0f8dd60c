import type { Document } from '@tidy-reel/core/document/document'
import { type Film, filmOf } from '@tidy-reel/core/document/film-scenes'
import { TidyError } from '@tidy-reel/core/faults/fault'
import type { FrameRate } from '@tidy-reel/core/time/time'
import { type Timeline, timeline } from '@tidy-reel/core/timeline/timeline'
import { takeRequests } from '@tidy-reel/engine/make/filmable'
import { knownTake, type SpeechPlace } from '@tidy-reel/engine/speech/take'

/**
 * The film of a document on its frames: by the takes there are, else by the estimate.
 *
 * @throws TidyError `script_nothing_spoken`
 */
export async function plannedFilm(
  document: Document,
  fps: FrameRate,
  speech: SpeechPlace,
): Promise<{ film: Film; plan: Timeline }> {
  const film = filmOf(document)
  if (!film.scenes.length) throw new TidyError('script_nothing_spoken')
  const known = await Promise.all(
    takeRequests(document, film).map(async (request) => request && knownTake(speech, request)),
  )
  return { film, plan: timeline(film, known, fps) }
}
