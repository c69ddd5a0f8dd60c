import { itemAt } from '../faults/certain.ts'
import { assDocument } from '../film/lettering/ass-document.ts'
import { frameOf } from '../film/lettering/frame.ts'
import type { Mark } from '../film/lettering/mark.ts'
import { cardsOf, filmShots, type PictureRun, type SegmentShot } from '../film/shots.ts'
import type { Cue, ShownWord } from '../film/subtitles/cues.ts'
import { cardMarks } from '../film/supers/card-marks.ts'
import type { PlacedSuper } from '../film/supers/places.ts'
import type { ChosenItem } from '../pictures/item.ts'
import type { Lettering } from '../style/lettering.ts'
import { shortHash } from '../text/hash.ts'
import { type FrameRate, SAMPLE_RATE, sampleAtFrame } from '../time/time.ts'
import type { Timeline } from '../timeline/timeline.ts'

export interface FilmShape {
  width: number
  height: number
  fps: FrameRate
  burnIn: boolean
}

/** A piece of the film that is encoded by itself and kept: one scene. */
export interface Segment {
  scene: number
  frames: number
  shots: SegmentShot[]
  /** Of plain cards, `#RRGGBB`. */
  paper: string
  /** Everything written on this piece; it begins at `LETTERS_LEAD_SECONDS`. */
  ass: string
  /** Name of the finished piece: equal for equal input, whatever the film around it. */
  hash: string
}

/**
 * Changes whenever the encoder's arguments or the drawing change, so that old segments are not
 * taken for new.
 */
const RECIPE = 7

/**
 * Where a segment begins on the clock of what is written on it, in seconds: so what came before the
 * segment and goes on in it keeps its own beginning, and with it its movement.
 */
export const LETTERS_LEAD_SECONDS = 400
const LEAD = LETTERS_LEAD_SECONDS * SAMPLE_RATE

/** What is written and drawn on a film, and how it looks. */
export interface LetteredFilm {
  lettering: Lettering
  cues: readonly Cue[]
  supers: readonly Pick<PlacedSuper, 'marks'>[]
}

/**
 * Cuts a film into segments.
 *
 * @param usable tells whether an item's file is at hand; a scene without one gets a card with its
 *   words
 */
export function renderPlan(
  timeline: Timeline,
  { lettering, cues, supers }: LetteredFilm,
  shape: FilmShape,
  usable: (item: ChosenItem) => boolean,
): Segment[] {
  const shots = filmShots(timeline, usable)
  const frame = frameOf(shape.width, shape.height)
  const drawn = supers.flatMap(({ marks }) => marks)
  return timeline.scenes.flatMap((scene, n): Segment[] => {
    const frames = scene.endFrame - scene.startFrame
    if (frames === 0) return []
    const from = sampleAtFrame(scene.startFrame, shape.fps)
    const to = sampleAtFrame(scene.endFrame, shape.fps)
    const seen = itemAt(shots, n)
    const cards = cardsOf(seen, shape.fps).flatMap((card) => cardMarks(card, lettering, frame))
    const ass = assDocument({
      width: shape.width,
      height: shape.height,
      lettering,
      cues: shape.burnIn ? seenIn(cues, from, to) : [],
      marks: [...cards.map((mark) => shiftedBy(mark, LEAD)), ...seenIn(drawn, from, to)],
    })
    const { paper } = lettering.palette
    const recipe = {
      RECIPE,
      shots: seen.map(nameOf),
      paper: seen.some(showsCard) ? paper : '',
      ass,
      width: shape.width,
      height: shape.height,
      fps: shape.fps,
      first: n === 0,
    }
    const hash = shortHash(JSON.stringify(recipe))
    return [{ scene: n, frames, shots: seen, paper, ass, hash }]
  })
}

const showsCard = ({ source, lead }: SegmentShot) =>
  source.kind === 'card' || lead?.from.source.kind === 'card'

function nameOf({ lead, ...own }: SegmentShot): unknown {
  const name = ({ source, ...rest }: PictureRun) =>
    source.kind === 'card'
      ? { ...rest, card: source.text }
      : { ...rest, ...source, item: [source.item.id, source.item.source] }
  return [name(own), ...(lead ? [lead.kind, lead.frames, name(lead.from)] : [])]
}

/** What is seen between two moments, on the segment's own clock. */
const seenIn = <T extends Cue | Mark>(events: readonly T[], from: number, to: number): T[] =>
  events
    .filter(({ start, end }) => end > from && start < to && start > from - LEAD)
    .map((event) => shiftedBy(event, LEAD - from))

function shiftedBy<T extends Cue | Mark>(event: T, by: number): T {
  const moved = { ...event, start: event.start + by, end: event.end + by }
  const words = 'words' in event ? event.words : undefined
  const shift = (word: ShownWord) => ({ ...word, start: word.start + by, end: word.end + by })
  return words ? { ...moved, words: words.map(shift) } : moved
}
