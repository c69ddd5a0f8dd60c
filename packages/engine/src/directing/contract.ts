import type { SceneToMatch } from '@tidy-reel/core/match/scene-to-match'
import type { Depiction } from '@tidy-reel/core/pictures/depiction'

/** A film as somebody who is to say what it shows should know it. */
export interface FilmToDirect {
  title: string
  scenes: readonly Pick<SceneToMatch, 'text' | 'picture' | 'chapterTitle'>[]
}

export interface Directed {
  /** One a scene, in order; null where nothing usable came. */
  depictions: (Depiction | null)[]
  /** What did not come or was not taken, in words. */
  limits: string[]
}

/** What the engine needs of somebody who says what each scene of a film shows. */
export interface Director {
  /**
   * @throws TidyError `writer_unreachable`, `writer_refused`, `writer_answer_invalid` where nothing
   *   came at all; `cancelled`
   */
  depictions(film: FilmToDirect, signal: AbortSignal): Promise<Directed>
}
