import { execFileSync } from 'node:child_process'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { apply, documentFrom } from '@tidy-reel/core/document/apply'
import type { Command } from '@tidy-reel/core/document/command'
import { filmOf } from '@tidy-reel/core/document/film-scenes'
import { pictureInputs } from '@tidy-reel/core/film/shots'
import { type FilmShape, renderPlan } from '@tidy-reel/core/render/plan'
import { CALM } from '@tidy-reel/core/style/calm'
import { timeline } from '@tidy-reel/core/timeline/timeline'
import { folders } from '../config.ts'
import { folder, item, memoryLibrary } from '../test/lying-library.ts'
import { lumaFrames } from '../test/media-facts.ts'
import { renderSegments } from './film.ts'
import { fontsFolder } from './fonts.ts'
import { fetchFootage } from './footage.ts'

const data = mkdtempSync(join(tmpdir(), 'tidy-cut-'))
const [WIDTH, HEIGHT] = [320, 180]
const SHAPE: FilmShape = { width: WIDTH, height: HEIGHT, fps: [30, 1], burnIn: false }
const lavfi = (name: string, source: string, more: string[]) => {
  const file = join(folder, name)
  execFileSync('ffmpeg', ['-v', 'error', '-y', '-f', 'lavfi', '-i', source, ...more, file])
  return file
}
/** A clip whose grey tells the frame: 40 + n, 30 frames a second. */
const counting = (seconds: number) =>
  lavfi(
    `counter${seconds}.mp4`,
    `color=c=black:s=320x180:r=30:d=${seconds},format=gray,geq='40+N',format=yuv420p`,
    ['-c:v', 'libx264', '-qp', '0', '-color_range', 'tv'],
  )
/** Dark left of the middle, bright right of it. */
const halves = lavfi(
  'halves.png',
  "color=c=black:s=1600x900,format=rgb24,geq=r='if(lt(X,800),40,220)':g='if(lt(X,800),40,220)':b='if(lt(X,800),40,220)'",
  ['-frames:v', '1'],
)
const grey = (level: number) =>
  lavfi(`grey${level}.png`, `color=c=0x${level.toString(16).repeat(3)}:s=640x360`, [
    '-frames:v',
    '1',
  ])
/** A clip whose shape is nearly the film's: scaled to fill, its pixels would not be square. */
const wider = lavfi('wider.mp4', 'color=c=0xd0d0d0:s=426x238:r=30:d=4', ['-pix_fmt', 'yuv420p'])
const library = memoryLibrary({
  wider,
  counter: counting(4),
  short: counting(1.9),
  shorter: counting(1.2),
  halves,
  dark: grey(0x20),
  light: grey(0xe0),
})
const picture = {
  wider: item('wider', 'clip', { seconds: 4 }),
  counter: item('counter', 'clip', { seconds: 4 }),
  halves: item('halves'),
  dark: item('dark'),
  light: item('light'),
}

