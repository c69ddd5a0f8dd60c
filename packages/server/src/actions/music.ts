import type { Readable } from 'node:stream'
import type { z } from 'zod'
import { type Film, filmOf } from '@tidy-reel/core/document/film-scenes'
import type { OrderedSection } from '@tidy-reel/core/film/music/bed-plan'
import { filmMusic } from '@tidy-reel/core/film/music/film-music'
import type { OwnMusic } from '@tidy-reel/core/film/music/own/own-music'
import type { Instrumentation, Mood } from '@tidy-reel/core/style/film-choices'
import { timeline } from '@tidy-reel/core/timeline/timeline'
import type { BedFacts } from '@tidy-reel/core/views/episode'
import type { MusicPlace } from '@tidy-reel/engine/sound/bed'
import { triedBed } from '@tidy-reel/engine/sound/monitor-bed'
import {
  changeMusic,
  ownMusic,
  type OwnMusicWords,
  ownShelf,
  removeMusic,
  takeMusic,
} from '@tidy-reel/engine/sound/music/own-music'
import type { Cutting } from '@tidy-reel/engine/sound/music/own-sound'
import type { SpeechPlace } from '@tidy-reel/engine/speech/take'
import type { WorkPool } from '@tidy-reel/engine/threads/pool'
import { knownTakes } from './episode-view.ts'
import type { EpisodeActions } from './episodes.ts'

/** Music that is tried under a film before it is chosen. */
export interface TriedMusic {
  mood: Exclude<Mood, 'none'>
  instruments: Instrumentation | null
  /** Played in place of music that is made. */
  own: string | null
  /** Samples of the film it is heard from. */
  at: number
}

/** A film whose script says nothing of its music. */
const unasked = (film: Film): Film => ({
  ...film,
  scenes: film.scenes.map((scene) => ({
    ...scene,
    directions: scene.directions.filter(({ kind }) => kind !== 'music'),
  })),
})

export function musicActions(
  episodes: EpisodeActions,
  speech: () => SpeechPlace,
  place: MusicPlace,
  pool: WorkPool,
) {
  const { beds: folder, music: own } = place
  return {
    /** What is played from a place on, as that music would be for the whole of the film. */
    async tried(
      id: string,
      { mood, instruments, own: ownId, at }: TriedMusic,
      signal: AbortSignal,
    ): Promise<BedFacts | null> {
      const { document } = await episodes.find(id)
      const film = unasked(filmOf(document))
      const takes = await knownTakes(document, speech(), await episodes.pronunciations(id))
      const plan = timeline(
        film,
        film.scenes.map((scene) => takes.get(scene.id)),
        [30, 1],
      )
      const asked = { ...document, mood, score: { ...document.score, instruments, own: ownId } }
      const { music } = filmMusic(asked, film, plan, await ownShelf(own))
      // What takes a while is done in threads: others are answered meanwhile.
      const making = {
        signal,
        play: (order: OrderedSection) => pool.run('sectionSound', { folder, order }, signal),
        cut: (asked: Cutting) => pool.run('cutMusic', asked, signal),
      }
      return music ? triedBed(place, music, at, making) : null
    },
    list: (): Promise<OwnMusic[]> => ownMusic(own),
    take: (name: string, bytes: Readable, signal?: AbortSignal) =>
      takeMusic(
        own,
        { name, bytes },
        {
          listen: (asked) => pool.run('listenTo', asked, signal),
          notes: (file) => pool.run('midiNotes', { file }, signal),
        },
        signal,
      ),
    change: (id: string, said: z.infer<typeof OwnMusicWords>) => changeMusic(own, id, said),
    remove: (id: string) => removeMusic(own, id),
  }
}
export type MusicActions = ReturnType<typeof musicActions>
