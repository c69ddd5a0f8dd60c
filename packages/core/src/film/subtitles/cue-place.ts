import type { SubtitlePlace } from '../../document/dress.ts'
import type { Place } from '../../pictures/place.ts'
import type { SubtitleStyle } from '../../style/lettering.ts'
import { defined } from '../../text/defined.ts'
import { type Frame, grown, type Rect } from '../lettering/frame.ts'
import type { Align } from '../lettering/mark.ts'
import { ascentOf, inkHeights, textWidth, type Type } from '../lettering/measure.ts'

/** An upright picture is held in a hand: its letters are larger against its width; by eye. */
const UPRIGHT_LARGER = 1.3
/** The foot of an upright picture is covered by what plays it (common practice). */
const UPRIGHT_HEIGHT = 0.16
/** From the sides, in shares of the width: the safe area and an edge. */
const SIDE = 0.06

export type Row = 'foot' | 'middle' | 'head'

/** Row and side of a place. @example placed('head') // => { row: 'head', side: 'centre' } */
export function placed(place: Place): { row: Row; side: Align } {
  const [first, last] = [place.split('-')[0], place.split('-').at(-1)]
  const row = first === 'foot' || first === 'head' ? first : 'middle'
  const side = last === 'left' || last === 'right' ? last : 'centre'
  return { row, side }
}

/** The style of one subtitle: the film's, with the place its scene has; without one as it is. */
export const cueStyle = ({ at }: { at?: SubtitlePlace }, style: SubtitleStyle): SubtitleStyle =>
  at ? { ...style, ...defined(at) } : style

/** Letters of the subtitles on a picture of this shape; their size in pixels. */
export const subtitleType = ({ face, size }: SubtitleStyle, frame: Frame): Type => ({
  face,
  size: Math.round(size * 1080 * frame.unit * (frame.isUpright ? UPRIGHT_LARGER : 1) * 10) / 10,
})

export const hasEdge = ({ ground }: Pick<SubtitleStyle, 'ground'>): boolean =>
  ground === 'edge' || ground === 'fitting'

/** What a soft shade has at its full strength; by eye. */
const SHADE = 0.62

/** How opaque what a subtitle stands on is by its style, 0 to 1; 0 where it stands on nothing. */
export function groundOpacity({ ground, strength }: SubtitleStyle): number {
  if (ground === 'lines' || ground === 'plate') return strength
  return ground === 'shade' ? SHADE * strength : 0
}

/** How far what a subtitle stands on reaches around its letters, in pixels. */
export function groundReach(style: SubtitleStyle, { size }: Type): number {
  const { ground } = style
  if (hasEdge(style)) return size * 0.045
  if (ground === 'lines' || ground === 'plate') return size * 0.14
  return ground === 'shade' ? size * 0.025 : 0
}

/** Letters of some scripts (Arabic, Thai) reach so far out of their line, in shares of it. */
const DEEPER = 0.1

/** Pixels from the edge of the picture it stands at. */
export function subtitleMargin(style: SubtitleStyle, frame: Frame): number {
  const { row } = placed(style.place)
  const share = frame.isUpright && row === 'foot' ? UPRIGHT_HEIGHT : 0
  const wanted = Math.max(style.height, share) * frame.height
  const type = subtitleType(style, frame)
  const nearest = frame.safe.y + groundReach(style, type) + DEEPER * type.size
  return Math.ceil(Math.max(wanted, nearest))
}

/** Pixels that are left free at each side. */
export const subtitleSide = (style: SubtitleStyle, frame: Frame): number =>
  Math.ceil(
    Math.max(SIDE * frame.width, frame.safe.x + groundReach(style, subtitleType(style, frame))),
  )

/** Room for a line, in pixels. */
export const subtitleWidest = (style: SubtitleStyle, frame: Frame): number =>
  frame.width - 2 * subtitleSide(style, frame)

/** The top of so many lines of subtitle. */
function topOf(style: SubtitleStyle, frame: Frame, lines: number): number {
  const height = lines * subtitleType(style, frame).size
  const { row } = placed(style.place)
  if (row === 'head') return subtitleMargin(style, frame)
  if (row === 'middle') return (frame.height - height) / 2
  return frame.height - subtitleMargin(style, frame) - height
}

/** Letters as a style writes them. */
export const cased = (text: string, { capitals }: Pick<SubtitleStyle, 'capitals'>): string =>
  capitals ? text.toLocaleUpperCase() : text

/**
 * Where a subtitle stands, in pixels, as libass will draw it: its letters and what they stand on.
 */
export function cueBox(
  cue: { lines: readonly string[] },
  style: SubtitleStyle,
  frame: Frame,
): Rect {
  const type = subtitleType(style, frame)
  const lines = cue.lines.map((line) => cased(line, style))
  const width = Math.max(...lines.map((line) => textWidth(line, type)))
  const { side } = placed(style.place)
  const margin = subtitleSide(style, frame)
  const left = {
    left: margin,
    centre: (frame.width - width) / 2,
    right: frame.width - margin - width,
  }
  const top = topOf(style, frame, lines.length)
  const reach = groundReach(style, type)
  const isBoxed = style.ground === 'lines' || style.ground === 'plate'
  const first = inkHeights(lines[0] ?? '', type)
  const last = inkHeights(lines.at(-1) ?? '', type)
  const inkTop = isBoxed ? top : top + ascentOf(type) - first.above
  const inkFoot = isBoxed
    ? top + lines.length * type.size
    : top + (lines.length - 1) * type.size + ascentOf(type) + last.below
  return grown({ x: left[side], y: inkTop, width, height: inkFoot - inkTop }, reach)
}

/** Everything a subtitle of this style may cover, from side to side, in pixels. */
export function subtitleZone(style: SubtitleStyle, frame: Frame): Rect {
  const type = subtitleType(style, frame)
  const y = topOf(style, frame, style.lines)
  return {
    x: 0,
    y: y - groundReach(style, type),
    width: frame.width,
    height: style.lines * type.size + 2 * groundReach(style, type),
  }
}
