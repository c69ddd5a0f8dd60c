import {
  inlayShare,
  type PlacedInlay,
  settling,
  SHADE_REACH,
  slideFrom,
} from '@tidy-reel/core/film/inlays'
import type { Frame } from '@tidy-reel/core/film/lettering/frame'
import { frameAtSample, type FrameRate } from '@tidy-reel/core/time/time'
import type { StillShelf } from './picture-source.ts'

/** As the render has it: how dark the shade is at its darkest, and how far it falls. */
const SHADE = { opacity: 0.5, down: 0.22 }

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
  const { box, around, comes, turn, strength } = inlay
  const found = stills.get(inlay.item.id)
  if (!found) return false
  const scale = context.canvas.width / frame.width
  context.scale(scale, scale)
  const x = around.x + around.width / 2
  const outside = slideFrom(inlay, frame)
  const settled = settling(share)
  context.translate(
    comes === 'slide' ? outside + (x - outside) * settled : x,
    around.y + around.height / 2,
  )
  context.rotate((turn * Math.PI) / 180)
  if (comes === 'grow') context.scale(settled, settled)
  context.globalAlpha = comes === 'fade' ? strength * share : strength
  // Drawn whole once, so that shade, edge and picture are seen through as one.
  const body = bodyOf(inlay, found.image, scale)
  const [width, height] = [body.width / scale, body.height / scale]
  if (inlay.shade) {
    const reach = SHADE_REACH * frame.unit * scale
    context.shadowColor = `${inlay.shade}${Math.round(SHADE.opacity * 255)
      .toString(16)
      .padStart(2, '0')}`
    // A canvas softens by twice the deviation that the render names.
    context.shadowBlur = (2 * reach) / 3
    context.shadowOffsetY = reach * SHADE.down
  }
  context.imageSmoothingQuality = 'high'
  context.drawImage(body, -width / 2, -height / 2, width, height)
  return found.whole && box.width > 0
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
