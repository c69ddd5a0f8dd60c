import { chance } from '../text/hash.ts'
import type { Move, View } from './view.ts'

/**
 * How much closer a move ends, or how far it wanders: slow enough not to be noticed as such (common
 * practice).
 */
const PUSH = 0.1

/**
 * The move of a still: a push in, a pull out or a drift, always the same for the same picture.
 *
 * @param seed such as the id of the picture
 * @returns views of 0.9 to 1 of the whole picture
 */
export function stillMove(seed: string): Move {
  const kind = Math.floor(chance(`${seed} kind`) * 4)
  const aside = (chance(`${seed} aside`) - 0.5) * 0.06
  const near: View = { x: 0.5 + aside, y: 0.5 - Math.abs(aside) / 2, scale: 1 - PUSH }
  const far: View = { x: 0.5, y: 0.5, scale: 1 }
  if (kind === 0 || kind === 1) return { from: far, to: near }
  if (kind === 2) return { from: near, to: far }
  const drift = PUSH / 2
  const left: View = { x: 0.5 - drift, y: 0.5, scale: 1 - PUSH }
  const right: View = { x: 0.5 + drift, y: 0.5, scale: 1 - PUSH }
  return chance(`${seed} way`) < 0.5 ? { from: left, to: right } : { from: right, to: left }
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
 * @param progress 0 at the first frame, 1 at the last
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
