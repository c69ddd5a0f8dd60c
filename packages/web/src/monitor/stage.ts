import type { Frame } from '@tidy-reel/core/film/lettering/frame'
import type { Palette } from '@tidy-reel/core/style/lettering'
import type { FrameRate } from '@tidy-reel/core/time/time'
import type { PictureGrader } from './picture-grader.ts'
import type { ClipDeck, StillShelf } from './picture-source.ts'

export type Drawing = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D

export interface Stage {
  context: Drawing
  /** Of the film, in whose pixels what is laid over it stands. */
  frame: Frame
  stills: StillShelf
  clips: ClipDeck
  fps: FrameRate
  /** Grounds of cards and layouts, as the render has them. */
  palette: Palette
  /** Undefined while none is needed, and until it has come. */
  grader: PictureGrader | undefined
  /** How fast the film runs; 0 stands still. */
  rate: number
}
