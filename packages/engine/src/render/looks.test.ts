import { execFileSync, spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { describe, expect, it } from 'vitest'
import { GRADE_LOOKS } from '@tidy-reel/core/pictures/grade/grade'
import { clipFrames } from './clip-frames.ts'
import { stillFrames } from './still-frames.ts'

const GOLDEN = fileURLToPath(new URL('./golden/looks.png', import.meta.url))
const SIZE = { width: 320, height: 180 }
const { signal } = new AbortController()
const STILL = { from: { x: 0.5, y: 0.5, scale: 1 }, to: { x: 0.5, y: 0.5, scale: 1 } }
const RUN = { first: 0, frames: 1, span: 1, ease: 0.2 }
const work = mkdtempSync(join(tmpdir(), 'tidy-looks-'))
const ffmpeg = (...args: string[]) =>
  execFileSync('ffmpeg', ['-v', 'error', '-nostdin', '-y', ...args])

/** Colours, greys and fine lines; `mandelbrot` of ffmpeg. */
function picture(): string {
  const file = join(work, 'picture.png')
  ffmpeg('-f', 'lavfi', '-i', 'mandelbrot=s=640x360', '-frames:v', '1', file)
  return file
}

async function firstOf(frames: AsyncGenerator<Uint8Array>): Promise<Uint8Array> {
  for await (const frame of frames) return frame.slice()
  throw new Error('no frame came')
}

describe('looks', () => {
  it('look as the golden frames do', async () => {
    const file = picture()
    const frames = await Promise.all(
      GRADE_LOOKS.map((look) =>
        firstOf(stillFrames(file, { move: STILL, grade: { look } }, RUN, SIZE)),
      ),
    )
    const [raw, made] = [join(work, 'looks.yuv'), join(work, 'looks.png')]
    writeFileSync(raw, Buffer.concat(frames))
    const shape = ['-f', 'rawvideo', '-pix_fmt', 'yuv420p', '-s', '320x180', '-i', raw]
    const shown = 'tile=5x2,scale=in_color_matrix=bt709:in_range=tv,format=rgb24'
    ffmpeg(...shape, '-vf', shown, '-frames:v', '1', made)
    if (process.env.TIDY_GOLDEN === 'write') ffmpeg('-i', made, GOLDEN)
    expect(existsSync(GOLDEN), 'no golden frames yet: TIDY_GOLDEN=write makes them').toBe(true)
    // Wang et al. 2004, by ffmpeg's `ssim`, of each of red, green and blue.
    const judged = ['-hide_banner', '-i', GOLDEN, '-i', made, '-lavfi', 'format=gbrp,ssim']
    const { stderr } = spawnSync('ffmpeg', [...judged, '-f', 'null', '-'], { encoding: 'utf8' })
    const each = [...stderr.matchAll(/[RGB]:([\d.]+)/g)].map(([, n]) => Number(n))
    expect(each).toHaveLength(3)
    for (const likeness of each) expect(likeness).toBeGreaterThanOrEqual(0.995)
  })
  it('give a clip and a still of the same picture the same colours', async () => {
    const file = picture()
    const clip = join(work, 'clip.mp4')
    const tagged = ['-colorspace', 'bt709', '-color_primaries', 'bt709', '-color_trc', 'bt709']
    const film = 'scale=out_color_matrix=bt709:out_range=tv,format=yuv420p'
    ffmpeg('-loop', '1', '-i', file, '-vf', film, '-frames:v', '5', '-qp', '0', ...tagged, clip)
    const grade = { look: 'lamplight', vignette: 20, saturation: 15 } as const
    const filter = 'scale=320:180:flags=bicubic'
    const [moving, still] = await Promise.all([
      firstOf(clipFrames(clip, filter, grade, { first: 0, size: SIZE }, signal)),
      firstOf(stillFrames(file, { move: STILL, grade }, RUN, SIZE)),
    ])
    const mean = (frame: Uint8Array, from: number, to: number) =>
      frame.subarray(from, to).reduce((sum, n) => sum + n, 0) / (to - from)
    const luma = SIZE.width * SIZE.height
    for (const [from, to] of [
      [0, luma],
      [luma, luma * 1.25],
      [luma * 1.25, luma * 1.5],
    ] as const)
      expect(Math.abs(mean(moving, from, to) - mean(still, from, to))).toBeLessThan(1.5)
  })
  it('say so when a clip cannot be decoded', async () => {
    const broken = join(work, 'broken.mp4')
    writeFileSync(broken, 'no film')
    const frames = clipFrames(broken, 'null', { look: 'ink' }, { first: 0, size: SIZE }, signal)
    await expect(firstOf(frames)).rejects.toMatchObject({ code: 'program_failed' })
  })
  it('are no longer made once nobody wants them', async () => {
    const stop = new AbortController()
    const long = join(work, 'long.mp4')
    ffmpeg('-f', 'lavfi', '-i', 'testsrc2=s=320x180:d=20', '-preset', 'ultrafast', long)
    const count = async () => {
      let seen = 0
      const source = { first: 0, size: SIZE }
      for await (const _ of clipFrames(long, 'null', { look: 'ink' }, source, stop.signal))
        if (++seen === 3) stop.abort()
      return seen
    }
    await expect(count()).rejects.toMatchObject({ code: 'cancelled' })
  })
})
