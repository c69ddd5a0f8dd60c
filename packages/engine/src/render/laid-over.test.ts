import { execFileSync } from 'node:child_process'
import { join } from 'node:path'
import sharp from 'sharp'
import { describe, expect, it } from 'vitest'
import { documentFrom } from '@tidy-reel/core/document/apply'
import type { Document, Shot } from '@tidy-reel/core/document/document'
import { filmOf } from '@tidy-reel/core/document/film-scenes'
import { itemAt } from '@tidy-reel/core/faults/certain'
import { filmLetters } from '@tidy-reel/core/film/film-letters'
import { placeInlays } from '@tidy-reel/core/film/inlays'
import { frameOf, type Rect } from '@tidy-reel/core/film/lettering/frame'
import { panesOf } from '@tidy-reel/core/film/panes'
import { pictureInputs } from '@tidy-reel/core/film/shots'
import { type Inlay, INLAY_ENTRANCES, LAYOUTS, PLAIN_INLAY } from '@tidy-reel/core/pictures/inlay'
import type { ChosenItem } from '@tidy-reel/core/pictures/item'
import { renderPlan } from '@tidy-reel/core/render/plan'
import { timeline } from '@tidy-reel/core/timeline/timeline'
import { folder } from '../test/lying-library.ts'
import { renderSegments } from './film.ts'
import { fontsFolder } from './fonts.ts'
import type { PictureFile } from './footage.ts'

const COLOURS = { blue: '#2040c0', red: '#c02020', green: '#20a040' }
type Colour = keyof typeof COLOURS
const FPS = [30, 1] as const
const signal = new AbortController().signal

const item = (id: Colour, kind: ChosenItem['kind'] = 'photo'): ChosenItem => ({
  ...{ id, kind, title: id, seconds: kind === 'clip' ? 4 : null, width: 400, height: 300 },
  ...{ source: 'x', licence: 'x', author: 'x' },
})

/** Pictures of one colour: wherever one is, its pixels have it. */
async function files(): Promise<Map<string, PictureFile>> {
  const made = Object.entries(COLOURS).map(async ([id, background]) => {
    const path = join(folder, `${id}.png`)
    await sharp({ create: { width: 400, height: 300, channels: 3, background } }).toFile(path)
    return [id, { path, width: 400, height: 300, plain: false, seconds: null }] as const
  })
  return new Map(await Promise.all(made))
}

const film = (change: (document: Document) => Document) =>
  filmOf(
    change({
      ...documentFrom('T', 'The lamp burns.'),
      subtitling: documentFrom('T', 'x').subtitling,
    }),
  )

const shown = (shot: Partial<Shot>, more: Partial<Document['scenes'][number]> = {}) =>
  film((document) => ({
    ...document,
    scenes: document.scenes.map((scene) => ({
      ...scene,
      shots: [{ item: item('blue'), by: 'hand' as const, ...shot }],
      ...more,
    })),
  }))

/** Every frame of a film of one scene, RGB. */
async function framesOf(planned: ReturnType<typeof film>, width: number, height: number) {
  const shape = { width, height, fps: FPS, burnIn: false }
  const plan = timeline(planned, [], FPS)
  const letters = filmLetters(plan, planned, shape)
  const lettered = { ...letters, lettering: planned.lettering }
  const segments = renderPlan(plan, lettered, shape, () => true)
  const fetched = await files()
  const made = await renderSegments(
    {
      segments: join(folder, 'segments'),
      work: join(folder, 'work'),
      fonts: await fontsFolder(join(folder, 'fonts')),
    },
    {
      segments,
      files: segments.map(({ shots }) =>
        pictureInputs(shots).map(({ source }) =>
          source.kind === 'card' ? undefined : fetched.get(source.item.id),
        ),
      ),
      fetched,
      shape,
    },
    signal,
    () => undefined,
  )
  const raw = execFileSync(
    'ffmpeg',
    ['-v', 'error', '-i', itemAt(made, 0), '-f', 'rawvideo', '-pix_fmt', 'rgb24', '-'],
    { maxBuffer: 1 << 30 },
  )
  const size = width * height * 3
  expect(raw.length / size).toBe(itemAt(segments, 0).frames)
  return {
    letters,
    count: itemAt(segments, 0).frames,
    at: (frame: number, x: number, y: number) => [
      ...raw.subarray(frame * size + (y * width + x) * 3, frame * size + (y * width + x) * 3 + 3),
    ],
  }
}

const rgb = (colour: string) => [1, 3, 5].map((i) => parseInt(colour.slice(i, i + 2), 16))
const near = (seen: readonly number[], colour: string, by = 14) =>
  expect(
    Math.max(...rgb(colour).map((level, i) => Math.abs(level - (seen[i] ?? 0)))),
    `${seen.join()} for ${rgb(colour).join()}`,
  ).toBeLessThanOrEqual(by)

const middle = ({ x, y, width, height }: Rect) =>
  [Math.round(x + width / 2), Math.round(y + height / 2)] as const

