import type { Frame } from '@tidy-reel/core/film/lettering/frame'
import {
  shadeAlpha,
  shadeFrames,
  shadePicture,
  shadeShare,
  type SoftShade,
} from '@tidy-reel/core/film/soft-shade'
import type { FrameRate } from '@tidy-reel/core/time/time'

interface Laying {
  context: CanvasRenderingContext2D
  frame: Frame
  fps: FrameRate
}

/** Lays the soft grounds of letters over a frame of the film, as the render does. */
export function drawShades(
  { context, frame: film, fps }: Laying,
  shades: readonly SoftShade[],
  frame: number,
) {
  const scale = context.canvas.width / film.width
  for (const shade of shades) {
    const share = shadeShare(shadeFrames(shade, fps), frame)
    if (!share) continue
    const { x, y } = shadePicture(shade)
    context.globalAlpha = share
    context.drawImage(pictureOf(shade, scale), x * scale, y * scale)
  }
  context.globalAlpha = 1
}

/** Made once for as long as one stands as it does. */
const made = new WeakMap<SoftShade, { scale: number; picture: OffscreenCanvas }>()

function pictureOf(shade: SoftShade, scale: number): OffscreenCanvas {
  const known = made.get(shade)
  if (known?.scale === scale) return known.picture
  const { alpha, width, height } = shadeAlpha(shade, scale)
  const picture = new OffscreenCanvas(width, height)
  const colour = Number.parseInt(shade.colour.slice(1), 16)
  const pixels = new ImageData(width, height)
  alpha.forEach((value, i) => {
    pixels.data.set([colour >> 16, (colour >> 8) & 255, colour & 255, value], 4 * i)
  })
  picture.getContext('2d')?.putImageData(pixels, 0, 0)
  made.set(shade, { scale, picture })
  return picture
}
