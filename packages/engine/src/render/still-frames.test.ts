import { execFileSync } from 'node:child_process'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { MIDDLE_VIEW } from '@tidy-reel/core/pictures/framing'
import { type MoveKind, stillMove } from '@tidy-reel/core/pictures/move'
import type { Move } from '@tidy-reel/core/pictures/view'
import { folder, photograph } from '../test/lying-library.ts'
import { frameProgram } from './frame-program.ts'
import { stillFrames } from './still-frames.ts'

const SIZE = { width: 640, height: 360 }
async function frames(file: string, move: Move, count: number, size = SIZE): Promise<Uint8Array[]> {
  const all: Uint8Array[] = []
  const run = { first: 0, frames: count, span: count, ease: 0.2 }
  for await (const frame of stillFrames(file, { move }, run, size)) all.push(frame.slice())
  return all
}
const STILL: Move = { from: { x: 0.5, y: 0.5, scale: 1 }, to: { x: 0.5, y: 0.5, scale: 1 } }

/**
 * Horizontal centre of mass of a bright disc in the luma plane: a tracked feature, to fractions of
 * a pixel.
 */
function centre(frame: Uint8Array, { width, height } = SIZE): [number, number] {
  let [mass, sx, sy] = [0, 0, 0]
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const weight = Math.max(0, frame[y * width + x]! - 90)
      mass += weight
      sx += weight * x
      sy += weight * y
    }
  return [sx / mass, sy / mass]
}

const moveOf = (kind: MoveKind) =>
  stillMove({ seed: 'any', seconds: 4, times: 0, kind, best: MIDDLE_VIEW })

describe('stillFrames', () => {
  it('moves without judder: a tracked disc is displaced from frame to frame by amounts that vary by less than 0.25 px', async () => {
    const disc = join(folder, 'disc.png')
    execFileSync('ffmpeg', [
      '-v',
      'error',
      '-y',
      '-f',
      'lavfi',
      '-i',
      "color=c=gray:s=1600x900,format=gray,geq='if(lt(hypot(X-900,Y-420),40),235,40)',gblur=3",
      '-frames:v',
      '1',
      disc,
    ])
    for (const kind of ['push in', 'drift left', 'to the whole'] as const) {
      const track = (await frames(disc, moveOf(kind), 60)).map((frame) => centre(frame))
      for (const axis of [0, 1] as const) {
        const steps = track.slice(1).map((point, i) => point[axis] - track[i]![axis])
        const changes = steps.slice(1).map((step, i) => Math.abs(step - steps[i]!))
        expect(Math.max(...changes)).toBeLessThan(0.25)
        // Under way it is even; it sets in and comes to rest within a fifth of its length.
        const underWay = steps.slice(12, -12)
        expect(Math.max(...underWay) - Math.min(...underWay)).toBeLessThan(0.25)
      }
      expect(
        Math.hypot(track[59]![0] - track[0]![0], track[59]![1] - track[0]![1]),
      ).toBeGreaterThan(1)
    }
  })
  it('brings a grey ramp back within 2 code values in limited-range BT.709', async () => {
    const ramp = join(folder, 'ramp.png')
    execFileSync('ffmpeg', [
      '-v',
      'error',
      '-y',
      '-f',
      'lavfi',
      '-i',
      "color=c=black:s=1280x720,format=rgb24,geq=r='floor(X/5)':g='floor(X/5)':b='floor(X/5)'",
      '-frames:v',
      '1',
      ramp,
    ])
    const [frame] = await frames(ramp, STILL, 1)
    for (let x = 20; x < 620; x += 20) {
      const grey = Math.floor((x * 2 + 1) / 5)
      // ITU-R BT.709 limited range: black 16, white 235.
      const expected = 16 + (219 * grey) / 255
      expect(Math.abs(frame![180 * 640 + x]! - expected)).toBeLessThanOrEqual(2)
    }
    const chroma = frame!.subarray(640 * 360)
    expect(Math.max(...chroma) - 128).toBeLessThanOrEqual(2)
    expect(128 - Math.min(...chroma)).toBeLessThanOrEqual(2)
  })
  it.each([
    [1600, 900],
    [900, 1600],
    [400, 300],
    [3000, 500],
  ])('fills the whole frame from a picture of %i×%i', async (width, height) => {
    const [frame] = await frames(photograph(`shape-${width}`, width, height), STILL, 1)
    for (const [x, y] of [
      [0, 0],
      [639, 0],
      [0, 359],
      [639, 359],
    ])
      expect(frame![y! * 640 + x!]).toBeGreaterThan(16)
  })
  it('fills upright and square frames too', async () => {
    for (const size of [
      { width: 360, height: 640 },
      { width: 360, height: 360 },
    ]) {
      const [frame] = await frames(photograph('any'), moveOf('pull out'), 1, size)
      expect(frame).toHaveLength((size.width * size.height * 3) / 2)
    }
  })
  it('stops when told to', async () => {
    const stop = new AbortController()
    const walk = async () => {
      for await (const _frame of stillFrames(
        photograph('stop'),
        { move: STILL },
        { first: 0, frames: 500, span: 500, ease: 0.2 },
        SIZE,
        stop.signal,
      ))
        stop.abort()
    }
    await expect(walk()).rejects.toThrow()
  })
})

describe('resample', () => {
  it('agrees with the plain bilinear formula in floats within 2 code values, for any place and step', async () => {
    const { memory, resample, room, tableBytes } = await frameProgram()
    const [sw, sh] = [83, 61]
    const [src, dst] = [room(sw * sh), room(sw * sh)]
    const table = room(tableBytes(sw))
    const rows = room(4 * (sw + 8))
    const all = new Uint8Array(memory.buffer)
    for (let i = 0; i < sw * sh; i++)
      all[src + i] =
        (Math.sin(i * 12.9898) * 43758.5453 - Math.floor(Math.sin(i * 12.9898) * 43758.5453)) * 256
    const plain = (x: number, y: number) => {
      const [cx, cy] = [Math.min(Math.max(x, 0), sw - 1), Math.min(Math.max(y, 0), sh - 1)]
      const [column, row] = [Math.min(Math.floor(cx), sw - 2), Math.min(Math.floor(cy), sh - 2)]
      const at = (dx: number, dy: number) => all[src + (row + dy) * sw + column + dx]!
      const [fx, fy] = [cx - column, cy - row]
      return (
        (at(0, 0) * (1 - fx) + at(1, 0) * fx) * (1 - fy) +
        (at(0, 1) * (1 - fx) + at(1, 1) * fx) * fy
      )
    }
    for (const [dw, dh, x, y, step] of [
      [64, 40, 3.37, 2.81, 1.07],
      [60, 50, 0, 0, 1],
      [52, 30, 10.5, 7.25, 1.31],
      [30, 20, -1, -1, 1.9],
      [81, 59, 0.01, 0.99, 1],
    ] as const) {
      resample(src, sw, sh, dst, dw, dh, x, y, step, table, rows)
      for (let j = 0; j < dh; j++)
        for (let i = 0; i < dw; i++) {
          const wanted = plain(x + (i + 0.5) * step - 0.5, y + (j + 0.5) * step - 0.5)
          if (Math.abs(all[dst + j * dw + i]! - wanted) > 2)
            throw new Error(
              `${all[dst + j * dw + i]} instead of ${wanted} at ${i}, ${j} of ${dw}×${dh}, step ${step}`,
            )
        }
    }
  })
})
