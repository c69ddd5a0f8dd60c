import type { Film } from '../document/film-scenes.ts'
import type { Timeline } from '../timeline/timeline.ts'
import { frameOf } from './lettering/frame.ts'
import type { Atlas } from './maps/atlas.ts'
import type { Cue } from './subtitles/cues.ts'
import { filmCues } from './subtitles/film-cues.ts'
import { placeSupers, type Placing } from './supers/places.ts'
import { filmSupers } from './supers/supers.ts'

/** True where a film has a map, and with it needs the world to draw it of. */
export const needsAtlas = ({ scenes }: Pick<Film, 'scenes'>): boolean =>
  scenes.some(({ directions }) => directions.some(({ kind }) => kind === 'map'))

/** Everything written and drawn on a film of one shape, cards aside. */
export interface FilmLetters extends Placing {
  cues: Cue[]
}

/** @param atlas where `needsAtlas` says so; without it maps are left out as unknown */
export function filmLetters(
  timeline: Timeline,
  film: Film,
  shape: { width: number; height: number },
  atlas?: Atlas,
): FilmLetters {
  const { lettering } = film
  return {
    cues: filmCues(timeline, film, shape),
    ...placeSupers(filmSupers(timeline, film), {
      lettering,
      frame: frameOf(shape.width, shape.height),
      atlas,
      about: atlas ? film.scenes.map(({ text }) => text).join(' ') : '',
    }),
  }
}
