import type { Film } from '../document/film-scenes.ts'
import { itemAt } from '../faults/certain.ts'
import type { Inlay, InlayPlace, Sign } from '../pictures/inlay.ts'
import type { Timeline, TimelineScene } from '../timeline/timeline.ts'
import { foot, type Frame, gridded, type Rect, right } from './lettering/frame.ts'
import { boxAround, boxAt, roomAt, roomFor } from './lettering/rooms.ts'
import type { PlacedInlay } from './placed-inlay.ts'
import { placed } from './subtitles/cue-place.ts'
import { roomsWhile, type SubtitlesWhile } from './subtitles/subtitle-rooms.ts'

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
  subtitles?: SubtitlesWhile,
): PlacedInlay[] {
  const roomsFor = (stretch: { start: number; end: number }) =>
    roomsWhile(stretch, { lettering, frame, ...(subtitles ? { subtitles } : {}) })
  const laid = timeline.scenes.flatMap((scene) =>
    (scene.inlays ?? []).flatMap((inlay, index): PlacedInlay[] => {
      const start = startOf(scene, inlay)
      if (scene.endSample <= start) return []
      const rooms = roomsFor({ start, end: scene.endSample })
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
  return sign
    ? [...laid, placedSign(sign, timeline, roomsFor({ start: 0, end: timeline.samples }), frame)]
    : laid
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
