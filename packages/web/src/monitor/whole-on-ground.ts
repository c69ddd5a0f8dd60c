import { GROUND_DIM, groundSize, standsWhole } from '@tidy-reel/core/pictures/ground'
import { cropAt } from '@tidy-reel/core/pictures/move'

interface Picture {
  image: CanvasImageSource
  width: number
  height: number
}

const WHOLE = { x: 0.5, y: 0.5, scale: 1 }

/**
 * A picture whole on a ground made of itself, in the shape of its place, as the render has it.
 *
 * @returns the picture itself where nothing can be drawn
 */
export function wholeOnGround(picture: Picture, place: { width: number; height: number }): Picture {
  const [width, height] = [place.width, place.height].map(Math.round) as [number, number]
  const small = groundSize({ width, height })
  const ground = drawn(small, (context) => {
    const aspect = small.width / small.height
    const crop = cropAt({ from: WHOLE, to: WHOLE }, 0, picture, aspect)
    context.imageSmoothingQuality = 'high'
    context.drawImage(
      picture.image,
      ...([crop.x, crop.y, crop.width, crop.height] as const),
      ...([0, 0, small.width, small.height] as const),
    )
  })
  const image =
    ground &&
    drawn({ width, height }, (context) => {
      context.imageSmoothingQuality = 'high'
      context.drawImage(ground, 0, 0, width, height)
      context.fillStyle = `rgb(0 0 0 / ${1 - GROUND_DIM})`
      context.fillRect(0, 0, width, height)
      const box = standsWhole(picture.width / picture.height, { width, height })
      context.drawImage(picture.image, box.x, box.y, box.width, box.height)
    })
  return image ? { image, width, height } : picture
}

function drawn(
  { width, height }: { width: number; height: number },
  draw: (context: OffscreenCanvasRenderingContext2D) => void,
): OffscreenCanvas | undefined {
  const canvas = new OffscreenCanvas(width, height)
  const context = canvas.getContext('2d', { alpha: false })
  if (!context) return undefined
  draw(context)
  return canvas
}
