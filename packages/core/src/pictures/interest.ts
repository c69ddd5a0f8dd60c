import { z } from 'zod'
import { lastOf } from '../faults/certain.ts'
import { letterOf, stepOf, stepsText } from './steps.ts'

/** Pixels a picture is looked at in, whatever its shape. */
export const INTEREST_PIXELS = { width: 128, height: 72 }
/** Parts its interest is told by, each way. */
export const INTEREST_PARTS = { across: 32, down: 18 }

/**
 * Where in a picture there is something to see: how much of it in each column from the left, and in
 * each row from the top.
 */
export const Interest = z.object({
  across: stepsText(INTEREST_PARTS.across),
  down: stepsText(INTEREST_PARTS.down),
})
export type Interest = z.infer<typeof Interest>

type Lab = readonly [lightness: number, greenRed: number, blueYellow: number]

/** Cells that are compared with each other: each so many pixels wide and high. */
const CELL = 4
const [ACROSS, DOWN] = [INTEREST_PIXELS.width / CELL, INTEREST_PIXELS.height / CELL]

/**
 * What of a picture draws the eye: what is unlike its surroundings and unlike the picture's edges,
 * sharp, and not far from the middle.
 *
 * A plain measure after Itti, Koch and Niebur 1998 (centre against surround, at several sizes) and
 * Zhu et al. 2014 (what goes on over the edges is background); both from memory.
 *
 * @param pixels RGB, 8 bits each, `INTEREST_PIXELS` of them
 * @throws RangeError for another number of pixels
 */
export function interestOf(pixels: Uint8Array): Interest {
  const { width, height } = INTEREST_PIXELS
  if (pixels.length !== width * height * 3)
    throw new RangeError(`interest is told of ${width} × ${height} pixels`)
  const cells = cellsOf(pixels)
  const map = saliency(cells)
  const across = Array.from({ length: ACROSS }, (_, x) => sumOf(DOWN, (y) => map[y * ACROSS + x]))
  const down = Array.from({ length: DOWN }, (_, y) => sumOf(ACROSS, (x) => map[y * ACROSS + x]))
  return { across: letters(across), down: letters(down) }
}

const sumOf = (count: number, of: (i: number) => number | undefined) => {
  let sum = 0
  for (let i = 0; i < count; i++) sum += of(i) ?? 0
  return sum
}

function letters(values: readonly number[]): string {
  const most = Math.max(...values, 1e-9)
  return values.map((value) => letterOf(Math.round((63 * value) / most))).join('')
}

interface Cell {
  lab: Lab
  /** How much its pixels differ from each other in lightness. */
  detail: number
}

function cellsOf(pixels: Uint8Array): Cell[] {
  const { width } = INTEREST_PIXELS
  return Array.from({ length: ACROSS * DOWN }, (_, i): Cell => {
    const [left, top] = [(i % ACROSS) * CELL, Math.floor(i / ACROSS) * CELL]
    const [sum, count] = [[0, 0, 0], CELL * CELL]
    let squares = 0
    for (let y = top; y < top + CELL; y++)
      for (let x = left; x < left + CELL; x++) {
        const at = 3 * (y * width + x)
        const lab = labOf(pixels[at] ?? 0, pixels[at + 1] ?? 0, pixels[at + 2] ?? 0)
        for (let c = 0; c < 3; c++) sum[c]! += lab[c]! / count
        squares += lab[0] ** 2 / count
      }
    const [l, a, b] = sum as unknown as Lab
    return { lab: [l, a, b], detail: Math.sqrt(Math.max(0, squares - l ** 2)) }
  })
}

/** The light of each tone of sRGB. */
const LINEAR = Array.from({ length: 256 }, (_, tone) => {
  const share = tone / 255
  return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4
})

/** CIE L*a*b* of sRGB under D65 (IEC 61966-2-1, CIE 15; from memory). */
function labOf(red: number, green: number, blue: number): Lab {
  const [r, g, b] = [LINEAR[red] ?? 0, LINEAR[green] ?? 0, LINEAR[blue] ?? 0]
  const f = (t: number) => (t > 0.008856 ? Math.cbrt(t) : 7.787 * t + 16 / 116)
  const x = f((0.4124 * r + 0.3576 * g + 0.1805 * b) / 0.9505)
  const y = f(0.2126 * r + 0.7152 * g + 0.0722 * b)
  const z = f((0.0193 * r + 0.1192 * g + 0.9505 * b) / 1.089)
  return [116 * y - 16, 500 * (x - y), 200 * (y - z)]
}

const apart = (a: Lab, b: Lab) =>
  Math.sqrt(0.49 * (a[0] - b[0]) ** 2 + (a[1] - b[1]) ** 2 + (a[2] - b[2]) ** 2)

/** Of each cell, 0 for nothing to see. */
function saliency(cells: readonly Cell[]): number[] {
  const surround = fromSurround(cells)
  const edge = fromEdges(cells)
  const detail = sharpness(cells)
  const own = cells.map((_, i) => surround[i]! * 0.5 + edge[i]! + 0.35 * detail[i]!)
  return scaled(own).map((value, i) => {
    const [x, y] = [((i % ACROSS) + 0.5) / ACROSS, (Math.floor(i / ACROSS) + 0.5) / DOWN]
    const middle = Math.exp(-(((x - 0.5) / 0.36) ** 2) - ((y - 0.56) / 0.4) ** 2)
    return value ** 2 * (0.15 + 0.85 * middle)
  })
}

