import type { DrawnMark } from '../../script/drawn.ts'
import type { Frame, Rect } from '../lettering/frame.ts'
import { type Mark, moved } from '../lettering/mark.ts'
import { arrow, frameShape, pierced, rectangle, ring } from '../lettering/shapes.ts'
import { accentOf, type Block, drawnShape, LAYERS, type Pen, samplesOf } from './pen.ts'

/** Of lines, in pixels of a picture 1,080 high. */
const STROKE = 9
/** A ring is drawn, a line grows, for so long. */
const DRAW_MS = 520
const STEPS = 13
/** A marker lets through what it marks. */
const MARKER = 0.5

/** A shape that marks a part of the picture; of a spotlight, the part that stays light. */
export function markBlock(pen: Pen, drawn: DrawnMark): Block {
  const { unit, scale } = pen
  const side = (share: number) => share * 1080 * unit * scale
  const [width, height] = [side(drawn.width), side(drawn.height)]
  const stroke = STROKE * unit
  const edge = { colour: pen.palette.shade, width: 2 * unit }
  const colour = accentOf(pen)
  switch (drawn.kind) {
    case 'ring': {
      // The points that bend a ring's arcs lie a little outside it.
      const rim = edge.width + width * 0.02
      const marks = drawnRing(pen, width / 2, stroke, { colour, edge })
      const size = width + 2 * rim
      return { width: size, height: size, marks: moved(marks, rim, rim) }
    }
    case 'box': {
      const shape = frameShape(width, height, stroke)
      const at = { x: edge.width, y: edge.width }
      return {
        width: width + 2 * edge.width,
        height: height + 2 * edge.width,
        marks: [drawnShape(pen, shape, at, { colour, edge })],
      }
    }
    case 'arrow': {
      const shape = arrow(width, height / 4.4, drawn.way)
      const grow = drawn.way === 'right' ? { grow: { way: 'across', ...GROWN } as const } : {}
      const at = { x: edge.width, y: edge.width }
      return {
        width: shape.width + 2 * edge.width,
        height: shape.height + 2 * edge.width,
        marks: [drawnShape(pen, shape, at, { colour, edge, ...grow })],
      }
    }
    case 'line':
    case 'marker': {
      const isMarker = drawn.kind === 'marker'
      const shape = rectangle(width, isMarker ? height : stroke)
      const own = { colour, grow: { way: 'across', ...GROWN } as const }
      const seen = isMarker ? { ...own, opacity: MARKER } : own
      return {
        width: shape.width,
        height: shape.height,
        marks: [drawnShape(pen, shape, { x: 0, y: 0 }, seen)],
      }
    }
    case 'spotlight':
      return { width, height, marks: [] }
  }
}

const GROWN = { afterMs: 0, ms: DRAW_MS }

/** A ring as a hand draws it: more of it every moment. */
function drawnRing(
  pen: Pen,
  radius: number,
  stroke: number,
  own: Pick<Mark, 'colour'> & { edge: { colour: string; width: number } },
): Mark[] {
  const steps = Array.from({ length: STEPS }, (_, i) => (i + 1) / STEPS)
  return steps.map((part, i): Mark => {
    const shape = ring(radius, stroke, part)
    const at = { x: shape.x, y: shape.y }
    const start = pen.start + samplesOf((i * DRAW_MS) / STEPS)
    const isLast = i === STEPS - 1
    return drawnShape(pen, shape, at, {
      ...own,
      start,
      end: isLast ? pen.end : Math.min(pen.end, start + samplesOf(DRAW_MS / STEPS)),
      fade: { inMs: 0, outMs: isLast ? 400 : 0 },
    })
  })
}

/** How dark it is around a spotlight, and how soft its rim is; by eye. */
const DARK = 0.62
const SOFT = 26

/** All of the picture darkened but for a part of it. */
export function spotlightMark(pen: Pen, lit: Rect, frame: Frame): Mark {
  // Its rim is soft on the outside too: that lies beyond the picture.
  const beyond = 4 * SOFT * frame.unit
  const shape = pierced(frame.width + 2 * beyond, frame.height + 2 * beyond, {
    x: lit.x + lit.width / 2 + beyond,
    y: lit.y + lit.height / 2 + beyond,
    across: lit.width / 2,
    down: lit.height / 2,
  })
  return drawnShape(
    pen,
    shape,
    { x: -beyond, y: -beyond },
    {
      layer: LAYERS.ground,
      colour: pen.palette.shade,
      opacity: DARK,
      blur: SOFT * frame.unit,
      fade: { inMs: 500, outMs: 400 },
    },
  )
}
