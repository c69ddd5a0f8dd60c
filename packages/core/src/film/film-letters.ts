import type { Film } from '../document/film-scenes.ts'
import type { Timeline } from '../timeline/timeline.ts'
import { frameOf } from './lettering/frame.ts'
import type { Cue } from './subtitles/cues.ts'
import { filmCues } from './subtitles/film-cues.ts'
import { placeSupers, type Placing } from './supers/places.ts'
import { filmSupers } from './supers/supers.ts'

/** Everything written and drawn on a film of one shape, cards aside. */
export interface FilmLetters extends Placing {
  cues: Cue[]
}

export function filmLetters(
  timeline: Timeline,
  film: Film,
  shape: { width: number; height: number },
): FilmLetters {
  const { lettering } = film
  return {
    cues: filmCues(timeline, film, shape),
    ...placeSupers(filmSupers(timeline, film), lettering, frameOf(shape.width, shape.height)),
  }
}
