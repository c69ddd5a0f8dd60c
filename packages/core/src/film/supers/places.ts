import { itemAt } from '../../faults/certain.ts'
import type { Place } from '../../pictures/place.ts'
import type { Lettering } from '../../style/lettering.ts'
import { isRightToLeft } from '../lettering/ass-text.ts'
import { foot, type Frame, grown, overlaps, type Rect, right, within } from '../lettering/frame.ts'
import { type Mark, moved } from '../lettering/mark.ts'
import { boxAround, boxAt, roomAt, roomFor } from '../lettering/rooms.ts'
import { ring, stroke } from '../lettering/shapes.ts'
import { type Atlas, type MapContent, placesCalled } from '../maps/atlas.ts'
import { placed } from '../subtitles/cue-place.ts'
import { roomsWhile, type SubtitlesWhile } from '../subtitles/subtitle-rooms.ts'
import { drawnBlock } from './blocks.ts'
import { spotlightMark } from './mark-block.ts'
import { drawnShape, LAYERS, type Pen } from './pen.ts'
import { lookOf, spokenAt, type Super } from './supers.ts'

/** A super where it stands. */
export interface PlacedSuper extends Super {
  marks: Mark[]
  box: Rect
}

/** What stands on a picture, and what found no room there. */
export interface Placing {
  supers: PlacedSuper[]
  crowded: Super[]
  /** Maps of places that nobody knows. */
  unknown: Super[]
}

/** Where supers stand, and what they are drawn of. */
export interface PlacedOn {
  lettering: Lettering
  frame: Frame
  /** Where subtitles stand while; left out, where the film's do. */
  subtitles?: SubtitlesWhile
  /** What stands there already. */
  taken?: readonly { box: Rect; start: number; end: number }[]
  /** Left out, no map is drawn. */
  atlas?: Atlas | undefined
  /** The film's own words: of two places of one name it means the one it speaks of. */
  about?: string
}

/** Tried one after another where a super does not fit. */
const SCALES = [1, 0.86, 0.74, 0.62, 0.52, 0.43, 0.35, 0.28]
/** Between two supers that are seen at once, in pixels of a picture 1,080 high. */
const APART = 16

/**
 * Finds a place for every super: the one its look has, else the next where it is covered by no
 * other and covers no subtitle; smaller where it must be.
 *
 * Subtitles keep their room whether or not one stands there: nothing jumps when they come and go.
 */
export function placeSupers(supers: readonly Super[], on: PlacedOn): Placing {
  const placing: Placing = { supers: [], crowded: [], unknown: [] }
  for (const one of [...supers].sort(inTurn)) {
    // Shapes may lie over each other: a ring in a spotlight.
    const before = isMark(one) ? placing.supers.filter((other) => !isMark(other)) : placing.supers
    const beside = [...before, ...(on.taken ?? [])].filter(
      ({ start, end }) => start < one.end && one.start < end,
    )
    const map = mapOf(one, on)
    if (one.drawn.form === 'map' && !map) {
      placing.unknown.push(one)
      continue
    }
    const rooms = roomsWhile(one, on)
    const found = placeOne(one, beside, rooms, { ...on, map })
    if (found) placing.supers.push(found)
    else placing.crowded.push(one)
  }
  return placing
}

const isMark = ({ drawn }: Super) => drawn.form === 'mark'

/** What marks a part of the picture goes first: anything else may stand elsewhere. */
const inTurn = (a: Super, b: Super) =>
  Number(isMark(b)) - Number(isMark(a)) || a.start - b.start || a.end - b.end

/** What a map shows; undefined for everything else, and where one of its places is not known. */
function mapOf({ drawn }: Super, { atlas, about = '' }: PlacedOn): MapContent | undefined {
  if (drawn.form !== 'map' || !atlas) return undefined
  const places = drawn.places.map((name) => placesCalled(atlas, name, about)[0])
  return places.every((place) => place !== undefined) ? { atlas, places } : undefined
}

type Drawing = PlacedOn & { map: MapContent | undefined }

function placeOne(
  one: Super,
  beside: readonly Pick<PlacedSuper, 'box'>[],
  rooms: readonly Rect[],
  on: Drawing,
): PlacedSuper | undefined {
  const { lettering, frame } = on
  const taken = beside.map(({ box }) => grown(box, APART * frame.unit))
  const target = one.drawn.form === 'point' ? one.drawn : undefined
  const spot = typeof one.place === 'object' ? one.place : undefined
  const order = placesFor(one, lettering)
  for (const scale of SCALES)
    for (const [i, place] of order.entries()) {
      const { row } = placed(place)
      // Where a person put it, in the room that spot lies in; else in the place's own.
      const at = spot && i === 0 ? spot : undefined
      const room = at ? roomAt(at.down * frame.height, rooms) : roomFor(row, rooms)
      const pen = penFor(one, place, scale, room, on)
      const block = drawnBlock(pen, one.drawn)
      if (block.width > room.width + 0.01 || block.height > room.height + 0.01) continue
      const box = at ? boxAround(block, at, room, frame) : boxAt(block, place, room)
      if (taken.some((other) => overlaps(box, other))) continue
      const marks =
        one.drawn.form === 'mark' && one.drawn.kind === 'spotlight'
          ? [spotlightMark(pen, box, frame)]
          : moved(block.marks, box.x, box.y)
      return target
        ? { ...one, marks: [...pointing(pen, target, box, frame), ...marks], box }
        : { ...one, marks, box }
    }
  return undefined
}

