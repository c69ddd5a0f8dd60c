import { filmOf } from '@tidy-reel/core/document/film-scenes'
import { itemAt } from '@tidy-reel/core/faults/certain'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { LEAST_SHOWN } from '@tidy-reel/core/match/rhythm'
import type { SceneToMatch } from '@tidy-reel/core/match/scene-to-match'
import { sceneSeconds } from '@tidy-reel/core/timeline/timeline'
import type { AskedDepictions, DepictedScene } from '@tidy-reel/core/views/depictions'
import type { EngineConfig } from '@tidy-reel/engine/config'
import { withFinds } from '@tidy-reel/engine/directing/found-for'
import { pictureLibrary } from '@tidy-reel/engine/stock/library'
import { scenesToMatch } from '@tidy-reel/engine/stock/match-film'
import type { WorkPool } from '@tidy-reel/engine/threads/pool'
import type { Episode } from '../db/models.ts'
import type { EpisodeActions } from './episodes.ts'
import type { LibraryActions } from './library.ts'
import type { WritingActions } from './writing.ts'

/** What a film will show, as rules read it and as a service would have it. */
export function depictionActions(
  episodes: EpisodeActions,
  writing: WritingActions,
  library: LibraryActions,
  pool: WorkPool,
  engine: EngineConfig,
) {
  return {
    /** What matching will look for, scene by scene; cards show nothing. */
    async read(id: string): Promise<DepictedScene[]> {
      const { document } = await episodes.find(id)
      const { all, shown } = scenesOf(document)
      const { senses } = document.matching
      const read = await pool.run(
        'readDepictions',
        { scenes: all, title: document.title, senses },
        new AbortController().signal,
      )
      return shown.map(({ id: sceneId, i }) => ({ sceneId, ...itemAt(read, i) }))
    },
    /**
     * Asks the service what every scene shows and keeps its answers with the document, as offers.
     *
     * @throws TidyError `director_missing` and what the director throws
     */
    async ask(id: string, signal: AbortSignal): Promise<AskedDepictions> {
      const { document, revision } = await episodes.find(id)
      const director = await writing.director()
      if (!director) throw new TidyError('director_missing')
      const { all, shown } = scenesOf(document)
      const scenes = shown.map(({ i }) => itemAt(all, i))
      const { depictions, limits } = await director.depictions(
        { title: document.title, scenes },
        signal,
      )
      const isShort = (k: number) => itemAt(scenes, k).seconds < LEAST_SHOWN
      const long = depictions.map((depiction, k) => (isShort(k) ? null : depiction))
      const short = depictions.filter((depiction, k) => depiction && isShort(k)).length
      const checked = await withFinds(long, pictureLibrary(engine, library.shelf()), signal)
      const offers = shown.flatMap(({ id: sceneId, text }, k) => {
        const depiction = checked[k]
        return depiction ? [{ sceneId, text, depiction }] : []
      })
      if (offers.length)
        await episodes.command(id, revision, { type: 'offerDepictions', scenes: offers })
      const told = short
        ? [`Left out: ${short} too short for a picture of their own; the one before goes on there.`]
        : []
      return { offered: offers.length, limits: [...limits, ...told] }
    },
  }
}
export type DepictionActions = ReturnType<typeof depictionActions>

/** All scenes of the film as matching reads them, and which of them show pictures. */
function scenesOf(document: Episode['document']): {
  all: SceneToMatch[]
  shown: { id: string; text: string; i: number }[]
} {
  const film = filmOf(document)
  const seconds = sceneSeconds(film.scenes, film.speed, film.pauses)
  return {
    all: scenesToMatch(film, seconds),
    shown: film.scenes.flatMap(({ id, text, card }, i) =>
      card === undefined ? [{ id, text, i }] : [],
    ),
  }
}
