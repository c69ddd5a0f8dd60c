import { contrast, VISIBLE } from '../../style/contrast.ts'
import type { FaceId } from '../../style/faces.ts'
import type { Palette, SuperLook } from '../../style/lettering.ts'
import { SAMPLE_RATE } from '../../time/time.ts'
import { isRightToLeft } from '../lettering/ass-text.ts'
import { around, grown } from '../lettering/frame.ts'
import { type Align, inkBox, type Mark, type MarkEntrance, moved } from '../lettering/mark.ts'
import { textWidth, type Type } from '../lettering/measure.ts'
import { rectangle, type Shape } from '../lettering/shapes.ts'
import { textLines } from '../lettering/text-lines.ts'
import type { MapContent } from '../maps/atlas.ts'
import type { Voice } from './supers.ts'

/** How and where a super is drawn; sizes in pixels, times in samples. */
export interface Pen {
  look: SuperLook
  palette: Palette
  /** A pixel of a picture whose shorter side has 1,080. */
  unit: number
  /** Under 1 where it would not fit otherwise. */
  scale: number
  /** Room there is for it. */
  widest: number
  tallest: number
  align: Align
  start: number
  end: number
  /** Of a voice that is drawn, how loud it is. */
  voice?: Voice
  /** Of a map, what it shows. */
  map?: MapContent
  /** When the next words like these are spoken; undefined where they are not. */
  spokenAt: (words: string) => number | undefined
}

/** Marks from the top left corner of a box that holds all of them. */
export interface Block {
  marks: Mark[]
  width: number
  height: number
}

const OUT_MS = 400
/** Layers: grounds under shapes under letters; subtitles lie over all of them. */
export const LAYERS = { ground: 0, shape: 1, letters: 2, subtitle: 4 }

export const onPlate = ({ look }: Pen) => look.ground === 'plate'
/** Of letters and lines on this super's ground. */
export const inkOf = (pen: Pen) => (onPlate(pen) ? pen.palette.ink : pen.palette.light)
const groundOf = (pen: Pen) => (onPlate(pen) ? pen.palette.paper : pen.palette.shade)
/** What is to be seen first; the ink where the accent could not be told from the ground. */
export const accentOf = (pen: Pen) =>
  contrast(pen.palette.accent, groundOf(pen)) >= VISIBLE ? pen.palette.accent : inkOf(pen)

/**
 * Letters of a super: its own face, at a part of its size; in pixels, 8 at the least of a picture 1,080
 * high.
 */
export const typeOf = ({ look, unit, scale }: Pen, part = 1, face: FaceId = look.face): Type => ({
  face,
  size: Math.max(8 * unit, look.size * 1080 * unit * scale * part),
})

/** So many ms in samples. */
export const samplesOf = (ms: number) => Math.round((ms * SAMPLE_RATE) / 1000)
const msOf = (samples: number) => (samples * 1000) / SAMPLE_RATE

/** How this look lets letters come. */
function letterEntrance({ look, unit, start, end }: Pen, letters: number): MarkEntrance {
  if (look.comes === 'rise') return { rise: look.size * 1080 * unit * 0.3 }
  if (look.comes === 'pop') return { pop: true }
  if (look.comes === 'typed') return { typedMs: Math.min(letters * 45, msOf(end - start) * 0.4) }
  return {}
}

const FADES = { none: 0, fade: 400, rise: 320, pop: 60, typed: 0 }
/** How it comes and goes, in ms. */
export const fadeOf = ({ look }: Pen) => ({ inMs: FADES[look.comes], outMs: OUT_MS })

/** Lines of one kind of letters, one below the other. */
export interface Lines {
  lines: readonly string[]
  type: Type
  colour?: string
  /** From when on, if not with the super. */
  start?: number
  align?: Align
}

/** From line to line, in pixels. */
export const lineHeight = ({ size }: Type) => size * 1.02

/**
 * The text in as many lines as it needs, in capitals where the look has them.
 *
 * @param widest of a line, in pixels
 */
export const linesFor = (pen: Pen, text: string, type: Type, widest: number, most: number) =>
  textLines(pen.look.capitals ? text.toLocaleUpperCase() : text, type, widest, most)

/** The width of the widest line, in pixels; 0 for none. */
export const widthOfLines = ({ lines, type }: Lines) =>
  Math.max(0, ...lines.map((line) => textWidth(line, type)))

/**
 * Letters on this super's ground.
 *
 * @param x of the left edge of a column of such a width
 */
export function letters(pen: Pen, set: Lines, x: number, y: number, width: number): Mark[] {
  const { lines, type, colour = inkOf(pen), start = pen.start } = set
  return lines.map((text, i): Mark => {
    const wanted = set.align ?? pen.align
    const align = isRightToLeft(text) && wanted === 'left' ? 'right' : wanted
    return {
      body: { kind: 'text', text, ...type, align },
      x: x + { left: 0, centre: width / 2, right: width }[align],
      y: y + i * lineHeight(type),
      start,
      end: pen.end,
      layer: LAYERS.letters,
      colour,
      ...(onPlate(pen) ? {} : { edge: { colour: pen.palette.shade, width: type.size * 0.03 } }),
      fade: fadeOf(pen),
      ...letterEntrance(pen, text.length),
    }
  })
}

/** A shape on this super's ground. */
export const drawnShape = (
  pen: Pen,
  shape: Shape,
  at: { x: number; y: number },
  own: Partial<Mark> = {},
): Mark => ({
  body: { kind: 'shape', shape },
  ...at,
  start: pen.start,
  end: pen.end,
  layer: LAYERS.shape,
  colour: accentOf(pen),
  fade: { inMs: Math.max(120, FADES[pen.look.comes]), outMs: OUT_MS },
  ...own,
})

/** Several kinds of letters below each other, `gap` pixels apart. */
export function stacked(pen: Pen, groups: readonly Lines[], gap: number): Block {
  const width = Math.max(0, ...groups.map(widthOfLines))
  const marks: Mark[] = []
  let y = 0
  for (const group of groups) {
    if (!group.lines.length) continue
    if (marks.length) y += gap
    marks.push(...letters(pen, group, 0, y, width))
    y += group.lines.length * lineHeight(group.type)
  }
  return { marks, width, height: y }
}

/**
 * A block on what its look stands on: a plate around it, or a soft shade that reaches beyond; as it is
 * without either.
 */
export function grounded(pen: Pen, block: Block): Block {
  const ink = around(block.marks.map(inkBox)) ?? { x: 0, y: 0, width: 0, height: 0 }
  const pad = onPlate(pen) ? Math.max(14 * pen.unit, typeOf(pen).size * 0.22) * pen.scale : 0
  const box = grown(ink, pad)
  const ground = groundMark(pen, box.width, box.height)
  return {
    width: box.width,
    height: box.height,
    marks: [...ground, ...moved(block.marks, -box.x, -box.y)],
  }
}

function groundMark(pen: Pen, width: number, height: number): Mark[] {
  if (pen.look.ground === 'edge') return []
  if (onPlate(pen))
    return [
      drawnShape(
        pen,
        rectangle(width, height),
        { x: 0, y: 0 },
        {
          layer: LAYERS.ground,
          colour: pen.palette.paper,
          opacity: 0.96,
          isGround: true,
        },
      ),
    ]
  const reach = 34 * pen.unit
  return [
    drawnShape(
      pen,
      rectangle(width + 2 * reach, height + 2 * reach),
      { x: -reach, y: -reach },
      {
        layer: LAYERS.ground,
        colour: pen.palette.shade,
        opacity: 0.5,
        blur: 30 * pen.unit,
        isGround: true,
      },
    ),
  ]
}
