import { itemAt } from '../faults/certain.ts'
import { chance } from '../text/hash.ts'
import type { BestView } from './framing.ts'
import type { Move, View } from './view.ts'

/**
 * How fast a still moves, in parts of it a second: slow enough not to be noticed (common practice).
 */
const CALM = 0.02
/**
 * From the whole to a part of it, one is led somewhere; and films are wide, so that upwards or down
 * the same part of a picture is fewer pixels.
 */
const LED = 0.03
/** A picture that stands for long does not come closer than this: it moves slower instead. */
const FURTHEST = 0.2
const FURTHEST_LED = 0.3
/** So much closer is a picture seen that has been seen before, and so far from its middle. */
const ANEW = { scale: 0.84, aside: 0.07 }
/** A move sets in and comes to rest within so many seconds. */
const EASE_SECONDS = 0.7

/** What a still does while it is seen. */
export const MOVES = [
  'push in',
  'pull out',
  'drift left',
  'drift right',
  'drift up',
  'drift down',
  'to a part',
  'to the whole',
] as const
export type MoveKind = (typeof MOVES)[number]

const LED_KINDS: readonly MoveKind[] = ['to a part', 'to the whole', 'drift up', 'drift down']

/** Kinds that look alike: neighbours are not of one. */
const FAMILIES: Record<MoveKind, 'in' | 'out' | 'across' | 'along'> = {
  'push in': 'in',
  'to a part': 'in',
  'pull out': 'out',
  'to the whole': 'out',
  'drift left': 'across',
  'drift right': 'across',
  'drift up': 'along',
  'drift down': 'along',
}

/**
 * The kind of a still's move: the same for the same picture, but not like the one before.
 *
 * @param before of the still seen before, if any
 */
export function moveKind(seed: string, times: number, before?: MoveKind): MoveKind {
  const first = Math.floor(chance(`${seed} kind`) * MOVES.length) + 3 * times
  const inTurn = MOVES.map((_, i) => itemAt(MOVES, (first + i) % MOVES.length))
  const isUnlike = (kind: MoveKind) => !before || FAMILIES[kind] !== FAMILIES[before]
  return itemAt(inTurn.filter(isUnlike), 0)
}

/** What decides how a still moves. */
export interface Still {
  /** Such as the id of the picture. */
  seed: string
  /** For which it is seen. */
  seconds: number
  /** How often it has been seen before in the film; then it is framed and moved anew. */
  times: number
  kind: MoveKind
  /** Where there is most to see. */
  best: BestView
}

/**
 * The move of a still, at one calm speed, towards what it shows or away from it.
 *
 * @returns views of 0.54 to 1 of the whole picture
 */
export function stillMove({ seed, seconds, times, kind, best }: Still): Move {
  const isLed = LED_KINDS.includes(kind)
  const way = isLed ? Math.min(FURTHEST_LED, LED * seconds) : Math.min(FURTHEST, CALM * seconds)
  const far = times ? viewAnew(seed, times, best) : best.at(1)
  const near = times ? { ...far, scale: far.scale - way } : inside(far, best.at(1 - way))
  switch (kind) {
    case 'push in':
    case 'to a part':
      return { from: far, to: near }
    case 'pull out':
    case 'to the whole':
      return { from: near, to: far }
    case 'drift left':
      return drift(near, -way, 'x', best.across)
    case 'drift right':
      return drift(near, way, 'x', best.across)
    case 'drift up':
      return drift(near, -way, 'y', best.down)
    case 'drift down':
      return drift(near, way, 'y', best.down)
  }
}

/** The nearer view, within the one further off: so nothing leaves on both sides at once. */
function inside(far: View, near: View): View {
  const reach = (far.scale - near.scale) / 2
  const within = (n: number, middle: number) =>
    Math.min(middle + reach, Math.max(middle - reach, n))
  return { ...near, x: within(near.x, far.x), y: within(near.y, far.y) }
}

/**
 * A view that goes so far one way, in parts of the largest one, and is in its place half-way;
 * nearer to the picture's middle where it would come to its edge.
 *
 * @param share how much of the picture the largest view shows that way
 */
function drift(view: View, way: number, axis: 'x' | 'y', share: number): Move {
  const half = (share * way) / 2
  const room = Math.min(0.5, (share * view.scale) / 2 + Math.abs(half))
  const middle = Math.min(1 - room, Math.max(room, view[axis]))
  return {
    from: { ...view, [axis]: middle - half },
    to: { ...view, [axis]: middle + half },
  }
}

/** How a picture is framed that has been seen before in the film: closer, on one side or the other. */
export function viewAnew(seed: string, times: number, best: BestView): View {
  const side = (times % 2 ? 1 : -1) * (chance(`${seed} side`) < 0.5 ? 1 : -1)
  const view = best.at(ANEW.scale)
  const within = (n: number) => Math.min(1, Math.max(0, n))
  return { ...view, x: within(view.x + side * ANEW.aside * best.across) }
}

/**
 * The part of a move's length over which it sets in, and over which it comes to rest.
 *
 * @returns above 0, at most 0.5
 */
export const easeOf = (seconds: number): number => Math.min(0.5, EASE_SECONDS / seconds)

/**
 * How far a move has come: evenly but for its ends, where it speeds up and slows down evenly.
 *
 * @param time 0 at its first frame, 1 at its last
 * @param ease as `easeOf` tells
 * @returns 0 to 1
 */
export function eased(time: number, ease: number): number {
  const ramp = 2 * ease * (1 - ease)
  if (time < ease) return time ** 2 / ramp
  if (time > 1 - ease) return 1 - (1 - time) ** 2 / ramp
  return (time - ease / 2) / (1 - ease)
}

/** A rectangle of the source picture, in its pixels, fractions allowed. */
export interface Crop {
  x: number
  y: number
  width: number
  height: number
}

/**
 * The part of a picture shown at a moment of a move, of exactly the film's shape.
 *
 * @param progress how far the move has come, as `eased` tells: 0 to 1
 */
export function cropAt(
  move: Move,
  progress: number,
  source: { width: number; height: number },
  aspect: number,
): Crop {
  const mix = (a: number, b: number) => a + (b - a) * progress
  const widest = Math.min(source.width, source.height * aspect)
  const scale = mix(move.from.scale, move.to.scale)
  const width = widest * scale
  const height = width / aspect
  const place = (centre: number, whole: number, part: number) =>
    Math.min(whole - part, Math.max(0, centre * whole - part / 2))
  return {
    x: place(mix(move.from.x, move.to.x), source.width, width),
    y: place(mix(move.from.y, move.to.y), source.height, height),
    width,
    height,
  }
}
