import type { Grade } from './grade.ts'
import { LOOKS } from './looks.ts'

/** How much darker the corners are at 100. */
export const VIGNETTE_DARKEST = 0.72
/** Parts of the way to a corner: up to here nothing is darker. */
export const VIGNETTE_FREE = 0.3

/** What of a grade is no matter of one colour: vignette and grain, with those of its look. */
export function overlaidOf({ look, strength = 100, vignette = 0, grain = 0 }: Grade): {
  vignette: number
  grain: number
} {
  const of = look && look !== 'none' ? LOOKS[look] : {}
  const with100 = (own: number, its = 0) => Math.min(100, own + (its * strength) / 100)
  return { vignette: with100(vignette, of.vignette), grain: with100(grain, of.grain) }
}

/**
 * How much of its light a place keeps under a vignette.
 *
 * @param vignette 0 to 100
 * @param x        across the picture, −1 to 1 from edge to edge; so `y`, down
 * @returns 1 in the middle, less towards the corners
 */
export function vignetteAt(vignette: number, x: number, y: number): number {
  const way = Math.sqrt((x * x + y * y) / 2)
  const t = Math.min(1, Math.max(0, (way - VIGNETTE_FREE) / (1 - VIGNETTE_FREE)))
  return 1 - (vignette / 100) * VIGNETTE_DARKEST * t * t * (3 - 2 * t)
}

/**
 * Which grain a frame has: each stands for two, which an encoder takes much more easily than one that
 * is new each time, and looks calmer.
 */
export const grainOf = (frame: number): number => frame >> 1

/** Standard deviation of grain at 100, in steps of 8-bit luma. */
export const GRAIN_STEPS = 14
