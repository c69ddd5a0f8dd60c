import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { assDocument } from '@tidy-reel/core/film/lettering/ass-document'
import type { Mark } from '@tidy-reel/core/film/lettering/mark'
import { rectangle } from '@tidy-reel/core/film/lettering/shapes'
import { shadeAlpha, shadeFrames, shadePicture, shadeShare } from '@tidy-reel/core/film/soft-shade'
import { CALM } from '@tidy-reel/core/style/calm'
import { runProgram } from '../run/program.ts'

const [WIDTH, HEIGHT] = [320, 180]
const FRAME = { width: WIDTH, height: HEIGHT }
/** Of BT.709 in limited range, which ffmpeg draws letters in. */
const BLACK = 16
/** Black on white, so that what is left of the white is what is seen. */
const ground = (blur: number): Mark => ({
  body: { kind: 'shape', shape: rectangle(140, 50) },
  x: 80.5,
  y: 60.25,
  start: 0,
  end: 48_000,
  layer: 0,
  colour: '#000000',
  opacity: 0.6,
  ...(blur ? { blur } : {}),
})

/** What libass leaves of a white picture, 0 to 255. */
async function drawnByLibass(mark: Mark): Promise<Buffer> {
  const work = mkdtempSync(join(tmpdir(), 'tidy-shade-'))
  const content = { ...FRAME, lettering: CALM.lettering, cues: [], marks: [mark] }
  writeFileSync(join(work, 'g.ass'), assDocument(content))
  const { stdout } = await runProgram(
    'ffmpeg',
    [
      ...['-v', 'error', '-f', 'lavfi', '-i', `color=white:s=${WIDTH}x${HEIGHT}:d=1`],
      ...['-vf', 'format=gray,ass=g.ass', '-frames:v', '1', '-f', 'rawvideo', '-'],
    ],
    { cwd: work },
  )
  return stdout
}

describe('a ground laid under letters', () => {
  it.each([0, 6, 18])(
    'is what libass draws of the same box with \\blur%i, within 3 of 255 a pixel on average',
    async (blur) => {
      const mark = ground(blur)
      const seen = await drawnByLibass(mark)
      const shade = { box: { x: mark.x, y: mark.y, width: 140, height: 50 }, blur, opacity: 0.6 }
      const { alpha, width } = shadeAlpha(shade)
      const at = shadePicture(shade)
      let [sum, count] = [0, 0]
      alpha.forEach((value, i) => {
        const [x, y] = [at.x + (i % width), at.y + Math.floor(i / width)]
        if (x < 0 || y < 0 || x >= WIDTH || y >= HEIGHT) return
        const share = value / 255
        sum += Math.abs((1 - share) * 255 + share * BLACK - seen[y * WIDTH + x]!)
        count++
      })
      expect(sum / count).toBeLessThan(3)
    },
  )
  it('comes and goes by its frames, and is nothing outside of them', () => {
    const frames = shadeFrames(
      { start: 48_000, end: 144_000, fade: { inMs: 400, outMs: 200 } },
      [30, 1],
    )
    expect(frames).toEqual({ from: 30, to: 90, coming: 12, going: 6 })
    expect([29, 30, 36, 42, 60, 87, 90].map((n) => shadeShare(frames, n))).toEqual([
      0, 0, 0.5, 1, 1, 0.5, 0,
    ])
  })
})
