import { coloursOf, KEPT_COLOURS, lutOfColours } from '@tidy-reel/core/pictures/grade/lut'
import { grainOf } from '@tidy-reel/core/pictures/grade/overlaid'
import { gradePixels } from '@tidy-reel/core/pictures/grade/pixels'
import { keptByText } from '@tidy-reel/core/text/kept-by-text'
import { randomness } from '@tidy-reel/core/text/randomness'
import { gradeOnScreen, type Ungraded } from './grade-on-screen.ts'

/** Gives pictures the colours the render gives them. */
export interface PictureGrader {
  /** What a picture is drawn on to be graded; the next one is drawn on the same. */
  layer(width: number, height: number): OffscreenCanvas
  /** @returns what can be drawn until the next one is graded */
  graded(ungraded: Ungraded): CanvasImageSource
  close(): void
}

/** A grader on the graphics processor or, where there is none to be had, without it. */
export function pictureGrader(): PictureGrader {
  const tableOf = keptByText(KEPT_COLOURS, lutOfColours)
  const onScreen = gradeOnScreen()
  const layer = new OffscreenCanvas(2, 2)
  return {
    layer(width, height) {
      if (layer.width !== width || layer.height !== height) Object.assign(layer, { width, height })
      return layer
    },
    graded(ungraded) {
      const name = coloursOf(ungraded.grade)
      const table = tableOf(name)
      return onScreen?.graded(ungraded, { name, table }) ?? gradedPlainly(ungraded, table)
    },
    close: () => onScreen?.close(),
  }
}

function gradedPlainly({ picture, grade, n, fine }: Ungraded, table: Int16Array) {
  const context = picture.getContext('2d')
  if (!context) return picture
  const pixels = context.getImageData(0, 0, picture.width, picture.height)
  gradePixels(pixels, grade, table, randomness(`grain ${grainOf(n)}`), fine)
  context.putImageData(pixels, 0, 0)
  return picture
}
