import type { Grade } from '@tidy-reel/core/pictures/grade/grade'
import {
  coloursOf,
  KEPT_COLOURS,
  LUT_SIDE,
  LUT_STEP,
  lutOfColours,
} from '@tidy-reel/core/pictures/grade/lut'
import {
  GRAIN_STEPS,
  grainOf,
  overlaidOf,
  vignetteAt,
} from '@tidy-reel/core/pictures/grade/overlaid'
import { keptByText } from '@tidy-reel/core/text/kept-by-text'
import { randomness } from '@tidy-reel/core/text/randomness'
import type { FrameProgram, Size } from './frame-program.ts'

/** Grades frames that lie in a program's memory as YUV 4:2:0 planes, one after the other. */
export interface FrameGrader {
  /** Gives a frame its colours. */
  colour(frame: number, size: Size): void
  /** Lays vignette and grain on a frame of the film's own size; grain moves with its number. */
  overlay(frame: number, n: number): void
}

/** Cells a side: between the points of the table. */
const SIDE = LUT_SIDE - 1
/** Of eight corners of 16 bits. */
const CELL = 8
/** Of grain, so many steps are drawn once and used from another place on in each row. */
const GRAIN_PLACES = 65_536
/** Characters of the shapes of vignettes that are kept: about a dozen. */
const KEPT_MAPS = 150
/** All of a picture's light, as `overlayPlane` counts it. */
const ALL = 32_767

/**
 * @param size of the frames that are overlaid
 */
export function frameGrader(program: FrameProgram, grade: Grade, size: Size): FrameGrader {
  const cells = kept(program, cellsOf(coloursOf(grade)))
  const weights = kept(program, WEIGHTS)
  const overlaid = overlaidOf(grade)
  const overlay =
    overlaid.vignette || overlaid.grain ? overlayOf(program, overlaid, size) : noOverlay
  return {
    colour(frame, { width, height }) {
      const blue = frame + width * height
      const red = blue + (width * height) / 4
      program.gradePlanes(frame, blue, red, width, height, cells, weights)
    },
    overlay,
  }
}

const noOverlay = () => undefined

/** Puts numbers into a program's memory. @returns where */
function kept(program: FrameProgram, numbers: Int16Array | Int8Array | Uint32Array): number {
  const at = program.room(numbers.byteLength)
  new Uint8Array(program.memory.buffer, at, numbers.byteLength).set(
    new Uint8Array(numbers.buffer, numbers.byteOffset, numbers.byteLength),
  )
  return at
}

/** Of each grade's colours, once. */
const cellsOf = keptByText(KEPT_COLOURS, (colours) => gradeCells(lutOfColours(colours)))

/** From a point of the table to the eight corners of its cell: luma, then blue, then red. */
const CORNERS = Array.from({ length: CELL }, (_, corner) => {
  const [dy, du, dv] = [corner & 1, (corner >> 1) & 1, corner >> 2]
  return 3 * (dy + LUT_SIDE * (du + LUT_SIDE * dv))
})

/** A table of colours as `gradePlanes` reads it: of each component, cell by cell its corners. */
function gradeCells(lut: Int16Array): Int16Array {
  const cells = new Int16Array(3 * SIDE ** 3 * CELL)
  let at = 0
  for (let component = 0; component < 3; component++)
    for (let v = 0; v < SIDE; v++)
      for (let u = 0; u < SIDE; u++)
        for (let y = 0; y < SIDE; y++) {
          const point = 3 * (y + LUT_SIDE * (u + LUT_SIDE * v)) + component
          for (const corner of CORNERS) cells[at++] = lut[point + corner]!
        }
  return cells
}

/** Of each place in a cell, how much each corner counts: 512 together. */
function cornerWeights(): Int16Array {
  const weights = new Int16Array(LUT_STEP ** 3 * CELL)
  const share = (near: number, place: number) => (near ? place : LUT_STEP - place)
  for (let place = 0; place < LUT_STEP ** 3; place++) {
    const [y, u, v] = [place & 7, (place >> 3) & 7, place >> 6]
    for (let corner = 0; corner < CELL; corner++)
      weights[place * CELL + corner] =
        share(corner & 1, y) * share(corner & 2, u) * share(corner & 4, v)
  }
  return weights
}

const WEIGHTS = cornerWeights()

function overlayOf(
  program: FrameProgram,
  { vignette, grain }: ReturnType<typeof overlaidOf>,
  { width, height }: Size,
): FrameGrader['overlay'] {
  const [halfWidth, halfHeight] = [width / 2, height / 2]
  const light = kept(program, vignetteMap(vignette, width, height))
  const colour = kept(program, vignetteMap(vignette, halfWidth, halfHeight))
  const noise = grain ? kept(program, grainSteps(grain, width)) : 0
  const rows = grain ? program.room(4 * height) : 0
  return (frame, n) => {
    if (grain) {
      const random = randomness(`grain ${grainOf(n)}`)
      const places = new Uint32Array(program.memory.buffer, rows, height)
      for (let row = 0; row < height; row++) places[row] = Math.floor(random() * GRAIN_PLACES)
    }
    const blue = frame + width * height
    program.overlayPlane(frame, width, height, 16, light, noise, rows)
    if (!vignette) return
    for (const plane of [blue, blue + halfWidth * halfHeight])
      program.overlayPlane(plane, halfWidth, halfHeight, 128, colour, 0, 0)
  }
}

const vignetteMap = (...shape: [vignette: number, width: number, height: number]): Int16Array =>
  drawnVignette(shape.join(' '))

/** Of each strength and size, once: two million square roots at full size. */
const drawnVignette = keptByText(KEPT_MAPS, (shape) => {
  const [vignette = 0, width = 0, height = 0] = shape.split(' ').map(Number)
  const map = new Int16Array(width * height)
  for (let j = 0; j < height; j++)
    for (let i = 0; i < width; i++) {
      const [x, y] = [(2 * i + 1) / width - 1, (2 * j + 1) / height - 1]
      map[j * width + i] = Math.round(ALL * vignetteAt(vignette, x, y))
    }
  return map
})

/** Steps of grain, normally distributed (Box and Muller, 1958). */
function grainSteps(grain: number, width: number): Int8Array {
  const random = randomness('grain')
  const deviation = (GRAIN_STEPS * grain) / 100
  return Int8Array.from({ length: GRAIN_PLACES + width + 16 }, () => {
    const normal = Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
    return Math.max(-127, Math.min(127, Math.round(deviation * normal)))
  })
}
