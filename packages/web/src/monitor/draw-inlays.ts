import type { Frame } from '@tidy-reel/core/film/lettering/frame'
import {
  INLAY_SHADE,
  inlayShare,
  type PlacedInlay,
  settling,
  SHADE_REACH,
  slideFrom,
} from '@tidy-reel/core/film/placed-inlay'
import { frameAtSample, type FrameRate } from '@tidy-reel/core/time/time'
import type { StillShelf } from './picture-source.ts'

interface Laying {
  context: CanvasRenderingContext2D
  frame: Frame
  fps: FrameRate
  stills: StillShelf
}

/**
 * Lays over a frame of the film what belongs there, as the render does.
 *
 * @returns false while something of it has not come yet
 */
export function drawInlays(laying: Laying, inlays: readonly PlacedInlay[], frame: number): boolean {
  const { context, fps } = laying
  const drawn = inlays.map((inlay) => {
    const from = Math.max(0, frameAtSample(inlay.start, fps))
    const to = frameAtSample(inlay.end, fps)
    if (frame < from || frame >= to) return true
    context.save()
    const isWhole = drawInlay(laying, inlay, inlayShare(frame - from, to - frame, fps))
    context.restore()
    return isWhole
  })
  return drawn.every(Boolean)
}

function drawInlay({ context, frame, stills }: Laying, inlay: PlacedInlay, share: number): boolean {
  const { around, comes, strength } = inlay
  const found = stills.get(inlay.item.id)
  if (!found) return false
  const scale = context.canvas.width / frame.width
  const x = around.x + around.width / 2
  const outside = slideFrom(inlay, frame)
  const settled = settling(share)
  const still = stillOf(inlay, found.image, scale, frame.unit)
  context.scale(scale, scale)
  context.translate(
    comes === 'slide' ? outside + (x - outside) * settled : x,
    around.y + around.height / 2,
  )
  if (comes === 'grow') context.scale(settled, settled)
  context.globalAlpha = comes === 'fade' ? strength * share : strength
  context.imageSmoothingQuality = 'high'
  const [width, height] = [still.width / scale, still.height / scale]
  context.drawImage(still, -width / 2, -height / 2, width, height)
  return found.whole
}

/** Made once for as long as one stands as it does: a shade takes longer than a frame may. */
const made = new WeakMap<
  PlacedInlay,
  { image: HTMLImageElement; scale: number; still: OffscreenCanvas }
>()

function stillOf(
  inlay: PlacedInlay,
  image: HTMLImageElement,
  scale: number,
  unit: number,
): OffscreenCanvas {
  const known = made.get(inlay)
  if (known?.image === image && known.scale === scale) return known.still
  const still = drawnStill(inlay, image, scale, unit)
  made.set(inlay, { image, scale, still })
  return still
}

/** All of one as the render has it, turned, with its shade: seen through as one where it fades. */
function drawnStill(
  inlay: PlacedInlay,
  image: HTMLImageElement,
  scale: number,
  unit: number,
): OffscreenCanvas {
  const { around, turn, shade } = inlay
  const reach = Math.ceil(SHADE_REACH * unit * scale)
  const still = new OffscreenCanvas(
    Math.ceil(around.width * scale) + 2 * reach,
    Math.ceil(around.height * scale) + 2 * reach,
  )
  const context = still.getContext('2d')
  if (!context) return still
  const body = bodyOf(inlay, image, scale)
  if (shade) {
    const opacity = Math.round(INLAY_SHADE.opacity * 255)
    context.shadowColor = `${shade}${opacity.toString(16).padStart(2, '0')}`
    // A canvas softens by half of what it is told, as a deviation; the render is told that.
    context.shadowBlur = (2 * reach) / 3
    context.shadowOffsetY = reach * INLAY_SHADE.down
  }
  context.translate(still.width / 2, still.height / 2)
  context.rotate((turn * Math.PI) / 180)
  context.imageSmoothingQuality = 'high'
  context.drawImage(body, -body.width / 2, -body.height / 2)
  return still
}

/** The picture with its corners and its edge, in pixels of the canvas. */
function bodyOf(
  { box, round, edge }: PlacedInlay,
  image: HTMLImageElement,
  scale: number,
): OffscreenCanvas {
  const rim = Math.round(edge?.width ?? 0) * scale
  const [width, height] = [box.width * scale, box.height * scale]
  const body = new OffscreenCanvas(
    Math.max(1, Math.round(width + 2 * rim)),
    Math.max(1, Math.round(height + 2 * rim)),
  )
  const context = body.getContext('2d')
  if (!context) return body
  const radius = round * scale
  if (edge) {
    context.fillStyle = edge.colour
    context.beginPath()
    context.roundRect(0, 0, body.width, body.height, round ? radius + rim : 0)
    context.fill()
  }
  context.beginPath()
  context.roundRect(rim, rim, width, height, radius)
  context.clip()
  context.imageSmoothingQuality = 'high'
  const { naturalWidth: ownWidth, naturalHeight: ownHeight } = image
  const fill = Math.max(width / ownWidth, height / ownHeight)
  const [sw, sh] = [width / fill, height / fill]
  context.drawImage(
    image,
    (ownWidth - sw) / 2,
    (ownHeight - sh) / 2,
    sw,
    sh,
    rim,
    rim,
    width,
    height,
  )
  return body
}