function penFor(
  one: Super,
  place: Place,
  asked: number,
  room: Rect,
  { lettering, frame: { unit, isUpright }, map }: Drawing,
): Pen {
  const { start, end, words } = one
  const own = lookOf(one, lettering)
  // An upright picture is held in a hand: what is drawn on it is larger against its width.
  const scale = asked * (isUpright ? 1.25 : 1)
  const pad = own.ground === 'plate' ? 2 * (14 * unit + own.size * 1080 * unit * scale * 0.22) : 0
  return {
    look: own,
    palette: lettering.palette,
    unit,
    scale,
    widest: Math.max(unit, room.width - pad - 2 * own.size * 1080 * unit * scale * 0.03),
    tallest: room.height,
    align: placed(place).side,
    start,
    end,
    ...(map ? { map } : {}),
    ...(one.voice ? { voice: one.voice } : {}),
    spokenAt: (text) => spokenAt(words, text),
  }
}

/** What is read from the right stands there. */
function mirrored(place: Place, text: string): Place {
  if (!isRightToLeft(text)) return place
  if (place.endsWith('left')) return place.replace('left', 'right') as Place
  return place.replace('right', 'left') as Place
}

const ALL: readonly Place[] = [
  'head-left',
  'head',
  'head-right',
  'left',
  'middle',
  'right',
  'foot-left',
  'foot',
  'foot-right',
]

/** Places in the order they are tried: the person's own first, else the look's. */
function placesFor(one: Super, lettering: Lettering): Place[] {
  const { place, drawn, text } = one
  if (typeof place === 'string') return placesFrom(place)
  // A mark that stood elsewhere would mark something else.
  if (place) return [nearestPlace(place), ...(drawn.form === 'mark' ? [] : nearPlaces(place))]
  if (drawn.form === 'mark') return placesFrom('middle')
  return drawn.form === 'point'
    ? nearPlaces(drawn)
    : placesFrom(mirrored(lookOf(one, lettering).place, text))
}

/** The place whose row and side a spot lies in. */
function nearestPlace({ across, down }: { across: number; down: number }): Place {
  const third = (share: number) => Math.min(2, Math.floor(share * 3))
  return itemAt(ALL, third(down) * 3 + third(across))
}

/** All places, the nearest to the wanted one first: the same side before the same row. */
function placesFrom(place: Place): Place[] {
  const { row, side } = placed(place)
  const far = (other: Place) => {
    const at = placed(other)
    return (at.side === side ? 0 : 2) + (at.row === row ? 0 : 1)
  }
  return [place, ...ALL.filter((other) => other !== place).sort((a, b) => far(a) - far(b))]
}

/** Places that leave what is pointed at free, the nearest first. */
function nearPlaces({ across, down }: { across: number; down: number }): Place[] {
  const at: Record<string, [number, number]> = Object.fromEntries(
    ALL.map((place, i) => [
      place,
      [[0.15, 0.5, 0.85][i % 3], [0.12, 0.42, 0.7][Math.floor(i / 3)]],
    ]),
  ) as Record<string, [number, number]>
  const far = (place: Place) => {
    const [x, y] = at[place] ?? [0, 0]
    const distance = Math.hypot(x - across, y - down)
    return distance < 0.28 ? 2 - distance : distance
  }
  return [...ALL].sort((a, b) => far(a) - far(b))
}

/** A ring around the place, and a line from it to the label. */
function pointing(
  pen: Pen,
  { across, down }: { across: number; down: number },
  label: Rect,
  frame: Frame,
): Mark[] {
  const { unit } = pen
  const radius = 34 * unit
  const { safe } = frame
  const x = within(across * frame.width, safe.x + radius, right(safe) - radius)
  const y = within(down * frame.height, safe.y + radius, foot(safe) - radius)
  const near: [number, number] = [within(x, label.x, right(label)), within(y, label.y, foot(label))]
  const distance = Math.hypot(near[0] - x, near[1] - y)
  const around = ring(radius, 7 * unit, 1)
  const colour = pen.palette.light
  const edge = { colour: pen.palette.shade, width: 1.5 * unit }
  const circle = drawnShape(pen, around, { x: x - radius, y: y - radius }, { colour, edge })
  if (distance <= radius) return [circle]
  const out: [number, number] = [
    x + ((near[0] - x) / distance) * radius,
    y + ((near[1] - y) / distance) * radius,
  ]
  const line = stroke(out, near, 6 * unit)
  return [
    circle,
    drawnShape(pen, line, { x: line.x, y: line.y }, { colour, edge, layer: LAYERS.shape }),
  ]
}
