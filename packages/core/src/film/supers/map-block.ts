import { contrast, mixed, VISIBLE } from '../../style/contrast.ts'
import { type Rect, within } from '../lettering/frame.ts'
import type { Mark } from '../lettering/mark.ts'
import { ascentOf, textWidth } from '../lettering/measure.ts'
import {
  area,
  disc,
  type Point,
  rectangle,
  ring,
  type Shape,
  stroked,
} from '../lettering/shapes.ts'
import type { AtlasPlace, MapContent } from '../maps/atlas.ts'
import { type MapView, mapView } from '../maps/map-view.ts'
import { type Block, drawnShape, LAYERS, letters, type Pen, samplesOf, typeOf } from './pen.ts'

/** A map as wide as this where there is room, of a picture whose shorter side has 1,080. */
const WIDEST = 860
/** Height against width. */
const FORM = 0.64
/** Larger by so much over the whole time it is seen. */
const PUSH = 1.08
/** The way is drawn in so many pieces, over so many ms. */
const PIECES = 24
const ROUTE_MS = 1600

/** A map on paper of its own, with its places named. */
export function mapBlock(pen: Pen, { atlas, places }: MapContent): Block {
  const width = Math.min(pen.widest, WIDEST * pen.unit * pen.scale)
  const height = Math.min(width * FORM, pen.tallest)
  const frame: Rect = { x: 0, y: 0, width, height }
  const view = mapView(atlas, places, { width, height })
  const { paper, ink } = pen.palette
  const first = firstSeen(pen)
  const push = {
    ...pushedFrom(view, frame),
    by: PUSH,
    ms: Math.round(((pen.end - pen.start) * 1000) / samplesOf(1000)),
  }
  const grows = (
    shape: (Shape & { x: number; y: number }) | undefined,
    colour: string,
    own: Partial<Mark> = {},
  ): Mark[] =>
    shape
      ? [
          drawnShape(
            pen,
            shape,
            { x: shape.x, y: shape.y },
            { layer: LAYERS.ground, colour, push, within: frame, ...own },
          ),
        ]
      : []
  const line = Math.max(1, 1.6 * pen.unit)
  return {
    width,
    height,
    marks: [
      drawnShape(
        pen,
        rectangle(width, height),
        { x: 0, y: 0 },
        { layer: LAYERS.ground, colour: mixed(paper, ink, 0.16), isGround: true },
      ),
      ...grows(area(view.land), mixed(paper, ink, 0.03)),
      ...grows(area(view.meant), mixed(paper, first, first === ink ? 0.22 : 0.42)),
      ...grows(stroked(view.borders, line), mixed(paper, ink, 0.34)),
      ...route(pen, view, push, frame),
      ...places.flatMap((place, i) => named(pen, place, view, i, push, frame)),
    ],
  }
}

/** The middle between the places: what is meant stays where it is seen. */
function pushedFrom({ points }: MapView, { width, height }: Rect) {
  const sum = (at: 0 | 1) => points.reduce((all, point) => all + point[at], 0) / points.length
  return points.length ? { x: sum(0), y: sum(1) } : { x: width / 2, y: height / 2 }
}

/** The accent, or the ink where a map's paper is of the accent's own colour. */
const firstSeen = ({ palette: { accent, paper, ink } }: Pen) =>
  contrast(accent, paper) >= VISIBLE ? accent : ink

function route(pen: Pen, view: MapView, push: NonNullable<Mark['push']>, frame: Rect): Mark[] {
  const points = evenly(view.route, PIECES)
  return points.slice(1).flatMap((point, i): Mark[] => {
    const from = points[i] ?? point
    const shape = stroked([[from, point]], 6 * pen.unit)
    if (!shape) return []
    return [
      drawnShape(
        pen,
        shape,
        { x: shape.x, y: shape.y },
        {
          colour: firstSeen(pen),
          comesMs: Math.round((ROUTE_MS * i) / PIECES),
          push,
          within: frame,
          fade: { inMs: 0, outMs: 400 },
        },
      ),
    ]
  })
}

/** A line in pieces of one length. @returns `[]` for no line */
function evenly(points: readonly Point[], pieces: number): Point[] {
  const lengths = points.map(([x, y], i) => {
    const [px, py] = points[i - 1] ?? [x, y]
    return Math.hypot(x - px, y - py)
  })
  const whole = lengths.reduce((sum, length) => sum + length, 0)
  if (!whole) return []
  return Array.from({ length: pieces + 1 }, (_, n) => {
    let left = (whole * n) / pieces
    for (let i = 1; i < points.length; i++) {
      const [[ax, ay], [bx, by], length] = [points[i - 1]!, points[i]!, lengths[i]!]
      if (left <= length || i === points.length - 1) {
        const part = length ? Math.min(1, left / length) : 0
        return [ax + (bx - ax) * part, ay + (by - ay) * part] as const
      }
      left -= length
    }
    return [0, 0] as const
  })
}

/** A place's point and its name beside it, on the side that has room and is not another place's. */
function named(
  pen: Pen,
  { name, at }: AtlasPlace,
  { points }: MapView,
  i: number,
  push: NonNullable<Mark['push']>,
  frame: Rect,
): Mark[] {
  const [x, y] = points[i] ?? [0, 0]
  const other = points[1 - i]
  const type = typeOf(pen, points.length > 1 ? 0.34 : 0.42)
  const fits = Math.min(1, (frame.width * 0.86) / textWidth(name, type))
  const set = { ...type, size: type.size * fits }
  const width = textWidth(name, set)
  const radius = 9 * pen.unit
  const isArea = 'type' in at
  const gap = isArea ? 0 : radius * 2
  const isLeft = other ? x < other[0] : false
  const hasRoom = isLeft ? x - gap - width > 0 : x + gap + width < frame.width
  const beside = isLeft ? x - gap - width : x + gap
  const isAbove = other ? y < other[1] : true
  const place = (): { left: number; top: number } => {
    if (isArea) return { left: x - width / 2, top: y - set.size / 2 }
    if (hasRoom) return { left: beside, top: y - ascentOf(set) * 0.66 }
    return { left: x - width / 2, top: isAbove ? y - gap - set.size : y + gap * 0.6 }
  }
  const margin = set.size * 0.3
  const { left, top } = place()
  const label = letters(
    { ...pen, align: 'left', look: { ...pen.look, ground: 'plate', comes: 'fade' } },
    { lines: [pen.look.capitals ? name.toLocaleUpperCase() : name], type: set },
    within(left, margin, frame.width - width - margin),
    within(top, margin * 0.4, frame.height - set.size - margin * 0.4),
    width,
  ).map((mark): Mark => ({
    ...mark,
    edge: { colour: mixed(pen.palette.paper, pen.palette.ink, 0.03), width: set.size * 0.07 },
    within: frame,
    ...(other ? { push } : {}),
  }))
  if (isArea) return label
  const spot = (shape: Shape, size: number, colour: string): Mark =>
    drawnShape(pen, shape, { x: x - size, y: y - size }, { colour, layer: LAYERS.letters })
  const around = ring(radius * 1.75, radius * 0.3, 1)
  return [
    { ...spot(disc(radius), radius, firstSeen(pen)), ...(other ? {} : { pop: true as const }) },
    { ...spot(around, radius * 1.75, pen.palette.ink), fade: { inMs: 700, outMs: 400 } },
    ...label,
  ].map((mark) =>
    mark.body.kind === 'shape' ? { ...mark, within: frame, ...(other ? { push } : {}) } : mark,
  )
}