/** Grey of every frame of a film of two-second scenes: the mean of a part of the picture. */
async function greys(
  commands: Command[],
  part: (x: number, y: number) => boolean = () => true,
): Promise<number[]> {
  const document = [
    { type: 'adjustScenes', target: 'all', set: { length: 96_000 } } as Command,
    ...commands,
  ].reduce(
    (now, command) => apply(now, command).document,
    documentFrom('T', 'One lamp. Two lamps.'),
  )
  const planned = filmOf(document)
  const film = timeline(
    planned,
    planned.scenes.map(() => ({ samples: 30_000, pauses: [] })),
    SHAPE.fps,
  )
  const signal = new AbortController().signal
  const items = film.scenes.flatMap(({ shots }) => shots.flatMap((shot) => shot.item ?? []))
  const { files } = await fetchFootage(
    folders({ data, stock: '', statistics: '' }).media,
    library,
    items,
    HEIGHT,
    signal,
    () => undefined,
  )
  const segments = renderPlan(
    film,
    { ...CALM, cues: [], supers: [], inlays: [] },
    SHAPE,
    () => true,
  )
  const made = await renderSegments(
    {
      segments: join(data, 'segments'),
      work: join(data, 'work'),
      fonts: await fontsFolder(join(data, 'fonts')),
    },
    {
      segments,
      files: segments.map((segment) =>
        pictureInputs(segment.shots).map(({ source }) =>
          source.kind === 'card' ? undefined : files.get(source.item.id),
        ),
      ),
      fetched: files,
      shape: SHAPE,
    },
    signal,
    () => undefined,
  )
  const frames = made.flatMap((file, i) => {
    const all = lumaFrames(file, WIDTH, HEIGHT, segments[i]!.frames + 5)
    expect(all).toHaveLength(segments[i]!.frames)
    return all
  })
  const places = Array.from({ length: WIDTH * HEIGHT }, (_, i) => i).filter((i) =>
    part(i % WIDTH, Math.floor(i / WIDTH)),
  )
  return frames.map((frame) => {
    let sum = 0
    for (const i of places) sum += frame[i]!
    return sum / places.length
  })
}
const show = (
  sceneId: string,
  chosen: Exclude<(typeof picture)[keyof typeof picture], undefined>,
): Command => ({ type: 'setShot', sceneId, shot: 0, item: chosen })
const adjust = (
  sceneId: string,
  set: Extract<Command, { type: 'adjustShots' }>['set'],
): Command => ({ type: 'adjustShots', target: [sceneId], shot: 0, set })
describe('a rendered cut', () => {
  it('falls on its frame, and a dissolve begins there and mixes both pictures evenly', async () => {
    const plain = await greys([show('s1', picture.dark), show('s2', picture.light)])
    expect(Math.abs(plain[59]! - 0x20)).toBeLessThan(2)
    expect(Math.abs(plain[60]! - 0xe0)).toBeLessThan(2)
    const mixed = await greys([
      show('s1', picture.dark),
      show('s2', picture.light),
      adjust('s2', { transition: { kind: 'dissolve', samples: 48_000 } }),
    ])
    expect(mixed).toHaveLength(plain.length)
    expect(Math.abs(mixed[59]! - plain[59]!)).toBeLessThan(1.5)
    for (const frame of [66, 75, 84])
      expect(
        Math.abs(mixed[frame]! - (plain[59]! + (plain[60]! - plain[59]!) * ((frame - 60) / 30))),
      ).toBeLessThan(5)
    expect(Math.abs(mixed[91]! - plain[91]!)).toBeLessThan(1.5)
  })
  it('dips to black half-way through', async () => {
    const dipped = await greys([
      show('s1', picture.light),
      show('s2', picture.light),
      adjust('s2', { transition: { kind: 'dip', samples: 48_000 } }),
    ])
    expect(dipped[75]!).toBeLessThan(30)
    expect(Math.min(dipped[58]!, dipped[92]!)).toBeGreaterThan(180)
  })
  it('dips to a clip whose shape is nearly the film\u2019s', async () => {
    const dipped = await greys([
      show('s1', picture.light),
      show('s2', picture.wider),
      adjust('s2', { transition: { kind: 'dip', samples: 48_000 } }),
    ])
    expect(dipped[75]!).toBeLessThan(30)
    expect(dipped[92]!).toBeGreaterThan(150)
  })
  it('shows the part of a clip that is asked for, at the speed that is asked for', async () => {
    const normal = await greys([show('s1', picture.counter), show('s2', picture.dark)])
    const slipped = await greys([
      show('s1', picture.counter),
      show('s2', picture.dark),
      adjust('s1', { slip: 48_000 }),
    ])
    const slow = await greys([
      show('s1', picture.counter),
      show('s2', picture.dark),
      adjust('s1', { speed: 0.5 }),
    ])
    for (const frame of [0, 20, 50]) {
      expect(Math.abs(slipped[frame]! - normal[frame]! - 30)).toBeLessThanOrEqual(1.5)
      expect(Math.abs(slow[frame]! - normal[0]! - frame / 2)).toBeLessThanOrEqual(1.5)
    }
  })
  it.each([
    ['a little too short runs slower', 'short', 1.9],
    ['much too short stands on its last frame', 'shorter', 1.2],
  ])('never shows a clip again from its beginning: one that is %s', async (_what, id, seconds) => {
    const seen = (
      await greys([show('s1', item(id, 'clip', { seconds })), show('s2', picture.dark)])
    ).slice(0, 60)
    // A frame of another moment would show as a step back, or as more than a frame forward.
    const steps = seen.slice(1).map((level, i) => level - seen[i]!)
    expect(Math.min(...steps)).toBeGreaterThan(-1.5)
    expect(Math.max(...steps)).toBeLessThan(2.5)
    const last = 40 + Math.round(seconds * 30) - 1
    expect(Math.abs(seen.at(-1)! - last)).toBeLessThan(2.6)
  })
  it('shows another part of a clip that comes again, and another view of a still', async () => {
    const clips = await greys([show('s1', picture.counter), show('s2', picture.counter)])
    expect(clips.at(-1)! - clips[0]!).toBeGreaterThan(100)
    const middle = (x: number) => x > 125 && x < 195
    const stills = await greys([show('s1', picture.halves), show('s2', picture.halves)], middle)
    expect(Math.abs(stills[30]! - stills[90]!)).toBeGreaterThan(10)
  })
  it('goes on with a clip under the dissolve that follows it', async () => {
    const alone = await greys([show('s1', picture.counter), show('s2', picture.dark)])
    const both = await greys([
      show('s1', picture.counter),
      show('s2', picture.dark),
      adjust('s2', { transition: { kind: 'dissolve', samples: 48_000 } }),
    ])
    const expected = (frame: number) =>
      (alone[0]! + frame) * (1 - (frame - 60) / 30) + alone[70]! * ((frame - 60) / 30)
    for (const frame of [62, 75]) expect(Math.abs(both[frame]! - expected(frame))).toBeLessThan(4)
  })
  it.each(['photo', 'clip'] as const)(
    'frames a %s as told: from its left half to its right',
    async (kind) => {
      const view = (x: number) => ({ x, y: 0.5, scale: 0.5 })
      const moving = kind === 'photo' ? picture.halves : item('halvesclip', 'clip')
      if (kind === 'clip')
        Object.assign(
          library,
          memoryLibrary({
            halvesclip: lavfi(
              'halves.mp4',
              "color=c=black:s=640x360:r=30:d=2,format=gray,geq='if(lt(X,320),50,210)',format=yuv420p",
              ['-qp', '0'],
            ),
            dark: grey(0x20),
          }),
        )
      const seen = await greys(
        [
          show('s1', moving),
          show('s2', picture.dark),
          adjust('s1', { frame: { from: view(0.25), to: view(0.75) } }),
        ],
        (x) => x > 150 && x < 170,
      )
      expect(seen[1]!).toBeLessThan(75)
      expect(seen[58]!).toBeGreaterThan(190)
      expect(seen[20]!).toBeLessThan(90)
    },
  )
  it('lets a card fade into the picture after it', async () => {
    const faded = await greys([
      { type: 'setCard', card: 'opening', set: { shown: true, samples: 48_000, text: 'A card' } },
      show('s1', picture.dark),
      show('s2', picture.dark),
      { type: 'setTransition', transition: { kind: 'dissolve', samples: 24_000 } },
    ])
    expect(faded[5]!).toBeGreaterThan(190)
    expect(faded[36]!).toBeGreaterThan(90)
    expect(faded[47]!).toBeLessThan(60)
  })
})
