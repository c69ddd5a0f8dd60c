import { chance } from '../text/hash.ts'
import type { Move, View } from './view.ts'

/** How fast a still moves, in parts of it a second: slow enough not to be noticed (common practice). */
const CALM = 0.02
/** A picture that stands for long does not come closer than this: it moves slower instead. */
const FURTHEST = 0.2
/** So much closer is a picture seen that has been seen before, and so far from its middle. */
const ANEW = { scale: 0.84, aside: 0.07 }
/** A move sets in and comes to rest within so many seconds. */
const EASE_SECONDS = 0.7

/**
 * The move of a still: a push in, a pull out or a drift, always the same for the same picture and
 * length, at one calm speed.
 *
 * @param seed    such as the id of the picture
 * @param seconds for which it is seen
 * @param times   how often it has been seen before in the film; then it is framed and moved anew
 * @returns views of 0.64 to 1 of the whole picture
 */
export function stillMove(seed: string, seconds: number, times = 0): Move {
  const own = times ? `${seed} again ${times}` : seed
  const way = Math.min(FURTHEST, CALM * seconds)
  const far = times ? viewAnew(seed, times) : { x: 0.5, y: 0.5, scale: 1 }
  const kind = (Math.floor(chance(`${seed} kind`) * 4) + times) % 4
  const scale = far.scale - way
  if (kind === 3) {
    const left: View = { x: far.x - way / 2, y: far.y, scale }
    const right: View = { x: far.x + way / 2, y: far.y, scale }
    return chance(`${own} way`) < 0.5 ? { from: left, to: right } : { from: right, to: left }
  }
  const aside = (chance(`${own} aside`) - 0.5) * 0.6 * way
  const near: View = { x: far.x + aside, y: far.y - Math.abs(aside) / 2, scale }
  return kind === 2 ? { from: near, to: far } : { from: far, to: near }
}

/** How a picture is framed that has been seen before in the film: closer, on one side or the other. */
export function viewAnew(seed: string, times: number): View {
  const side = (times % 2 ? 1 : -1) * (chance(`${seed} side`) < 0.5 ? 1 : -1)
  return { x: 0.5 + side * ANEW.aside, y: 0.5, scale: ANEW.scale }
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
