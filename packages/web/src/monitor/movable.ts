import type { Rect } from '@tidy-reel/core/film/lettering/frame'

/** Something on the picture that a person may put elsewhere; pixels of the film, samples. */
export interface MovableThing {
  kind: 'super' | 'inlay'
  sceneId: string
  /** Which of the scene's drawn words or laid pictures it is. */
  index: number
  text: string
  box: Rect
  start: number
  end: number
}

/** Where a person put something: its middle, in shares of the picture. */
export interface Moved extends Pick<MovableThing, 'kind' | 'sceneId' | 'index'> {
  across: number
  down: number
}
