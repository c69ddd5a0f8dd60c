import { SLOWED_MOST } from '../pictures/clip.ts'
import {
  type BestView,
  bestViewOf,
  type Framing,
  isWorded,
  losesItsSubject,
  MIDDLE_VIEW,
} from '../pictures/framing.ts'
import type { Grade } from '../pictures/grade/grade.ts'
import type { ChosenItem } from '../pictures/item.ts'
import { type MoveKind, stillMove, viewAnew } from '../pictures/move.ts'
import type { Move } from '../pictures/view.ts'
import { SAMPLE_RATE } from '../time/time.ts'
import type { TimelineShot } from '../timeline/timeline.ts'

/** One picture, of a file. */
export type FileSource = (
  | { kind: 'photo'; item: ChosenItem; move: Move }
  /** `slip`: samples left out at its beginning. Without `move` it is seen whole. */
  | { kind: 'clip'; item: ChosenItem; slip: number; speed: number; move?: Move }
) & {
  grade?: Grade
  /** It stands whole, on a ground made of itself. */
  isWhole?: true
}

/** Of a clip, so many seconds are there to be seen, however much of it is left out. */
const LEAST_LEFT = 0.5

/** A wide film of whose pictures nobody has looked at any. */
export const UNSEEN: Framing = { aspect: 16 / 9, lights: new Map() }

/** For how many seconds a picture is seen, and how often it has been seen before. */
export interface Seen {
  seconds: number
  times: number
  /** How a still moves by itself. */
  kind: MoveKind
}

type HowSeen = Pick<TimelineShot, 'slip' | 'speed' | 'frame' | 'fit' | 'grade'>

/** What is seen of a picture's file, and how it moves. */
export function fileSource(
  item: ChosenItem,
  shot: HowSeen,
  seen: Seen,
  framing: Framing,
): FileSource {
  const graded = shot.grade ? { grade: shot.grade } : {}
  const isWhole = standsWhole(item, shot, framing)
  const whole = isWhole ? ({ isWhole } as const) : {}
  if (item.kind === 'clip') {
    const { move: set, ...part } = clipPart(item, shot, seen, framing)
    const move = isWhole ? undefined : (set ?? clipMove(item, part, seen, framing))
    return { kind: 'clip', item, ...part, ...(move ? { move } : {}), ...whole, ...graded }
  }
  const byItself = isWhole ? wholeMove(seen) : moveOfStill(item, seen, framing)
  return { kind: 'photo', item, move: shot.frame ?? byItself, ...whole, ...graded }
}

/** Whether a picture is not to be cropped to the film's shape. */
function standsWhole(item: ChosenItem, { fit, frame }: HowSeen, framing: Framing): boolean {
  if (fit) return fit === 'whole'
  const light = framing.lights.get(item.id)
  return !frame && !!light && losesItsSubject(item.title, light, framing.aspect)
}

/**
 * One that stands whole on its ground comes closer until it reaches the film's edges; slower, it
 * would be taken for one that has frozen.
 */
const WHOLE_CLOSER = { most: 0.1, aSecond: 0.02 }

function wholeMove({ seconds }: Seen): Move {
  const closer = Math.min(WHOLE_CLOSER.most, WHOLE_CLOSER.aSecond * seconds)
  return { from: MIDDLE_VIEW.at(1), to: MIDDLE_VIEW.at(1 - closer) }
}

function moveOfStill(item: ChosenItem, seen: Seen, framing: Framing): Move {
  const best = bestOf(item, framing)
  // Words that move are hard to read.
  if (isWorded(item.title)) return { from: best.at(1), to: best.at(1) }
  return stillMove({ ...seen, seed: item.id, best })
}

function bestOf({ id }: ChosenItem, { lights, aspect: film }: Framing): BestView {
  const light = lights.get(id)
  return light ? bestViewOf(light, film) : MIDDLE_VIEW
}

/** A clip of nearly the film's shape is seen whole. */
const SAME_SHAPE = 1.03
/** What goes less far, in parts of the picture, is not followed. */
const STANDS_STILL = 0.06
/** As fast as a view follows what it shows, in parts of the picture a second. */
const FOLLOWS = 0.04

/**
 * A clip of another shape than the film's is cropped to where there is most to see; what goes
 * elsewhere meanwhile is followed evenly.
 */
function clipMove(
  item: ChosenItem,
  { slip, speed }: { slip: number; speed: number },
  { seconds }: Seen,
  { aspect: film, lights }: Framing,
): Move | undefined {
  const light = lights.get(item.id)
  if (!light?.interest.length) return undefined
  const { aspect } = light
  if (Math.max(aspect / film, film / aspect) < SAME_SHAPE) return undefined
  const count = light.interest.length
  const from = Math.min(count - 1, Math.floor(slip / SAMPLE_RATE))
  const to = Math.min(count, from + Math.max(1, Math.ceil(seconds * speed)))
  const half = Math.ceil((to - from) / 2)
  const view = (first: number, end: number) => bestViewOf(light, film, [first, end]).at(1)
  const [all, early, late] = [view(from, to), view(from, from + half), view(to - half, to)]
  const [dx, dy] = [late.x - early.x, late.y - early.y]
  const way = Math.hypot(dx, dy)
  if (way < STANDS_STILL) return { from: all, to: all }
  const part = Math.min(1, (FOLLOWS * seconds) / way) / 2
  const [x, y] = [(early.x + late.x) / 2, (early.y + late.y) / 2]
  return {
    from: { x: x - dx * part, y: y - dy * part, scale: 1 },
    to: { x: x + dx * part, y: y + dy * part, scale: 1 },
  }
}

/**
 * What is seen of a clip. It never begins again: a little too short, it runs slower; where that is
 * not enough, its last frame stands. One that was seen before shows another part of itself, or is
 * seen from nearer.
 */
function clipPart(
  item: ChosenItem,
  { slip, speed, frame }: HowSeen,
  { seconds, times }: Seen,
  framing: Framing,
): { slip: number; speed: number; move?: Move } {
  const move = frame ? { move: frame } : {}
  if (item.seconds === null) return { slip, speed, ...move }
  const wanted = seconds * speed
  const asked = Math.min(slip / SAMPLE_RATE, Math.max(0, item.seconds - LEAST_LEFT))
  const spare = item.seconds - asked - wanted
  const isFree = times > 0 && slip === 0
  const skipped =
    isFree && spare >= wanted ? wanted * Math.min(times, Math.floor(spare / wanted)) : 0
  const there = item.seconds - asked - skipped
  const slowed = Math.max(1 - SLOWED_MOST, Math.min(1, there / wanted))
  const view = viewAnew(item.id, times, bestOf(item, framing))
  return {
    slip: Math.round((asked + skipped) * SAMPLE_RATE),
    speed: speed * slowed,
    ...(isFree && !skipped && !frame ? { move: { from: view, to: view } } : move),
  }
}
