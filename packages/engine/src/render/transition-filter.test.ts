import { execFileSync } from 'node:child_process'
import { describe, expect, it } from 'vitest'
import { frameOf } from '@tidy-reel/core/film/lettering/frame'
import type { PictureRun, SegmentShot } from '@tidy-reel/core/film/shots'
import { CALM } from '@tidy-reel/core/style/calm'
import { type Passage, passed, type Way, WIPE_EDGE } from '@tidy-reel/core/style/transition'
import { transitionFilter } from './transition-filter.ts'

const [WIDTH, HEIGHT, FRAMES, ALL] = [160, 90, 10, 14]
const { palette } = CALM.lettering
const card: PictureRun = {
  source: { kind: 'card', text: '' },
  ...{ first: 0, frames: FRAMES, span: FRAMES, ease: 0.5 },
}
const [DARK, BRIGHT] = [40, 200]

/** Frames of a passage from a dark picture to a bright one: limited-range planes. */
function framesOf(passage: Omit<Passage, 'frames'>): Uint8Array[] {
  const frames = passage.kind === 'dip' ? FRAMES / 2 : FRAMES
  const lead: NonNullable<SegmentShot['lead']> = {
    ...{ ...passage, frames: FRAMES },
    from: { ...card, frames },
  }
  const plain = (tone: number, count: number) =>
    `color=c=black:s=${WIDTH}x${HEIGHT}:r=30,trim=end_frame=1,format=yuv420p,` +
    `lutyuv=y=${tone}:u=128:v=128,loop=-1:1,trim=end_frame=${count},setpts=N/30/TB,settb=1/30,setsar=1`
  const filter = [
    `${plain(DARK, frames)}[a]`,
    `${plain(BRIGHT, ALL)}[b]`,
    transitionFilter(
      { lead, frames: ALL, before: 'a', own: 'b', out: 'out' },
      { fps: [30, 1], frame: frameOf(WIDTH, HEIGHT), palette },
    ),
  ].join(';')
  const size = (WIDTH * HEIGHT * 3) / 2
  const raw = execFileSync(
    'ffmpeg',
    [
      ...['-v', 'error', '-nostdin', '-filter_complex', filter, '-map', '[out]'],
      ...['-f', 'rawvideo', '-pix_fmt', 'yuv420p', 'pipe:1'],
    ],
    { maxBuffer: 50 * size },
  )
  return Array.from({ length: raw.length / size }, (_, i) => raw.subarray(i * size, (i + 1) * size))
}

const lumaAt = (frame: Uint8Array, x: number, y: number) => frame[y * WIDTH + x] ?? -1
const chromaAt = (frame: Uint8Array, plane: 0 | 1) => frame[WIDTH * HEIGHT * (1 + plane / 4)] ?? -1
const WAYS = ['left', 'right', 'up', 'down'] as const

/** The tone at a share of the way the new picture comes in from, 0 where it comes first. */
function along(frame: Uint8Array, way: Way, share: number): number {
  const isForward = way === 'left' || way === 'up'
  const from = isForward ? 1 - share : share
  return way === 'left' || way === 'right'
    ? lumaAt(frame, Math.round(from * (WIDTH - 1)), HEIGHT / 2)
    : lumaAt(frame, WIDTH / 2, Math.round(from * (HEIGHT - 1)))
}

describe('transitionFilter', () => {
  it.each(['push', 'slide', 'wipe'] as const)(
    'brings the new picture in by a %s as far as it has come, whichever way, and leaves the rest',
    (kind) => {
      for (const way of WAYS) {
        const frames = framesOf({ kind, way })
        expect(frames).toHaveLength(ALL)
        frames.forEach((frame, n) => {
          const come = passed(Math.min(1, n / FRAMES))
          const reach = kind === 'wipe' ? come * (1 + WIPE_EDGE) : come
          const edge = kind === 'wipe' ? WIPE_EDGE : 0
          const margin = 4 / HEIGHT
          for (const share of [0, 0.25, 0.5, 0.75, 1]) {
            const where = `${kind} ${way} frame ${n} at ${share}`
            if (share < reach - edge - margin) expect(along(frame, way, share), where).toBe(BRIGHT)
            if (share > reach + margin) expect(along(frame, way, share), where).toBe(DARK)
          }
          expect(chromaAt(frame, 0)).toBe(128)
        })
      }
    },
  )

  it('has a wipe soften its border', () => {
    const [frame] = framesOf({ kind: 'wipe' }).slice(FRAMES / 2)
    const row = [...(frame ?? []).slice(0, WIDTH)]
    const between = row.filter((tone) => tone > DARK + 4 && tone < BRIGHT - 4)
    expect(between.length).toBeGreaterThan((WIDTH * WIPE_EDGE) / 2)
    expect(row.every((tone, i) => i === 0 || tone >= (row[i - 1] ?? 0))).toBe(true)
  })

  it.each([
    ['black', 16, 128],
    ['white', 235, 128],
    // BT.709, by hand: 16 + 219·(0.2126·R + 0.7152·G + 0.0722·B) of the colour.
    ['paper', paperLuma(), undefined],
  ] as const)('dips through %s', (through, luma, chroma) => {
    const frames = framesOf({ kind: 'dip', through })
    expect(frames).toHaveLength(ALL)
    const tones = frames.map((frame) => lumaAt(frame, 20, 20))
    expect(tones[0]).toBe(DARK)
    expect(Math.abs((tones[FRAMES / 2] ?? 0) - luma)).toBeLessThanOrEqual(1)
    if (chroma) expect(chromaAt(frames[FRAMES / 2] ?? new Uint8Array(), 1)).toBe(chroma)
    expect(tones.slice(FRAMES)).toEqual(Array.from({ length: ALL - FRAMES }, () => BRIGHT))
    const half = (DARK + luma) / 2
    const midway = tones[Math.round(FRAMES / 4)] ?? 0
    expect(Math.abs(midway - half)).toBeLessThan(Math.abs(DARK - luma) * 0.2)
  })
})

function paperLuma(): number {
  const [red, green, blue] = [1, 3, 5].map((at) =>
    Number.parseInt(palette.paper.slice(at, at + 2), 16),
  ) as [number, number, number]
  return Math.round(16 + (219 / 255) * (0.2126 * red + 0.7152 * green + 0.0722 * blue))
}
