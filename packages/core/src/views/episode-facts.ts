import type { Document } from '../document/document.ts'
import { filmOf } from '../document/film-scenes.ts'
import { wordsOf } from '../text/written-words.ts'
import { sceneSeconds } from '../timeline/timeline.ts'

/** What a list of episodes shows of one, kept beside its document. */
export interface EpisodeFacts {
  title: string
  scenes: number
  words: number
  /** Estimated length of the film. */
  seconds: number
  /** Whether any scene has a picture. */
  matched: boolean
  /** Id of the first picture; null while there is none. */
  picture: string | null
}

/** @returns no scenes, words and seconds for an empty script */
export function episodeFacts(document: Document): EpisodeFacts {
  const { scenes, speed, pauses } = filmOf(document)
  const pictures = document.scenes.flatMap(({ shots }) =>
    shots.flatMap(({ item }) => (item ? [item.id] : [])),
  )
  return {
    title: document.title,
    scenes: scenes.length,
    words: scenes.reduce((sum, { text }) => sum + wordsOf(text).length, 0),
    seconds: sceneSeconds(scenes, speed, pauses).reduce((sum, seconds) => sum + seconds, 0),
    matched: document.scenes.some(({ shots }) => shots.length > 0),
    picture: pictures[0] ?? null,
  }
}
