import type { SegmentShot } from '@tidy-reel/core/film/shots'
import {
  colourThrough,
  isMoving,
  type MovingKind,
  passed,
  type Way,
  WIPE_EDGE,
} from '@tidy-reel/core/style/transition'
import type { Drawing, Stage } from './stage.ts'

type Lead = NonNullable<SegmentShot['lead']>

/** Both pictures of a transition at a moment, each drawn over what is there. */
interface Both {
  before: (alpha: number) => boolean
  own: (alpha: number) => boolean
}

/**
 * One frame of a transition, as the render has it.
 *
 * @param frame counted from the transition's first
 * @returns false while something of it has not come yet
 */
export function drawPassage(stage: Stage, lead: Lead, frame: number, both: Both): boolean {
  const { before, own } = both
  const { kind, frames } = lead
  if (kind === 'dissolve') {
    const parts = [before(1), own(frame / frames)]
    return parts.every(Boolean)
  }
  if (isMoving(kind))
    return drawMoving({ ...stage, kind, way: lead.way ?? 'left' }, both, frame / frames)
  const { context, palette } = stage
  const half = lead.from.frames
  context.fillStyle = colourThrough(lead.through, palette.paper)
  context.fillRect(0, 0, context.canvas.width, context.canvas.height)
  return frame < half ? before(1 - frame / half) : own((frame - half) / (frames - half))
}

interface Moving extends Pick<Stage, 'context' | 'frame'> {
  kind: MovingKind
  way: Way
}

function drawMoving({ context, frame, kind, way }: Moving, both: Both, share: number): boolean {
  const isUpright = way === 'up' || way === 'down'
  const isForward = way === 'left' || way === 'up'
  const size = isUpright ? frame.height : frame.width
  const scale = context.canvas.width / frame.width
  const come = passed(share)
  const shifted = (draw: Both['own'], pixels: number) => {
    // Even pixels of the film, as the render has them.
    const by = 2 * Math.round(pixels / 2) * scale * (isForward ? 1 : -1)
    context.save()
    context.translate(isUpright ? 0 : by, isUpright ? by : 0)
    const isWhole = draw(1)
    context.restore()
    return isWhole
  }
  if (kind === 'push') {
    const parts = [shifted(both.before, -size * come), shifted(both.own, size * (1 - come))]
    return parts.every(Boolean)
  }
  if (kind === 'slide') {
    const parts = [both.before(1), shifted(both.own, size * (1 - come))]
    return parts.every(Boolean)
  }
  return drawWipe(context, both, { isUpright, isForward, come })
}

interface Wiping {
  isUpright: boolean
  isForward: boolean
  come: number
}

/** The new picture is drawn, and the old one over it where the soft border has not passed. */
function drawWipe(context: Drawing, both: Both, { isUpright, isForward, come }: Wiping): boolean {
  const { width, height } = context.canvas
  const size = isUpright ? height : width
  const edge = size * WIPE_EDGE
  const isOwnWhole = both.own(1)
  const over = new OffscreenCanvas(width, height)
  const layer = over.getContext('2d')
  if (!layer) return false
  layer.drawImage(context.canvas, 0, 0)
  const border = size - (size + edge) * come
  const [from, to] = isForward ? [border, border + edge] : [size - border, size - border - edge]
  const ramp = isUpright
    ? layer.createLinearGradient(0, from, 0, to)
    : layer.createLinearGradient(from, 0, to, 0)
  ramp.addColorStop(0, '#0000')
  ramp.addColorStop(1, '#000')
  layer.globalCompositeOperation = 'destination-in'
  layer.fillStyle = ramp
  layer.fillRect(0, 0, width, height)
  const isBeforeWhole = both.before(1)
  context.globalAlpha = 1
  context.drawImage(over, 0, 0)
  return isOwnWhole && isBeforeWhole
}
