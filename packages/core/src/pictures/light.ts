import { z } from 'zod'
import { Cast } from './grade/match.ts'
import { Interest } from './interest.ts'
import { letterOf, stepOf, stepsText } from './steps.ts'

/** Cells that a picture's light is told by: at 1,080 lines each is as high as a line of subtitle. */
export const LIGHT_CELLS = { across: 32, down: 18 }
const CELLS = LIGHT_CELLS.across * LIGHT_CELLS.down

const Cells = stepsText(CELLS)

/** How light a picture is, cell by cell from the top left. */
export const Light = z.object({
  /** Width by height of the whole picture. */
  aspect: z.number().positive(),
  /** Of a clip, the lightest each cell becomes, and the darkest. */
  lightest: Cells,
  darkest: Cells,
  /** Where there is something to see: of a clip once a second from its first, of a still once. */
  interest: z.array(Interest),
  /** The light it is in, where that was measured. */
  cast: Cast.optional(),
})
export type Light = z.infer<typeof Light>

/**
 * The light of a picture.
 *
 * @param frames grey, 8 bits a cell, of a still one
 * @throws RangeError for no frame, or one of another size
 */
export function lightOf(
  frames: readonly Uint8Array[],
  aspect: number,
  { interest = [], cast }: { interest?: readonly Interest[]; cast?: Cast } = {},
): Light {
  if (!frames.length || frames.some(({ length }) => length !== CELLS))
    throw new RangeError(`a picture's light is told by frames of ${CELLS} cells`)
  const cells = (choose: (...values: number[]) => number) =>
    Array.from({ length: CELLS }, (_, i) => choose(...frames.map((frame) => frame[i] ?? 0)))
      .map((value) => letterOf(value >> 2))
      .join('')
  return {
    aspect,
    lightest: cells(Math.max),
    darkest: cells(Math.min),
    interest: [...interest],
    ...(cast ? { cast } : {}),
  }
}

/** A part of a picture in shares of it: 0 to 1 from its top left. */
export interface Part {
  x: number
  y: number
  width: number
  height: number
}

/** How dark and how light a part of a picture is, tones of 0 to 1 as screens have them. */
export interface Tones {
  dark: number
  light: number
}

/** So much of a part may be lighter or darker than told: a sparkle hides no letter; by eye. */
const ASIDE = 0.1

/** @returns of the cells a part touches */
export function tonesIn({ lightest, darkest }: Light, { x, y, width, height }: Part): Tones {
  const { across, down } = LIGHT_CELLS
  const within = (n: number, most: number) => Math.min(most - 1, Math.max(0, n))
  const [left, right] = [x, x + width].map((n) => within(Math.floor(n * across), across))
  const [top, foot] = [y, y + height].map((n) => within(Math.floor(n * down), down))
  const lights: number[] = []
  const darks: number[] = []
  for (let row = top ?? 0; row <= (foot ?? 0); row++)
    for (let column = left ?? 0; column <= (right ?? 0); column++) {
      const i = row * across + column
      lights.push(toneOf(lightest[i]))
      darks.push(toneOf(darkest[i]))
    }
  const at = (values: number[], share: number) =>
    values.sort((a, b) => a - b)[Math.round((values.length - 1) * share)] ?? 0
  return { light: at(lights, 1 - ASIDE), dark: at(darks, ASIDE) }
}

/** The middle of its step. */
const toneOf = (letter?: string) => (stepOf(letter) * 4 + 2) / 255
