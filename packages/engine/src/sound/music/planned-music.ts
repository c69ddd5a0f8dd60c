import type { Document } from '@tidy-reel/core/document/document'
import { type Film, sceneNumber } from '@tidy-reel/core/document/film-scenes'
import { type FilmMusic, filmMusic, type UnmetMusic } from '@tidy-reel/core/film/music/film-music'
import type { Timeline } from '@tidy-reel/core/timeline/timeline'
import { ownShelf } from './own-music.ts'

/** The music of a film, and what of its script nothing fits. */
export interface PlannedMusic {
  /** Undefined where there is none at all. */
  music: FilmMusic | undefined
  unmet: UnmetMusic[]
  /** What a person should know, in words. */
  remarks: string[]
}

/** Plans a film's music with what a person has of their own. */
export async function plannedMusic(
  { music: folder }: { music: string },
  document: Pick<Document, 'mood' | 'title' | 'score'>,
  film: Pick<Film, 'scenes'>,
  plan: Timeline,
): Promise<PlannedMusic> {
  const shelf = await ownShelf(folder)
  const { music, unmet } = filmMusic(document, film, plan, shelf)
  const { own } = document.score
  return {
    music,
    unmet,
    remarks: [
      ...unmet.map(
        ({ sceneId, words }) => `Scene ${sceneNumber(film, sceneId)}: no music fits “${words}”.`,
      ),
      ...(own !== null && !shelf.byId(own)
        ? ['The music that was chosen for the film is gone; other music is played.']
        : []),
    ],
  }
}
