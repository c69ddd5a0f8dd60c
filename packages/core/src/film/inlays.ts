import type { Film } from '../document/film-scenes.ts'
import { itemAt } from '../faults/certain.ts'
import type { Inlay, InlayEntrance, InlayPlace, Sign } from '../pictures/inlay.ts'
import type { ChosenItem } from '../pictures/item.ts'
import type { FrameRate } from '../time/time.ts'
import type { Timeline, TimelineScene } from '../timeline/timeline.ts'
import { foot, type Frame, gridded, type Rect, right, within } from './lettering/frame.ts'
import { boxAround, boxAt, roomAt, roomFor } from './lettering/rooms.ts'
import { placed, roomBeside } from './subtitles/cue-place.ts'

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

/**
 * Everything laid over a film's pictures: what scenes ask for, and over all of it the sign.
 *
 * None covers a subtitle's place or leaves the safe area: one that is too large is smaller, one
 * that is too far out stands nearer.
 */
export function placeInlays(
  timeline: Timeline,
  { lettering, sign }: Pick<Film, 'lettering' | 'sign'>,
  frame: Frame,
): PlacedInlay[] {
  const rooms = roomBeside(lettering.subtitle, frame)
  const laid = timeline.scenes.flatMap((scene) =>
    (scene.inlays ?? []).flatMap((inlay, index): PlacedInlay[] => {
      const start = startOf(scene, inlay)
      if (scene.endSample <= start) return []
      return [
        {
          ...spaceFor(inlay, rooms, frame, lettering.palette.light),
          item: inlay.item,
          of: { sceneId: scene.id, index },
          turn: inlay.turn,
          shade: inlay.shade ? lettering.palette.shade : undefined,
          strength: 1,
          comes: inlay.comes,
          start,
          end: scene.endSample,
        },
      ]
    }),
  )
  return sign ? [...laid, placedSign(sign, timeline, rooms, frame)] : laid
}

/** With a word that is said no more it comes with the last one. */
function startOf({ words, startSample }: TimelineScene, { word = 0 }: Inlay): number {
  if (word === 0 || !words.length) return startSample
  return itemAt(words, Math.min(word, words.length - 1)).start
}

const placedSign = (
  sign: Sign,
  { samples }: Timeline,
  rooms: readonly Rect[],
  frame: Frame,
): PlacedInlay => ({
  ...spaceFor({ ...sign, turn: 0, round: 0, edge: 0 }, rooms, frame, ''),
  item: sign.item,
  turn: 0,
  shade: undefined,
  strength: sign.strength,
  comes: 'none',
  start: 0,
  end: samples,
})

type Sized = Pick<Inlay, 'item' | 'size' | 'turn' | 'round' | 'edge'> & { at: InlayPlace }

/**
 * The space something takes: in the room of its place, no larger than that.
 *
 * @param colour of its edge
 */
function spaceFor(
  { item, size, turn, round, edge, at }: Sized,
  rooms: readonly Rect[],
  frame: Frame,
  colour: string,
): Pick<PlacedInlay, 'box' | 'around' | 'round' | 'edge'> {
  const shorter = 1080 * frame.unit
  const aspect = item.width && item.height ? item.width / item.height : 4 / 3
  const rim = edge * shorter
  const long = size * shorter
  const [width, height] = aspect > 1 ? [long, long / aspect] : [long * aspect, long]
  const room =
    typeof at === 'string' ? roomFor(placed(at).row, rooms) : roomAt(at.down * frame.height, rooms)
  const whole = turned({ width: width + 2 * rim, height: height + 2 * rim }, turn)
  const scale = Math.min(1, room.width / whole.width, room.height / whole.height)
  const fitted = { width: whole.width * scale, height: whole.height * scale }
  const wanted =
    typeof at === 'string' ? boxAt(fitted, at, room) : boxAround(fitted, at, room, frame)
  const side = (n: number) => Math.max(2, gridded(n * scale, frame, Math.floor))
  const own = { width: side(width), height: side(height) }
  const spare = {
    x: (fitted.width - own.width) / 2,
    y: (fitted.height - own.height) / 2,
  }
  const x = gridBetween(
    wanted.x + spare.x,
    room.x + spare.x,
    right(room) - fitted.width + spare.x,
    frame,
  )
  const y = gridBetween(
    wanted.y + spare.y,
    room.y + spare.y,
    foot(room) - fitted.height + spare.y,
    frame,
  )
  return {
    around: { ...fitted, x: x - spare.x, y: y - spare.y },
    round: round * Math.min(own.width, own.height),
    edge: rim ? { width: rim * scale, colour } : undefined,
    box: { x, y, ...own },
  }
}

/** The nearest line of the grid that leaves something in its room; without one, where it stands. */
function gridBetween(at: number, from: number, to: number, frame: Frame): number {
  const near = [Math.round, Math.floor, Math.ceil].map((way) => gridded(at, frame, way))
  return near.find((line) => line >= from && line <= to) ?? at
}

/** The size of the box around something that is turned. */
function turned({ width, height }: Pick<Rect, 'width' | 'height'>, degrees: number) {
  const [sin, cos] = [Math.sin, Math.cos].map((f) => Math.abs(f((degrees * Math.PI) / 180)))
  const [s, c] = [sin ?? 0, cos ?? 1]
  return { width: width * c + height * s, height: width * s + height * c }
}

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
