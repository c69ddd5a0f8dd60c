import { describe, expect, it } from 'vitest'
import { rgbOfYuv, yuvOfRgb } from '@tidy-reel/core/pictures/grade/bt709'
import { gradedColour } from '@tidy-reel/core/pictures/grade/colour'
import { type Grade, GRADE_LOOKS, type Rgb } from '@tidy-reel/core/pictures/grade/grade'
import { vignetteAt } from '@tidy-reel/core/pictures/grade/overlaid'
import { randomness } from '@tidy-reel/core/text/randomness'
import { frameGrader } from './frame-grader.ts'
import { bytesOf, frameProgram, type Size } from './frame-program.ts'

const SIZE = { width: 36, height: 20 }

/** A frame of these planes, graded. */
async function graded(
  planes: readonly Uint8Array[],
  grade: Grade,
  size: Size = SIZE,
  n = 0,
): Promise<Uint8Array> {
  const program = await frameProgram()
  const at = program.room(bytesOf(size))
  const grader = frameGrader(program, grade, size)
  const frame = new Uint8Array(program.memory.buffer, at, bytesOf(size))
  let to = 0
  for (const plane of planes) {
    frame.set(plane, to)
    to += plane.length
  }
  grader.colour(at, size)
  grader.overlay(at, n)
  return frame.slice()
}

/** Planes of one colour. */
const flat = (y: number, u: number, v: number, { width, height } = SIZE) => [
  new Uint8Array(width * height).fill(y),
  new Uint8Array((width * height) / 4).fill(u),
  new Uint8Array((width * height) / 4).fill(v),
]
const componentsOf = (frame: Uint8Array, { width, height } = SIZE) =>
  [0, width * height, (width * height * 5) / 4].map((at) => frame[at]!)

const COLOURS: readonly Rgb[] = [
  [0.5, 0.5, 0.5],
  [0.8, 0.3, 0.2],
  [0.15, 0.3, 0.55],
  [0.92, 0.9, 0.86],
  [0.04, 0.05, 0.06],
]

/** The components in the middle of a frame, where no vignette is. */
function middleOf(frame: Uint8Array, { width, height } = SIZE): number[] {
  const plane = (at: number, w: number, h: number) => {
    const row = at + w * (h / 2) + w / 2
    return mean([-2, -1, 0, 1, 2].map((by) => frame[row + by]!))
  }
  const luma = width * height
  return [
    plane(0, width, height),
    plane(luma, width / 2, height / 2),
    plane(luma * 1.25, width / 2, height / 2),
  ]
}

describe('frameGrader', () => {
  it('leaves every component as it is where nothing is changed', async () => {
    const random = randomness('planes')
    const planes = [720, 180, 180].map((length) =>
      Uint8Array.from({ length }, () => Math.floor(256 * random())),
    )
    expect(await graded(planes, {})).toEqual(Uint8Array.from(planes.flatMap((plane) => [...plane])))
  })
  it.each(GRADE_LOOKS)(
    'gives colours of the look “%s” as the core works them out',
    async (look) => {
      const grade: Grade = { look, exposure: 0.3, saturation: 10 }
      const seen = await Promise.all(
        COLOURS.map(async (rgb) => {
          const [y, u, v] = yuvOfRgb(rgb).map(Math.round) as [number, number, number]
          const wanted = yuvOfRgb(gradedColour(rgbOfYuv(y, u, v), grade))
          return { wanted, frame: await graded(flat(y, u, v), grade) }
        }),
      )
      // Between points of the table it is interpolated; grain of a look is luma's, and spread evenly.
      for (const { wanted, frame } of seen)
        middleOf(frame).forEach((n, i) =>
          expect(Math.abs(n - wanted[i]!)).toBeLessThanOrEqual(look === 'reel' && i === 0 ? 6 : 2),
        )
    },
  )
  it('darkens towards the corners as the core says, colours too', async () => {
    const frame = await graded(flat(200, 90, 160), { vignette: 80 })
    const corner = vignetteAt(80, 1 / 36 - 1, 1 / 20 - 1)
    const [y, u] = componentsOf(frame)
    expect(Math.abs(y! - (16 + 184 * corner))).toBeLessThanOrEqual(1)
    expect(Math.abs(u! - (128 - 38 * corner))).toBeLessThanOrEqual(1)
    const middle = 36 * 10 + 18
    expect(frame[middle]).toBe(200)
  })
  it('lays grain of the asked-for deviation on luma alone, the same for two frames each', async () => {
    const size = { width: 320, height: 180 }
    const [one, again, next] = await Promise.all(
      [6, 7, 8].map((n) => graded(flat(120, 128, 128, size), { grain: 50 }, size, n)),
    )
    const luma = [...one!.subarray(0, 320 * 180)]
    const deviation = Math.sqrt(mean(luma.map((n) => (n - 120) ** 2)))
    expect(deviation).toBeGreaterThan(6.5)
    expect(deviation).toBeLessThan(7.6)
    expect(Math.abs(mean(luma) - 120)).toBeLessThan(0.1)
    expect(new Set(one!.subarray(320 * 180))).toEqual(new Set([128]))
    expect(again).toEqual(one)
    expect(next).not.toEqual(one)
  })
})

const mean = (numbers: readonly number[]) => numbers.reduce((sum, n) => sum + n, 0) / numbers.length
