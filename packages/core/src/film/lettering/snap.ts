import { foot, type Frame, type Rect, right, within } from './frame.ts'

/** A box on its way, and the lines it has come to stand on. */
export interface Snapped {
  box: Rect
  /** Of a line up and down, and of one across, in pixels; undefined where it stands on none. */
  x: number | undefined
  y: number | undefined
}

/** How near a line draws it, in shares of the picture's shorter side. */
const NEAR = 0.014

/**
 * A box that is moved about: held inside the safe area, and drawn to its edges and to the picture's
 * middle and thirds where it comes near them.
 */
export function snapped(box: Rect, { width, height, safe }: Frame): Snapped {
  const near = NEAR * Math.min(width, height)
  const x = drawnTo(
    { from: box.x, size: box.width },
    { lines: [width / 3, width / 2, (width * 2) / 3], from: safe.x, to: right(safe) },
    near,
  )
  const y = drawnTo(
    { from: box.y, size: box.height },
    { lines: [height / 3, height / 2, (height * 2) / 3], from: safe.y, to: foot(safe) },
    near,
  )
  return { box: { ...box, x: x.from, y: y.from }, x: x.line, y: y.line }
}

function drawnTo(
  { from, size }: { from: number; size: number },
  to: { lines: readonly number[]; from: number; to: number },
  near: number,
): { from: number; line: number | undefined } {
  const held = within(from, to.from, Math.max(to.from, to.to - size))
  // Its edges on the margins, its middle on the other lines.
  const stands = [
    { at: to.from, line: to.from },
    { at: to.to - size, line: to.to },
    ...to.lines.map((line) => ({ at: line - size / 2, line })),
  ].filter(({ at }) => at >= to.from - 0.01 && at <= to.to - size + 0.01)
  const far = ({ at }: { at: number }) => Math.abs(at - held)
  const nearest = stands.sort((a, b) => far(a) - far(b))[0]
  return nearest && far(nearest) <= near
    ? { from: nearest.at, line: nearest.line }
    : { from: held, line: undefined }
}
