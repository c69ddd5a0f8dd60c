import { sortedLastIndexBy } from 'lodash-es'
import { itemAt } from '@tidy-reel/core/faults/certain'
import type { PictureRun, SegmentShot } from '@tidy-reel/core/film/shots'
import { cropAt, eased } from '@tidy-reel/core/pictures/move'
import type { Move } from '@tidy-reel/core/pictures/view'
import { type FrameRate, SAMPLE_RATE } from '@tidy-reel/core/time/time'
import type { Timeline } from '@tidy-reel/core/timeline/timeline'
import type { ClipDeck, StillShelf } from './picture-source.ts'

const WHOLE: Move = { from: { x: 0.5, y: 0.5, scale: 1 }, to: { x: 0.5, y: 0.5, scale: 1 } }

export interface Stage {
  context: CanvasRenderingContext2D
  stills: StillShelf
  clips: ClipDeck
  fps: FrameRate
  /** Ground of plain cards, as the render has it. */
  paper: string
  /** How fast the film runs; 0 stands still. */
  rate: number
}

/** Where a frame of the film is: its scene and shot, and how far into the shot. */
export function placeOfFrame(
  { scenes }: Timeline,
  frame: number,
): { scene: number; shot: number; frame: number } | undefined {
  const scene = Math.max(
    0,
    sortedLastIndexBy<{ startFrame: number }>(
      scenes,
      { startFrame: frame },
      ({ startFrame }) => startFrame,
    ) - 1,
  )
  const found = scenes[scene]
  if (!found || found.endFrame <= frame) return undefined
  const shot = Math.max(
    0,
    found.shots.findLastIndex(({ startFrame }) => startFrame <= frame),
  )
  return { scene, shot, frame: frame - itemAt(found.shots, shot).startFrame }
}

/**
 * Draws one frame of the film as the render does: the picture, and the one before while it gives
 * way.
 *
 * @returns false while something of it has not come yet
 */
export function drawFrame(stage: Stage, shot: SegmentShot, frame: number): boolean {
  const { context } = stage
  const { lead } = shot
  const own = (alpha: number) => drawRun(stage, shot, shot.first + frame, alpha)
  context.globalAlpha = 1
  if (!lead || frame >= lead.frames) return own(1)
  const before = (alpha: number) => drawRun(stage, lead.from, lead.from.first + frame, alpha)
  if (lead.kind === 'dissolve') {
    const both = [before(1), own(frame / lead.frames)]
    return both.every(Boolean)
  }
  const half = lead.from.frames
  context.fillStyle = '#000'
  context.fillRect(0, 0, context.canvas.width, context.canvas.height)
  return frame < half ? before(1 - frame / half) : own((frame - half) / (lead.frames - half))
}

function drawRun(
  stage: Stage,
  { source, span, ease }: PictureRun,
  frame: number,
  alpha: number,
): boolean {
  const { context } = stage
  const { width, height } = context.canvas
  context.globalAlpha = alpha
  if (source.kind === 'card') {
    context.fillStyle = stage.paper
    context.fillRect(0, 0, width, height)
    return true
  }
  const picture =
    source.kind === 'photo' ? stillOf(stage, source.item.id) : clipOf(stage, source, frame)
  if (!picture) {
    const small = stage.stills.get(source.item.id)
    context.fillStyle = '#14161c'
    context.fillRect(0, 0, width, height)
    if (small)
      fill(context, small.image, small.image.naturalWidth, small.image.naturalHeight, WHOLE, 0)
    return false
  }
  fill(
    context,
    picture.image,
    picture.width,
    picture.height,
    source.move ?? WHOLE,
    span > 1 ? eased(frame / (span - 1), ease) : 0,
  )
  return picture.whole
}

function fill(
  context: CanvasRenderingContext2D,
  image: CanvasImageSource,
  width: number,
  height: number,
  move: Move,
  progress: number,
) {
  const { canvas } = context
  const crop = cropAt(move, progress, { width, height }, canvas.width / canvas.height)
  context.imageSmoothingQuality = 'high'
  context.drawImage(
    image,
    crop.x,
    crop.y,
    crop.width,
    crop.height,
    0,
    0,
    canvas.width,
    canvas.height,
  )
}

function stillOf({ stills }: Stage, id: string) {
  const still = stills.get(id)
  return (
    still && {
      image: still.image,
      width: still.image.naturalWidth,
      height: still.image.naturalHeight,
      whole: still.whole,
    }
  )
}

function clipOf(
  { clips, fps, rate }: Stage,
  source: Extract<PictureRun['source'], { kind: 'clip' }>,
  frame: number,
) {
  // The middle of a frame: its edges are rounded one way by one decoder and the other way by the
  // next.
  const time = source.slip / SAMPLE_RATE + ((frame + 0.5) * fps[1] * source.speed) / fps[0]
  const video = clips.show({ id: source.item.id, time, rate: rate > 0 ? rate * source.speed : 0 })
  return (
    video && {
      image: video,
      width: video.videoWidth,
      height: video.videoHeight,
      whole: !video.seeking || rate > 0,
    }
  )
}
