import { itemAt } from '../faults/certain.ts'
import type { FileSource } from '../film/file-source.ts'
import { assDocument } from '../film/lettering/ass-document.ts'
import { frameOf } from '../film/lettering/frame.ts'
import type { Mark } from '../film/lettering/mark.ts'
import type { PlacedInlay } from '../film/placed-inlay.ts'
import { partedLetters } from '../film/shades.ts'
import {
  cardsOf,
  filmShots,
  type PictureRun,
  type PictureSource,
  type SegmentShot,
} from '../film/shots.ts'
import { type ShadeFrames, shadeFrames, type SoftShade } from '../film/soft-shade.ts'
import type { Cue, ShownWord } from '../film/subtitles/cues.ts'
import { cardMarks } from '../film/supers/card-marks.ts'
import type { PlacedSuper } from '../film/supers/places.ts'
import type { Framing } from '../pictures/framing.ts'
import type { ChosenItem } from '../pictures/item.ts'
import type { Lettering, Palette } from '../style/lettering.ts'
import { shortHash } from '../text/hash.ts'
import { frameAtSample, type FrameRate, SAMPLE_RATE, sampleAtFrame } from '../time/time.ts'
import type { Timeline, TimelineScene } from '../timeline/timeline.ts'

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
  /** Laid over them, later ones over earlier ones. */
  inlays: SegmentInlay[]
  /** Soft grounds of letters, laid over those. */
  shades: SegmentShade[]
  /** Of plain cards and of what layouts stand on. */
  palette: Palette
  /** Everything written on this piece; it begins at `LETTERS_LEAD_SECONDS`. */
  ass: string
  /** Name of the finished piece: equal for equal input, whatever the film around it. */
  hash: string
}

/** A picture laid over a segment: over its frames `[from, to)`. */
export interface SegmentInlay extends Omit<PlacedInlay, 'of' | 'start' | 'end'> {
  from: number
  to: number
}

/** A soft ground on a segment's own frames; one that began before it has a `from` under 0. */
export type SegmentShade = Pick<SoftShade, 'box' | 'blur' | 'colour' | 'opacity'> & ShadeFrames

/**
 * Changes whenever the encoder's arguments or the drawing change, so that old segments are not
 * taken for new.
 */
const RECIPE = 10

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
  inlays: readonly PlacedInlay[]
}

/**
 * Cuts a film into segments.
 *
 * @param usable tells whether an item's file is at hand; a scene without one gets a card with its
 *   words
 * @param lights what was measured of the pictures; without it they are framed by their middles
 */
export function renderPlan(
  timeline: Timeline,
  { lettering, cues, supers, inlays }: LetteredFilm,
  shape: FilmShape,
  usable: (item: ChosenItem) => boolean,
  lights: Framing['lights'] = new Map(),
): Segment[] {
  const shots = filmShots(timeline, usable, { aspect: shape.width / shape.height, lights })
  const frame = frameOf(shape.width, shape.height)
  const burnt = shape.burnIn ? cues : []
  const drawn = partedLetters({ cues: burnt, supers, lettering }, frame)
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
      cues: seenIn(burnt, from, to),
      marks: [...cards.map((mark) => shiftedBy(mark, LEAD)), ...seenIn(drawn.marks, from, to)],
    })
    const { palette } = lettering
    const { paper, light, ink } = palette
    const laid = inlays.filter(({ item }) => usable(item)).flatMap(laidOn(scene, shape.fps))
    const shades = drawn.shades.flatMap(shadeOn(scene, shape.fps))
    const recipe = {
      RECIPE,
      shots: seen.map(nameOf),
      paper: seen.some(showsPaper) ? paper : '',
      ...(seen.some(shows('panes')) ? { ground: [paper, light, ink] } : {}),
      ...(laid.length ? { inlays: laid.map(inlayName) } : {}),
      ...(shades.length ? { shades } : {}),
      ass,
      width: shape.width,
      height: shape.height,
      fps: shape.fps,
      first: n === 0,
    }
    const hash = shortHash(JSON.stringify(recipe))
    return [{ scene: n, frames, shots: seen, inlays: laid, shades, palette, ass, hash }]
  })
}

const shows =
  (kind: PictureSource['kind']) =>
  ({ source, lead }: SegmentShot) =>
    source.kind === kind || lead?.from.source.kind === kind

const showsPaper = (shot: SegmentShot) => shows('card')(shot) || shot.lead?.through === 'paper'

/** What is laid over a scene, on its own frames. */
const laidOn =
  ({ startFrame, endFrame }: TimelineScene, fps: FrameRate) =>
  ({ of: _, start, end, ...inlay }: PlacedInlay): SegmentInlay[] => {
    const from = Math.max(0, frameAtSample(start, fps) - startFrame)
    const to = Math.min(endFrame, frameAtSample(end, fps)) - startFrame
    return to > from ? [{ ...inlay, from, to }] : []
  }

/** A soft ground that is seen over a scene. */
const shadeOn =
  ({ startFrame, endFrame }: TimelineScene, fps: FrameRate) =>
  ({ box, blur, colour, opacity, ...timed }: SoftShade): SegmentShade[] => {
    const { from, to, coming, going } = shadeFrames(timed, fps)
    if (to <= startFrame || from >= endFrame || to <= from) return []
    const own = { from: from - startFrame, to: to - startFrame, coming, going }
    return [{ box, blur, colour, opacity, ...own }]
  }

const fileName = ({ id, source }: ChosenItem) => [id, source]
const inlayName = ({ item, ...rest }: SegmentInlay) => ({ ...rest, item: fileName(item) })

/** Kinds that were there before others keep their names. */
const leadName = (
  { kind, frames, through, way, from }: Lead,
  name: (run: PictureRun) => unknown,
) => [
  kind,
  frames,
  name(from),
  ...(through && through !== 'black' ? [through] : []),
  ...(way && way !== 'left' ? [way] : []),
]
type Lead = NonNullable<SegmentShot['lead']>

function nameOf({ lead, ...own }: SegmentShot): unknown {
  const named = (source: FileSource) => ({ ...source, item: fileName(source.item) })
  const name = ({ source, ...rest }: PictureRun) => {
    if (source.kind === 'card') return { ...rest, card: source.text }
    if (source.kind === 'panes')
      return { ...rest, layout: source.layout, panes: source.panes.map(named) }
    return { ...rest, ...named(source) }
  }
  return [name(own), ...(lead ? leadName(lead, name) : [])]
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
