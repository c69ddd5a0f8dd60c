import { filmOf } from '@tidy-reel/core/document/film-scenes'
import { certain } from '@tidy-reel/core/faults/certain'
import { filmBedPlan } from '@tidy-reel/core/film/music/bed-plan'
import type { Instrumentation, Mood } from '@tidy-reel/core/style/film-choices'
import { timeline } from '@tidy-reel/core/timeline/timeline'
import type { BedFacts } from '@tidy-reel/core/views/episode'
import { triedBed } from '@tidy-reel/engine/sound/monitor-bed'
import type { SpeechPlace } from '@tidy-reel/engine/speech/take'
import type { WorkPool } from '@tidy-reel/engine/threads/pool'
import { knownTakes } from './episode-view.ts'
import type { EpisodeActions } from './episodes.ts'

/** Music that is tried under a film before it is chosen. */
export interface TriedMusic {
  mood: Exclude<Mood, 'none'>
  instruments: Instrumentation | null
  /** Samples of the film it is heard from. */
  at: number
}

export const musicActions = (
  episodes: EpisodeActions,
  speech: () => SpeechPlace,
  folder: string,
  pool: WorkPool,
) => ({
  /** The sections from a place on, as that music would be for the whole of the film. */
  async tried(
    id: string,
    { mood, instruments, at }: TriedMusic,
    signal: AbortSignal,
  ): Promise<BedFacts> {
    const { document } = await episodes.find(id)
    const film = filmOf(document)
    const takes = await knownTakes(document, speech(), await episodes.pronunciations(id))
    const plan = timeline(
      film,
      film.scenes.map((scene) => takes.get(scene.id)),
      [30, 1],
    )
    return triedBed(
      folder,
      certain(filmBedPlan({ ...document, mood, score: { ...document.score, instruments } }, plan)),
      at,
      (order) => pool.run('sectionSound', { folder, order }, signal),
      signal,
    )
  },
})
export type MusicActions = ReturnType<typeof musicActions>
