import { execFileSync } from 'node:child_process'
import { describe, expect, it } from 'vitest'
import { GROUND_DIM, standsWhole } from '@tidy-reel/core/pictures/ground'
import { cropAt, eased, easeOf } from '@tidy-reel/core/pictures/move'
import type { Move } from '@tidy-reel/core/pictures/view'
import { viewFilter } from './view-filter.ts'
import { wholeFilter } from './whole-filter.ts'

const [WIDE, HIGH, FRAMES] = [640, 360, 12]
/** Tones that tell a place: those of a column, of a row, or one for all. */
const RAMPS = {
  across: `16+200*X/${WIDE}`,
  down: `16+200*Y/${HIGH}`,
  white: '235',
}

function framesOf(ramp: keyof typeof RAMPS, filter: string, [width, height]: [number, number]) {
  const size = (width * height * 3) / 2
  const raw = execFileSync(
    'ffmpeg',
    [
      ...['-v', 'error', '-nostdin', '-f', 'lavfi', '-i'],
      `color=c=black:s=${WIDE}x${HIGH}:r=30,trim=end_frame=1,format=yuv420p,` +
        `geq=lum='${RAMPS[ramp]}':cb=128:cr=128,setparams=range=tv:colorspace=bt709,loop=-1:1,` +
        `trim=end_frame=${FRAMES}`,
      ...['-filter_complex', `[0:v]${filter}`, '-f', 'rawvideo', '-pix_fmt', 'yuv420p', 'pipe:1'],
    ],
    { maxBuffer: 40 * size },
  )
  const frames = Array.from({ length: raw.length / size }, (_, i) =>
    raw.subarray(i * size, (i + 1) * size),
  )
  return (n: number, x: number, y: number) =>
    frames.at(n)?.[Math.round(y * (height - 1)) * width + Math.round(x * (width - 1))] ?? -1
}

const PANS: Record<string, Move> = {
  stands: { from: { x: 0.7, y: 0.4, scale: 0.8 }, to: { x: 0.7, y: 0.4, scale: 0.8 } },
  moves: { from: { x: 0.2, y: 0.5, scale: 1 }, to: { x: 0.8, y: 0.5, scale: 0.7 } },
}
const FILMS: [string, [number, number]][] = [
  ['upright', [180, 320]],
  ['square', [240, 240]],
  ['its own shape', [320, 180]],
]

/** Tones lose as much when ffmpeg brings them to BT.709. */
const ROUNDED = 3

describe('viewFilter', () => {
  it.each(FILMS)('shows of a clip what cropAt tells, in a film that is %s', (_name, film) => {
    const [width, height] = film
    const ease = easeOf(FRAMES / 30)
    for (const [how, move] of Object.entries(PANS)) {
      const filter = viewFilter(
        move,
        { first: 0, span: FRAMES, ease },
        { width, height, fits: false },
      )
      const [across, down] = [framesOf('across', filter, film), framesOf('down', filter, film)]
      for (const n of [0, 5, FRAMES - 1]) {
        const progress = eased(n / (FRAMES - 1), ease)
        const crop = cropAt(move, progress, { width: WIDE, height: HIGH }, width / height)
        for (const share of [0.1, 0.5, 0.9]) {
          const where = `${how}, frame ${n} at ${share}`
          const column = 16 + (200 * (crop.x + share * crop.width)) / WIDE
          const row = 16 + (200 * (crop.y + share * crop.height)) / HIGH
          expect(Math.abs(across(n, share, 0.5) - column), where).toBeLessThanOrEqual(ROUNDED + 1.5)
          expect(Math.abs(down(n, 0.5, share) - row), where).toBeLessThanOrEqual(ROUNDED + 1.5)
        }
      }
    }
  })
})

describe('wholeFilter', () => {
  it.each(FILMS)(
    'stands a picture whole on its darkened self, in a film that is %s',
    (_n, film) => {
      const [width, height] = film
      const at = framesOf('white', wholeFilter({ width, height }, 'w'), film)
      const box = standsWhole(WIDE / HIGH, { width, height })
      const ground = Math.round(16 + GROUND_DIM * 219)
      const corner = at(0, (box.x + 3) / width, (box.y + 3) / height)
      for (const tone of [at(0, 0.5, 0.5), corner])
        expect(Math.abs(tone - 235)).toBeLessThanOrEqual(ROUNDED)
      expect(Math.abs(at(0, 0.5, 0.01) - ground)).toBeLessThanOrEqual(ROUNDED)
      const across = framesOf('across', wholeFilter({ width, height }, 'w'), film)
      for (const share of [0.1, 0.5, 0.9])
        expect(
          Math.abs(across(0, (box.x + share * box.width) / width, 0.5) - (16 + 200 * share)),
        ).toBeLessThanOrEqual(ROUNDED + 1.5)
    },
  )
})
