import type { Document, OfferedDepiction } from '@tidy-reel/core/document/document'
import { isTaken } from '@tidy-reel/core/document/film-scenes'
import type { ParsedScript } from '@tidy-reel/core/script/parse'
import type { DepictedScene } from '@tidy-reel/core/views/depictions'

/** A scene with what it will show. */
export interface ShownRow {
  id: string
  /** Its place in the script, from 1. */
  number: number
  /** The chapter that begins here. */
  heading?: string
  text: string
  /** What is asked for in the script; empty where nothing is. */
  asked: string
  /** What rules read from the scene; undefined while that is not known. */
  read?: DepictedScene
  /** What a service would show, where that is not what the script asks for already. */
  offered?: OfferedDepiction
}

/** One row a scene of the film, in order. */
export function shownRows(
  { scenes }: Pick<Document, 'scenes'>,
  { scenes: parsed, chapters }: ParsedScript,
  read: readonly DepictedScene[],
): ShownRow[] {
  const known = new Map(read.map((one) => [one.sceneId, one]))
  let chapter = -1
  return scenes.flatMap(({ id, text, hidden, depiction }, i): ShownRow[] => {
    const said = parsed[i]
    if (hidden || !said) return []
    const heading = said.chapter === chapter ? undefined : chapters[said.chapter]?.title
    chapter = said.chapter
    const reading = known.get(id)
    const offer =
      depiction?.text === text && !isTaken(depiction, said.directions) ? depiction : undefined
    const asked = said.directions.flatMap((one) => (one.kind === 'picture' ? [one.text] : []))
    return [
      {
        id,
        number: i + 1,
        text,
        asked: asked.join('. '),
        ...(heading ? { heading } : {}),
        ...(reading ? { read: reading } : {}),
        ...(offer ? { offered: offer } : {}),
      },
    ]
  })
}
