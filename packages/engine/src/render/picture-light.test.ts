import { spawnSync } from 'node:child_process'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import sharp from 'sharp'
import { describe, expect, it } from 'vitest'
import { documentFrom } from '@tidy-reel/core/document/apply'
import { filmOf } from '@tidy-reel/core/document/film-scenes'
import { certain, itemAt } from '@tidy-reel/core/faults/certain'
import { filmLetters } from '@tidy-reel/core/film/film-letters'
import { frameOf } from '@tidy-reel/core/film/lettering/frame'
import { filmShots } from '@tidy-reel/core/film/shots'
import { shadePicture } from '@tidy-reel/core/film/soft-shade'
import { cueBox } from '@tidy-reel/core/film/subtitles/cue-place'
import type { ChosenItem } from '@tidy-reel/core/pictures/item'
import { tonesIn } from '@tidy-reel/core/pictures/light'
import { renderPlan } from '@tidy-reel/core/render/plan'
import { contrastOf, luminance, luminanceOfTone } from '@tidy-reel/core/style/contrast'
import { timeline } from '@tidy-reel/core/timeline/timeline'
import { pictureLight } from './picture-light.ts'
import { shadeStill } from './shade-still.ts'

const work = mkdtempSync(join(tmpdir(), 'tidy-light-'))
const at = (name: string) => join(work, name)
const ffmpeg = (...args: string[]) =>
  spawnSync('ffmpeg', ['-v', 'error', '-nostdin', '-y', ...args], { encoding: 'utf8' })
const { signal } = new AbortController()
const WHOLE = { x: 0, y: 0, width: 1, height: 1 }
const WIDTH = 640
const HEIGHT = 360

describe('pictureLight', () => {
  it('tells a photograph’s tones from black to white, whatever its range and size', async () => {
    ffmpeg(
      ...['-f', 'lavfi', '-i', 'gradients=s=1200x800:c0=black:c1=white:x0=0:y0=0:x1=1199:y1=0:d=1'],
      ...['-frames:v', '1', '-q:v', '2', at('ramp.jpg')],
    )
    const ramp = await pictureLight(work, { id: 'ramp', kind: 'photo' }, at('ramp.jpg'), signal)
    expect(ramp.aspect).toBeCloseTo(1.5, 5)
    for (const x of [0.02, 0.25, 0.5, 0.75, 0.98]) {
      const { light, dark } = tonesIn(ramp, { x, y: 0.4, width: 0.001, height: 0.1 })
      const { data } = await sharp(at('ramp.jpg'))
        .greyscale()
        .raw()
        .toBuffer({ resolveWithObject: true })
      const tone = (data[400 * 1200 + Math.round(Math.floor(x * 32) * 37.5 + 18)] ?? 0) / 255
      expect(Math.abs(light - tone), String(x)).toBeLessThan(0.05)
      expect(light).toBe(dark)
    }
  })
  it('takes of a clip what each part becomes at its lightest and its darkest', async () => {
    ffmpeg(
      ...[
        '-f',
        'lavfi',
        '-i',
        'color=black:s=320x180:d=2',
        '-f',
        'lavfi',
        '-i',
        'color=white:s=320x180:d=2',
      ],
      ...['-filter_complex', 'concat=n=2', '-pix_fmt', 'yuv420p', '-g', '5', at('dawn.mp4')],
    )
    const dawn = await pictureLight(work, { id: 'dawn', kind: 'clip' }, at('dawn.mp4'), signal)
    const { light, dark } = tonesIn(dawn, WHOLE)
    expect(light).toBeGreaterThan(0.95)
    expect(dark).toBeLessThan(0.05)
  })
})

describe('a subtitle on a light picture', () => {
  it('stands on a ground with 4.5 : 1 against what lies under it (WCAG 2.2 SC 1.4.3), measured on the frame by sharp', async () => {
    ffmpeg(
      ...['-f', 'lavfi', '-i', `gradients=s=${WIDTH}x${HEIGHT}:c0=0x9db8cc:c1=0xf4efe2:d=1`],
      ...['-frames:v', '1', '-q:v', '2', at('sky.jpg')],
    )
    const item: ChosenItem = {
      ...{ id: 'sky', kind: 'photo', title: 'Sky', seconds: null, width: WIDTH, height: HEIGHT },
      ...{ source: 'Stock', licence: 'CC0', author: 'Ann' },
    }
    const light = await pictureLight(work, item, at('sky.jpg'), signal)
    const document = documentFrom('T', 'The lamp burns all night.')
    const still = { x: 0.5, y: 0.5, scale: 1 }
    const shots = [{ item, by: 'hand' as const, frame: { from: still, to: still } }]
    const film = filmOf({
      ...document,
      scenes: document.scenes.map((scene) => ({ ...scene, shots })),
    })
    const plan = timeline(film, [], [30, 1])
    const pictures = { shots: filmShots(plan, () => true), lights: new Map([[item.id, light]]) }
    const { cues } = filmLetters(plan, film, { width: WIDTH, height: HEIGHT }, { pictures })
    const [cue] = cues
    expect(cue!.legibility!.contrast).toBeLessThan(2.5)
    const { lettering } = film
    // The ground alone, as a segment has it.
    const [segment] = renderPlan(
      plan,
      { lettering, cues, supers: [], inlays: [] },
      { width: WIDTH, height: HEIGHT, fps: [30, 1], burnIn: true },
      () => true,
    )
    const shade = itemAt(certain(segment).shades, 0)
    const ground = shadePicture(shade)
    await sharp(at('sky.jpg'))
      .composite([{ input: await shadeStill(at('shades'), shade), left: ground.x, top: ground.y }])
      .toFile(at('shaded.png'))
    const { x, y, width, height } = cueBox(cue!, lettering.subtitle, frameOf(WIDTH, HEIGHT))
    const [left, top] = [Math.round(x), Math.round(y)]
    const part = { left, top, width: Math.round(width), height: Math.round(height) }
    const tones = [...(await sharp(at('shaded.png')).extract(part).greyscale().raw().toBuffer())]
    const lightest = tones.sort((a, b) => a - b)[Math.floor(tones.length * 0.9)]!
    const measured = contrastOf(
      luminance(lettering.subtitle.colour),
      luminanceOfTone(lightest / 255),
    )
    expect(measured).toBeGreaterThanOrEqual(4.5)
    expect(measured).toBeLessThan(8)
  })
})
