import type { Film } from '../document/film-scenes.ts'
import { placeNames } from '../script/place-names.ts'
import { sampleAtFrame } from '../time/time.ts'
import type { Timeline } from '../timeline/timeline.ts'
import { placeInlays } from './inlays.ts'
import { legibilityOf, type SeenPictures } from './legible.ts'
import { type Frame, frameOf, grown } from './lettering/frame.ts'
import type { Atlas } from './maps/atlas.ts'
import { mapOffers } from './maps/map-offers.ts'
import { panesOf } from './panes.ts'
import { type PlacedInlay } from './placed-inlay.ts'
import { cueBox, cueStyle, groundOpacity } from './subtitles/cue-place.ts'
import type { Cue } from './subtitles/cues.ts'
import { filmCues, type Subtitled } from './subtitles/film-cues.ts'
import { subtitlesWhile } from './subtitles/subtitle-rooms.ts'
import { LAYERS } from './supers/pen.ts'
import { type PlacedSuper, placeSupers, type Placing } from './supers/places.ts'
import { filmSupers, lookOf } from './supers/supers.ts'

/** True where a film has a map or may take one by itself, and with it needs the world to draw it of. */
export const needsAtlas = ({ scenes, drawing }: Pick<Film, 'scenes' | 'drawing'>): boolean =>
  scenes.some(
    ({ directions, text }) =>
      directions.some(({ kind }) => kind === 'map') ||
      (drawing.dial !== 'none' && placeNames(text).length > 0),
  )

/** Everything written and drawn on a film of one shape, cards aside. */
export interface FilmLetters extends Placing {
  cues: Cue[]
  inlays: PlacedInlay[]
}

/** What letters are set by beside the film itself. */
export interface Surroundings {
  /** Where `needsAtlas` says so; without it maps are left out as unknown. */
  atlas?: Atlas | undefined
  /** Without them nothing is known of what letters stand on. */
  pictures?: SeenPictures | undefined
}

export function filmLetters(
  timeline: Timeline,
  film: Film,
  shape: { width: number; height: number },
  { atlas, pictures }: Surroundings = {},
): FilmLetters {
  const { lettering } = film
  const frame = frameOf(shape.width, shape.height)
  const cues = filmCues(timeline, film, shape)
  const subtitles = subtitlesWhile(timeline, film)
  const inlays = placeInlays(timeline, film, frame, subtitles)
  const laid = inlays.map(({ around, start, end }) => ({ box: around, start, end }))
  const about = atlas ? film.scenes.map(({ text }) => text).join(' ') : ''
  const supers = filmSupers(timeline, film, atlas && ((text) => mapOffers(atlas, text, about)))
  const placing = placeSupers(supers, {
    lettering,
    taken: [...laid, ...cornersTaken(timeline, film, frame)],
    frame,
    subtitles,
    atlas,
    about,
  })
  if (!pictures) return { cues, inlays, ...placing }
  const on = { timeline, film, pictures, frame }
  return {
    ...placing,
    inlays,
    cues: readableCues(cues, on),
    supers: placing.supers.map((one) => readableSuper(one, on)),
  }
}

/** Where pictures stand in a corner of others, for as long as they do. */
function cornersTaken(timeline: Timeline, { lettering }: Film, frame: Frame) {
  return timeline.scenes.flatMap(({ shots }) =>
    shots.flatMap(({ layout, startFrame, endFrame }) => {
      const { onPaper, panes } = layout
        ? panesOf(layout.kind, frame, lettering.palette)
        : { onPaper: true, panes: [] }
      const [, corner] = panes
      if (onPaper || !corner) return []
      const start = sampleAtFrame(startFrame, timeline.fps)
      const end = sampleAtFrame(endFrame, timeline.fps)
      return [{ box: grown(corner.box, corner.rims[0]?.reach ?? 0), start, end }]
    }),
  )
}

/** Pictures that letters stand on. */
interface Standing {
  timeline: Timeline
  film: Subtitled
  pictures: SeenPictures
  frame: Frame
}

/** Subtitles with how well each is read. */
export function readableCues(
  cues: readonly Cue[],
  { timeline, film, pictures, frame }: Standing,
): Cue[] {
  const { subtitle, palette } = film.lettering
  const colours = [
    subtitle.colour,
    ...(subtitle.spoken === 'colour' || subtitle.spoken === 'underline'
      ? [subtitle.spokenColour]
      : []),
  ]
  return cues.map((cue) => {
    const { start, end } = cue
    const box = cueBox(cue, cueStyle(cue, subtitle), frame)
    const letters = {
      ...{ box, start, end, colours },
      shade: subtitle.groundColour,
      opacity: groundOpacity(subtitle),
    }
    const legibility = legibilityOf(letters, timeline, pictures, palette, frame)
    return legibility ? { ...cue, legibility } : cue
  })
}

/** A super whose soft shade is as opaque as its pictures need it. */
function readableSuper(one: PlacedSuper, { timeline, film, pictures, frame }: Standing) {
  const { palette } = film.lettering
  const ground = one.marks.find(({ layer, blur }) => layer === LAYERS.ground && blur)
  if (lookOf(one, film.lettering).ground !== 'shade' || ground?.opacity === undefined) return one
  const colours = one.marks.flatMap(({ body, colour }) => (body.kind === 'text' ? [colour] : []))
  if (!colours.length) return one
  const letters = {
    box: one.box,
    start: one.start,
    end: one.end,
    colours: [...new Set(colours)],
    shade: palette.shade,
    opacity: ground.opacity,
  }
  const needed = legibilityOf(letters, timeline, pictures, palette, frame)
  if (!needed) return one
  const marks = one.marks.map((mark) =>
    mark === ground ? { ...mark, opacity: needed.shade } : mark,
  )
  return { ...one, marks }
}
