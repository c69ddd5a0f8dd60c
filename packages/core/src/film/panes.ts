import type { LayoutKind } from '../pictures/inlay.ts'
import { mixed } from '../style/contrast.ts'
import type { Palette } from '../style/lettering.ts'
import { type Frame, type Rect, right } from './lettering/frame.ts'

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
const GAP = 14
const MARGIN = 64
const RIM = 14
/** Of a picture in a corner, in shares of the film's width; more where a hand holds it. */
const CORNER = { wide: 0.32, upright: 0.44 }

const even = (n: number) => Math.round(n / 2) * 2

function evenRect(x: number, y: number, width: number, height: number): Rect {
  const [left, top] = [even(x), even(y)]
  return { x: left, y: top, width: even(x + width) - left, height: even(y + height) - top }
}

/** The pictures of a layout, at whatever shape the film has. */
export function panesOf(
  kind: LayoutKind,
  { width, height, unit, isUpright, safe }: Frame,
  palette: Palette,
): Panes {
  const plain = (box: Rect): Pane => ({ box, rims: [] })
  const gap = Math.max(2, even(GAP * unit))
  switch (kind) {
    case 'beside': {
      const half = (width - gap) / 2
      return {
        onPaper: true,
        panes: [
          plain(evenRect(0, 0, half, height)),
          plain(evenRect(half + gap, 0, width - half - gap, height)),
        ],
      }
    }
    case 'over': {
      const half = (height - gap) / 2
      return {
        onPaper: true,
        panes: [
          plain(evenRect(0, 0, width, half)),
          plain(evenRect(0, half + gap, width, height - half - gap)),
        ],
      }
    }
    case 'corner-left':
    case 'corner-right': {
      const wide = width * (isUpright ? CORNER.upright : CORNER.wide)
      const high = isUpright ? wide : (wide * 10) / 16
      const rim = rimOf(palette, unit)
      const reach = rim[0]?.reach ?? 0
      const x = kind === 'corner-left' ? safe.x + reach : right(safe) - wide - reach
      return {
        onPaper: false,
        panes: [
          plain({ x: 0, y: 0, width, height }),
          { box: evenRect(x, safe.y + reach, wide, high), rims: rim },
        ],
      }
    }
    case 'print': {
      const margin = MARGIN * unit
      const box = evenRect(margin, margin, width - 2 * margin, height - 2 * margin)
      return { onPaper: true, panes: [{ box, rims: rimOf(palette, unit) }] }
    }
  }
}

/** White as of a print, with a fine line that parts it from the paper. */
function rimOf({ light, paper, ink }: Palette, unit: number): Pane['rims'] {
  const white = Math.max(2, even(RIM * unit))
  return [
    { reach: white + 2, colour: mixed(paper, ink, 0.35) },
    { reach: white, colour: light },
  ]
}
