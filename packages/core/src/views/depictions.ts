import type { ReadDepiction } from '../match/depictions.ts'

/** What a scene will show, as rules read it. */
export type DepictedScene = ReadDepiction & { sceneId: string }

/** What came of asking a service. */
export interface AskedDepictions {
  /** Scenes for which it offers something. */
  offered: number
  /** What did not come or was not taken, in words. */
  limits: string[]
}
