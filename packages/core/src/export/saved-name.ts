import type { Document } from '../document/document.ts'
import type { FilmShape } from '../render/plan.ts'
import { filled } from '../text/filled.ts'

/** What files are called where a style says nothing else. */
export const PLAIN_FILE_NAME = '{title}'
/** Letters of a name: what file systems take, with room for an ending. */
export const SAVED_NAME_LIMIT = 120

/** A film that was made, as far as its files' names tell of it. */
interface MadeFilm {
  shape: Pick<FilmShape, 'width' | 'height'>
  /** ISO 8601. */
  createdAt: string
}

/**
 * What a film's file is called where a person saves it, without its ending: as its house style
 * says; what is not the film or its subtitles is told apart by its own name.
 *
 * @param file of `FILM_FILES`
 * @example savedName(emptyDocument('Tides'), made, 'shots.csv') // => 'Tides shots'
 */
export function savedName(
  { style, title, channel }: Pick<Document, 'style' | 'title' | 'channel'>,
  { shape, createdAt }: MadeFilm,
  file: string,
): string {
  const [own = ''] = file.split('.')
  const rest = own === 'film' ? '' : ` ${own}`
  const name = filled(style.files ?? PLAIN_FILE_NAME, {
    title,
    channel,
    date: createdAt.slice(0, 10),
    size: `${shape.width}x${shape.height}`,
  })
  const kept = [...name.trim()].slice(0, SAVED_NAME_LIMIT - rest.length).join('')
  return `${kept.trim()}${rest}`
}