/** Each cell against the mean around it, at three sizes. */
function fromSurround(cells: readonly Cell[]): number[] {
  const out = new Array<number>(cells.length).fill(0)
  for (const reach of [3, 6, 10]) {
    const means = [0, 1, 2].map((c) =>
      boxMean(
        cells.map(({ lab }) => lab[c]!),
        reach,
      ),
    )
    const inner = [0, 1, 2].map((c) =>
      boxMean(
        cells.map(({ lab }) => lab[c]!),
        1,
      ),
    )
    for (let i = 0; i < cells.length; i++)
      out[i]! += apart(
        [inner[0]![i]!, inner[1]![i]!, inner[2]![i]!],
        [means[0]![i]!, means[1]![i]!, means[2]![i]!],
      )
  }
  return scaled(out)
}

/** How far each cell's colour is from the nearest colours of the picture's edges. */
function fromEdges(cells: readonly Cell[]): number[] {
  const rim = cells.flatMap(({ lab }, i) => {
    const [x, y] = [i % ACROSS, Math.floor(i / ACROSS)]
    return x < 1 || x >= ACROSS - 1 || y < 1 || y >= DOWN - 1 ? [{ lab, x, y }] : []
  })
  return scaled(
    cells.map(({ lab }, i) => {
      const [x, y] = [i % ACROSS, Math.floor(i / ACROSS)]
      // The nearest three, so that one odd pixel of an edge does not count for all of it.
      let [first, second, third] = [Infinity, Infinity, Infinity]
      for (const one of rim) {
        const far = apart(lab, one.lab) + 0.6 * Math.sqrt((x - one.x) ** 2 + (y - one.y) ** 2)
        if (far < first) [first, second, third] = [far, first, second]
        else if (far < second) [second, third] = [far, second]
        else if (far < third) third = far
      }
      return (first + second + third) / 3
    }),
  )
}

/** What is in focus, against what is as busy everywhere. */
function sharpness(cells: readonly Cell[]): number[] {
  const smooth = boxMean(
    cells.map(({ detail }) => detail),
    1,
  )
  const usual = [...smooth].sort((a, b) => a - b)[Math.floor(smooth.length / 2)] ?? 0
  return scaled(smooth.map((value) => Math.max(0, value - usual)))
}

/** The mean around each cell, so many cells each way as far as there are any. */
function boxMean(values: readonly number[], reach: number): number[] {
  // Sums of everything left of and above each corner: a box is four of them.
  const wide = ACROSS + 1
  const sums = new Float64Array(wide * (DOWN + 1))
  for (let y = 0; y < DOWN; y++)
    for (let x = 0; x < ACROSS; x++) {
      const at = (y + 1) * wide + x + 1
      sums[at] = values[y * ACROSS + x]! + sums[at - 1]! + sums[at - wide]! - sums[at - wide - 1]!
    }
  return values.map((_, i) => {
    const [x, y] = [i % ACROSS, Math.floor(i / ACROSS)]
    const [left, right] = [Math.max(0, x - reach), Math.min(ACROSS, x + reach + 1)]
    const [top, foot] = [Math.max(0, y - reach), Math.min(DOWN, y + reach + 1)]
    const at = (row: number, column: number) => sums[row * wide + column]!
    const sum = at(foot, right) - at(foot, left) - at(top, right) + at(top, left)
    return sum / ((right - left) * (foot - top))
  })
}

/** From 0 to 1; all 0 where all are equal. */
function scaled(values: readonly number[]): number[] {
  const [least, most] = [Math.min(...values), Math.max(...values)]
  return values.map((value) => (most > least ? (value - least) / (most - least) : 0))
}

/** Of several moments, what is to be seen in all of them together. */
export const interestIn = (moments: readonly Interest[]): { across: number[]; down: number[] } => {
  const added = (part: keyof Interest) =>
    Array.from({ length: INTEREST_PARTS[part] }, (_, i) =>
      sumOf(moments.length, (n) => stepOf(moments[n]?.[part][i])),
    )
  return { across: added('across'), down: added('down') }
}

/** Places of a window that are tried. */
const TRIED = 200
/** So much more counts what lies in the inner half of what is seen. */
const INNER = 0.5
/** So little is enough for a window to stay nearer to the picture's middle. */
const ASIDE = 0.02

/**
 * Where a window over a picture shows most of what there is to see.
 *
 * @param values of `interestIn`, one way
 * @param share  of the picture's length that way that the window shows, 0 to 1
 * @returns its middle, 0 to 1, and what part of the interest it shows, 1 where there is none
 */
export function bestWindow(
  values: readonly number[],
  share: number,
): { middle: number; kept: number } {
  const count = values.length
  const all = values.reduce((sum, value) => sum + value, 0)
  if (!all || share >= 1) return { middle: 0.5, kept: 1 }
  const before = [0]
  for (const value of values) before.push(lastOf(before) + value)
  const until = (at: number) => {
    const within = Math.min(count, Math.max(0, at))
    const whole = Math.floor(within)
    return (before[whole] ?? 0) + (within - whole) * (values[whole] ?? 0)
  }
  const width = share * count
  let best = { middle: 0.5, kept: 1, score: -Infinity }
  for (let n = 0; n <= TRIED; n++) {
    const from = (n / TRIED) * (count - width)
    const kept = until(from + width) - until(from)
    const inner = until(from + 0.75 * width) - until(from + 0.25 * width)
    const middle = (from + width / 2) / count
    const score = kept + INNER * inner - ASIDE * all * Math.abs(middle - 0.5)
    if (score > best.score) best = { middle, kept: kept / all, score }
  }
  return { middle: best.middle, kept: best.kept }
}
