import { itemAt, lastOf } from '../../faults/certain.ts'
import type { Place } from '../../pictures/place.ts'
import { placed, type Row } from '../subtitles/cue-place.ts'
import { foot, type Frame, type Rect, right, within } from './frame.ts'

type Size = Pick<Rect, 'width' | 'height'>

/**
 * Of the rooms beside the subtitles, from above: the row's own where it is at least half as high as the
 * highest.
 *
 * @param rooms one at the least
 */
export function roomFor(row: Row, rooms: readonly Rect[]): Rect {
  const largest = rooms.reduce((a, b) => (b.height > a.height ? b : a))
  const own = { head: itemAt(rooms, 0), foot: lastOf(rooms), middle: largest }[row]
  return own.height >= largest.height * 0.5 ? own : largest
}

/**
 * Of the rooms beside the subtitles the one a height lies nearest to, in pixels.
 *
 * @param rooms one at the least
 */
export function roomAt(y: number, rooms: readonly Rect[]): Rect {
  const far = (room: Rect) => Math.max(room.y - y, y - foot(room), 0)
  return rooms.reduce((a, b) => (far(b) < far(a) ? b : a))
}

/** A box around a spot, in pixels, moved into its room. */
export function boxAround(
  { width, height }: Size,
  { across, down }: { across: number; down: number },
  room: Rect,
  frame: Frame,
): Rect {
  return {
    x: within(across * frame.width - width / 2, room.x, right(room) - width),
    y: within(down * frame.height - height / 2, room.y, foot(room) - height),
    width,
    height,
  }
}

/** A box at a place of its room, in pixels. */
export function boxAt({ width, height }: Size, place: Place, room: Rect): Rect {
  const { row, side } = placed(place)
  const x = { left: room.x, centre: room.x + (room.width - width) / 2, right: right(room) - width }
  const y = { head: room.y, middle: room.y + (room.height - height) / 2, foot: foot(room) - height }
  return { x: x[side], y: y[row], width, height }
}
