import { readDepiction } from '../pictures/depiction.ts'
import type { Direction } from './parse.ts'

/** What the picture directions of a scene ask for together. */
export interface PictureAsked {
  /** What is to be seen; empty where nothing is asked for. */
  see: string
  /** What no picture of it may show. */
  not: string[]
}

export function pictureAsked(directions: readonly Direction[]): PictureAsked {
  const asked = directions.flatMap((one) =>
    one.kind === 'picture' ? [readDepiction(one.text)] : [],
  )
  return {
    see: asked.flatMap(({ see }) => see || []).join('. '),
    not: asked.flatMap(({ not }) => not),
  }
}
