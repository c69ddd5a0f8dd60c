/** Documents of films for tests, their pictures chosen. */
import { apply } from '@tidy-reel/core/document/apply'
import { type Document, emptyDocument } from '@tidy-reel/core/document/document'
import { item } from './lying-library.ts'

/** @param ids of each scene its picture, `clip…` a clip; null for a card */
export function shownDocument(script: string, ids: readonly (string | null)[]): Document {
  const { document } = apply(
    { ...emptyDocument('A film; with = signs'), mood: 'calm' },
    { type: 'setScript', script },
  )
  const scenes = document.scenes.map(({ id, text }, i) => ({
    sceneId: id,
    text,
    items: ids[i] ? [item(ids[i], ids[i].startsWith('clip') ? 'clip' : 'photo')] : [],
  }))
  return apply(document, { type: 'placeShots', scenes }).document
}