describe('a layout', () => {
  it.each(
    LAYOUTS.map((kind, i) => (i % 2 ? ([kind, 360, 640] as const) : ([kind, 640, 360] as const))),
  )('shows its pictures where it says: %s in %d × %d', async (kind, width, height) => {
    const layout =
      kind === 'print' ? { kind } : ({ kind, second: item('red') } as Shot['layout'] & object)
    const planned = shown({ layout })
    const { palette } = planned.lettering
    const { panes, onPaper } = panesOf(kind, frameOf(width, height), palette)
    const { at, count } = await framesOf(planned, width, height)
    const frame = Math.floor(count / 2)
    panes.forEach(({ box }, i) => {
      if (i > 0 || onPaper) near(at(frame, ...middle(box)), i ? COLOURS.red : COLOURS.blue)
      // Its very corners are its own too.
      const corner = [box.x + box.width - 3, box.y + 2] as const
      if (i > 0 || onPaper) near(at(frame, ...corner), i ? COLOURS.red : COLOURS.blue)
      for (const [r, { reach, colour }] of box.x > 0 ? [...(panes[i]?.rims.entries() ?? [])] : [])
        if (r > 0) near(at(frame, box.x - Math.round(reach / 2), box.y + 40), colour, 30)
    })
    if (kind.startsWith('corner')) near(at(frame, 20, height - 20), COLOURS.blue)
    if (kind === 'print') near(at(frame, 4, 4), palette.paper, 6)
    if (kind === 'beside') near(at(frame, Math.round(width / 2), 40), palette.paper, 24)
    if (kind === 'over') near(at(frame, 40, Math.round(height / 2)), palette.paper, 24)
  })
})

describe('a picture laid over', () => {
  const inlay = (set: Partial<Inlay>): Inlay => ({ ...PLAIN_INLAY, item: item('red'), ...set })

  it.each(INLAY_ENTRANCES.filter((comes) => comes !== 'none'))(
    'comes and goes as it says and stands where it says: %s',
    async (comes) => {
      const planned = shown({}, { inlays: [inlay({ comes, edge: 0.02, at: 'right' })] })
      const { at, count, letters } = await framesOf(planned, 640, 360)
      const [placed] = letters.inlays
      const [x, y] = middle(placed!.box)
      const full = Math.floor(count / 2)
      near(at(full, x, y), COLOURS.red)
      near(at(full, x - Math.floor(placed!.box.width / 2) + 3, y), COLOURS.red)
      near(
        at(full, x - Math.floor(placed!.box.width / 2) - 4, y),
        planned.lettering.palette.light,
        24,
      )
      near(at(full, 100, 100), COLOURS.blue)
      near(at(0, x, y), COLOURS.blue)
      // Its shade is seen on the picture beside it, and there alone.
      const under = at(full, x, Math.round(placed!.around.y + placed!.around.height + 1))
      expect(under[2]).toBeLessThan(at(full, 100, 100)[2]! - 8)
      if (comes !== 'fade') return
      const half = at(6, x, y)
      expect(half[0]).toBeGreaterThan(rgb(COLOURS.blue)[0]! + 40)
      expect(half[0]).toBeLessThan(rgb(COLOURS.red)[0]! - 30)
    },
  )

  it('has round corners, is turned, and the sign is as strong as it should be', async () => {
    const planned = {
      ...shown(
        {},
        {
          inlays: [
            inlay({ round: 0.5, shade: false, edge: 0, comes: 'none', turn: 90, at: 'left' }),
          ],
        },
      ),
      sign: { item: item('green'), at: 'head-right' as const, size: 0.2, strength: 0.5 },
    }
    const { at, letters } = await framesOf(planned, 640, 360)
    const [round, sign] = letters.inlays
    const { box, around } = round!
    // Turned by a quarter, a wide picture stands upright.
    expect(around.width).toBeCloseTo(box.height, -1)
    expect(around.height).toBeCloseTo(box.width, -1)
    near(at(1, ...middle(around)), COLOURS.red)
    near(at(1, Math.round(around.x) + 3, Math.round(around.y) + 3), COLOURS.blue)
    near(at(1, ...middle(sign!.box)), '#207080', 12)
  })

  it('stays out of the subtitles and within the safe area, however large and far out', () => {
    for (const [width, height] of [
      [1920, 1080],
      [1080, 1920],
      [1080, 1080],
    ] as const)
      for (const turn of [0, 45, -100])
        for (const across of [0, 0.5, 1]) {
          const planned = shown(
            {},
            {
              inlays: [inlay({ size: 1.6, turn, at: { across, down: across } })],
            },
          )
          const frame = frameOf(width, height)
          const [placed] = placeInlays(timeline(planned, [], FPS), planned, frame)
          const { x, y, width: w, height: h } = placed!.around
          expect(x).toBeGreaterThanOrEqual(frame.safe.x - 0.01)
          expect(y).toBeGreaterThanOrEqual(frame.safe.y - 0.01)
          expect(x + w).toBeLessThanOrEqual(frame.safe.x + frame.safe.width + 0.01)
          expect(y + h).toBeLessThanOrEqual(frame.safe.y + frame.safe.height + 0.01)
        }
  })
})
