import type { LayoutKind } from '../pictures/inlay.ts'
import { mixed } from '../style/contrast.ts'
import type { Palette } from '../style/lettering.ts'
import { type Frame, gridded, type Rect, right } from './lettering/frame.ts'

/** Where a picture of a layout stands, in even pixels as the film's colour planes ask. */
export interface Pane {
  box: Rect
  /** Rims around it, the outermost first: how far each reaches beyond the picture. */
  rims: { reach: number; colour: string }[]
}

/** Pictures that share the film's, the first one lowest. */
export interface Panes {
  /** False where the first fills the film's picture. */
  onPaper: boolean
  panes: readonly [first: Pane, ...others: Pane[]]
}

/** Between two pictures and around a print, in pixels of a picture 1,080 high; by eye. */
const GAP = 16
const MARGIN = 64
const RIM = 16
const LINE = 4
/** Of a picture in a corner, in shares of the film's width; more where a hand holds it. */
const CORNER = { wide: 0.32, upright: 0.44 }

/** A box of the grid; what reaches to the picture's edge still does. */
function onGrid(frame: Frame, x: number, y: number, width: number, height: number): Rect {
  const to = (at: number, whole: number) =>
    at >= whole - 0.5 ? whole : Math.min(whole, gridded(at, frame))
  const [left, top] = [to(x, frame.width), to(y, frame.height)]
  return {
    x: left,
    y: top,
    width: to(x + width, frame.width) - left,
    height: to(y + height, frame.height) - top,
  }
}

/** The pictures of a layout, at whatever shape the film has. */
export function panesOf(kind: LayoutKind, frame: Frame, palette: Palette): Panes {
  const { width, height, unit, isUpright, safe } = frame
  const plain = (box: Rect): Pane => ({ box, rims: [] })
  const gap = Math.max(2, gridded(GAP * unit, frame))
  switch (kind) {
    case 'beside': {
      const half = (width - gap) / 2
      return {
        onPaper: true,
        panes: [
          plain(onGrid(frame, 0, 0, half, height)),
          plain(onGrid(frame, half + gap, 0, width - half - gap, height)),
        ],
      }
    }
    case 'over': {
      const half = (height - gap) / 2
      return {
        onPaper: true,
        panes: [
          plain(onGrid(frame, 0, 0, width, half)),
          plain(onGrid(frame, 0, half + gap, width, height - half - gap)),
        ],
      }
    }
    case 'corner-left':
    case 'corner-right': {
      const wide = width * (isUpright ? CORNER.upright : CORNER.wide)
      const high = isUpright ? wide : (wide * 10) / 16
      const rim = rimOf(palette, frame)
      const reach = rim[0]?.reach ?? 0
      const x = kind === 'corner-left' ? safe.x + reach : right(safe) - wide - reach
      return {
        onPaper: false,
        panes: [
          plain({ x: 0, y: 0, width, height }),
          { box: onGrid(frame, x, safe.y + reach, wide, high), rims: rim },
        ],
      }
    }
    case 'print': {
      const margin = MARGIN * unit
      const box = onGrid(frame, margin, margin, width - 2 * margin, height - 2 * margin)
      return { onPaper: true, panes: [{ box, rims: rimOf(palette, frame) }] }
    }
  }
}

/** White as of a print, with a fine line that parts it from the paper. */
function rimOf({ light, paper, ink }: Palette, frame: Frame): Pane['rims'] {
  const white = Math.max(2, gridded(RIM * frame.unit, frame))
  return [
    {
      reach: white + Math.max(2, gridded(LINE * frame.unit, frame)),
      colour: mixed(paper, ink, 0.35),
    },
    { reach: white, colour: light },
  ]
}
