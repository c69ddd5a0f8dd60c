import type { InlayEntrance } from '../pictures/inlay.ts'
import type { ChosenItem } from '../pictures/item.ts'
import type { FrameRate } from '../time/time.ts'
import { type Frame, type Rect, within } from './lettering/frame.ts'

/** A picture laid over others, where it stands; pixels, times in samples. */
export interface PlacedInlay {
  item: ChosenItem
  /** The scene it is laid over, and which of its inlays it is; none for the sign. */
  of?: { sceneId: string; index: number }
  /** Itself, before it is turned. */
  box: Rect
  /** Everything it covers: its edge, and its corners as it is turned. */
  around: Rect
  turn: number
  /** Radius of its corners. */
  round: number
  edge: { width: number; colour: string } | undefined
  shade: string | undefined
  strength: number
  comes: InlayEntrance
  start: number
  end: number
}

/** How long one takes to come, and to go. */
const INLAY_MS = 420

/** How far a soft shade reaches around what throws it, in pixels of a picture 1,080 high. */
export const SHADE_REACH = 36
/** How dark it is at its darkest, and how far it falls, in shares of its reach; by eye. */
export const INLAY_SHADE = { opacity: 0.5, down: 0.22 }

/**
 * How much of its coming is done, or of its going undone, 0 to 1.
 *
 * @param since frames since it began
 * @param until frames until it ends
 */
export const inlayShare = (since: number, until: number, fps: FrameRate): number =>
  within(Math.min(since, until) / inlayFrames(since + until, fps), 0, 1)

/** Frames one takes to come, of all it is seen for. */
export const inlayFrames = (frames: number, [num, den]: FrameRate): number =>
  Math.max(1, Math.round(Math.min(((INLAY_MS / 1000) * num) / den, frames / 2)))

/** How far a share has moved it: quickly at first. */
export const settling = (share: number): number => 1 - (1 - share) ** 2

/** Where the middle of one that slides in stands outside the picture, on its nearer side. */
export function slideFrom({ around }: Pick<PlacedInlay, 'around'>, frame: Frame): number {
  const reach = around.width / 2 + SHADE_REACH * frame.unit
  return around.x + around.width / 2 < frame.width / 2 ? -reach : frame.width + reach
}
