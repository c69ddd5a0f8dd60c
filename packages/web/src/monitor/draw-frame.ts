import { sortedLastIndexBy } from 'lodash-es'
import { itemAt } from '@tidy-reel/core/faults/certain'
import type { FileSource } from '@tidy-reel/core/film/file-source'
import { grown, type Rect } from '@tidy-reel/core/film/lettering/frame'
import { panesOf } from '@tidy-reel/core/film/panes'
import type { PictureRun, SegmentShot } from '@tidy-reel/core/film/shots'
import { cropAt, eased } from '@tidy-reel/core/pictures/move'
import type { Move } from '@tidy-reel/core/pictures/view'
import { SAMPLE_RATE } from '@tidy-reel/core/time/time'
import type { Timeline } from '@tidy-reel/core/timeline/timeline'
import { drawPassage } from './draw-passage.ts'
import type { Drawing, Stage } from './stage.ts'
import { wholeOnGround } from './whole-on-ground.ts'

const WHOLE: Move = { from: { x: 0.5, y: 0.5, scale: 1 }, to: { x: 0.5, y: 0.5, scale: 1 } }

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
  return drawPassage(stage, lead, frame, { before, own })
}

function drawRun(stage: Stage, run: PictureRun, frame: number, alpha: number): boolean {
  const { context, palette } = stage
  const { source } = run
  const { width, height } = context.canvas
  const whole = { x: 0, y: 0, width, height }
  context.globalAlpha = alpha
  if (source.kind === 'card') {
    context.fillStyle = palette.paper
    context.fillRect(0, 0, width, height)
    return true
  }
  if (source.kind !== 'panes') return drawFile(stage, { ...run, source }, frame, whole)
  if (alpha === 1) return drawPanes(stage, { ...run, source }, frame)
  // What gives way is made whole first: seen through one by one, its pictures would show each other.
  const layer = new OffscreenCanvas(width, height)
  const laid = layer.getContext('2d', { alpha: false })
  if (!laid) return false
  const isWhole = drawPanes({ ...stage, context: laid }, { ...run, source }, frame)
  context.drawImage(layer, 0, 0)
  return isWhole
}

type PanesRun = PictureRun<Extract<PictureRun['source'], { kind: 'panes' }>>

/** Pictures of a layout, each in its place. */
function drawPanes(stage: Stage, run: PanesRun, frame: number): boolean {
  const { context, palette } = stage
  const { source } = run
  const { onPaper, panes } = panesOf(source.layout, stage.frame, palette)
  const scale = context.canvas.width / stage.frame.width
  const scaled = ({ x, y, width, height }: Rect): Rect => ({
    x: x * scale,
    y: y * scale,
    width: width * scale,
    height: height * scale,
  })
  const fillBox = (colour: string, { x, y, width, height }: Rect) => {
    context.fillStyle = colour
    context.fillRect(x, y, width, height)
  }
  if (onPaper) fillBox(palette.paper, scaled({ ...stage.frame, x: 0, y: 0 }))
  const drawn = source.panes.map((pane, i) => {
    const { box, rims } = itemAt(panes, i)
    for (const { reach, colour } of rims) fillBox(colour, scaled(grown(box, reach)))
    return drawFile(stage, { ...run, source: pane }, frame, scaled(box))
  })
  return drawn.every(Boolean)
}

function drawFile(
  stage: Stage,
  { source, span, ease }: PictureRun<FileSource>,
  frame: number,
  place: Rect,
): boolean {
  const { context } = stage
  const picture =
    source.kind === 'photo' ? stillOf(stage, source.item.id) : clipOf(stage, source, frame)
  if (!picture) {
    const small = stage.stills.get(source.item.id)
    context.fillStyle = '#14161c'
    context.fillRect(place.x, place.y, place.width, place.height)
    if (small) {
      const { naturalWidth: width, naturalHeight: height } = small.image
      fill(context, { image: small.image, width, height }, WHOLE, 0, place)
    }
    return false
  }
  const progress = span > 1 ? eased(frame / (span - 1), ease) : 0
  const move = source.move ?? WHOLE
  const seen = source.isWhole ? wholeOnGround(picture, place) : picture
  if (!source.grade || !stage.grader) {
    fill(context, seen, move, progress, place)
    return picture.whole && !source.grade
  }
  const layer = stage.grader.layer(Math.round(place.width), Math.round(place.height))
  const drawing = layer.getContext('2d', { alpha: false })
  if (!drawing) return false
  fill(drawing, seen, move, progress, { x: 0, y: 0, width: layer.width, height: layer.height })
  const fine = Math.min(1, context.canvas.width / stage.frame.width)
  const ungraded = { picture: layer, grade: source.grade, n: frame, fine }
  const graded = stage.grader.graded(ungraded)
  context.drawImage(graded, place.x, place.y, place.width, place.height)
  return picture.whole
}

function fill(
  context: Drawing,
  { image, width, height }: { image: CanvasImageSource; width: number; height: number },
  move: Move,
  progress: number,
  place: Rect,
) {
  const crop = cropAt(move, progress, { width, height }, place.width / place.height)
  context.imageSmoothingQuality = 'high'
  context.drawImage(
    image,
    crop.x,
    crop.y,
    crop.width,
    crop.height,
    place.x,
    place.y,
    place.width,
    place.height,
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
  source: Extract<FileSource, { kind: 'clip' }>,
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
