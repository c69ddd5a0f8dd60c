import { execFileSync, spawnSync } from 'node:child_process'
import { existsSync, mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { expect } from '@playwright/test'

const FOLDER = fileURLToPath(new URL('./golden', import.meta.url))
/** Height in pixels of a golden frame: enough to see a letter that has moved. */
const LINES = 180
/**
 * From here on two frames are taken for the same. Measured: the same frame again at least 0.9978;
 * without its subtitle 0.985, without its heading 0.991, moved by two pixels 0.898.
 */
const SAME = 0.995

/** SSIM of two pictures at a size, by ffmpeg's `ssim` (Wang et al. 2004): 1 for equal ones. */
export function ssim(a: string, b: string, size = { width: 640, height: 360 }): number {
  const scale = `scale=${size.width}:${size.height}:flags=area,format=yuv420p`
  const graph = `[0:v]${scale}[a];[1:v]${scale}[b];[a][b]ssim`
  const args = ['-hide_banner', '-i', a, '-i', b, '-lavfi', graph, '-f', 'null', '-']
  const { stderr } = spawnSync('ffmpeg', args, { encoding: 'utf8' })
  const found = /All:([\d.]+)/.exec(stderr)
  if (!found) throw new Error(stderr)
  return Number(found[1])
}

/** How far the colours of two pictures are apart, in steps of 8 bits, place by place in the mean. */
export function apart(a: string, b: string): number {
  const [one, other] = [a, b].map((file) =>
    execFileSync('ffmpeg', [
      ...['-v', 'error', '-i', file, '-vf', 'scale=32:18:flags=area,format=rgb24'],
      ...['-f', 'rawvideo', '-'],
    ]),
  ) as [Buffer, Buffer]
  return one.reduce((sum, value, i) => sum + Math.abs(value - other[i]!), 0) / one.length
}

/**
 * Compares a frame with the golden one of its name; a new look replaces it knowingly, with
 * `TIDY_GOLDEN=write`.
 *
 * @param name  such as `heading@1500ms.monitor`
 * @param shape width over height
 */
export function expectGolden(name: string, file: string, shape: number) {
  const golden = join(FOLDER, `${name}.png`)
  const size = { width: 2 * Math.round((LINES * shape) / 2), height: LINES }
  if (process.env.TIDY_GOLDEN === 'write') {
    mkdirSync(FOLDER, { recursive: true })
    const scale = `scale=${size.width}:${size.height}:flags=area`
    execFileSync('ffmpeg', ['-v', 'error', '-y', '-i', file, '-vf', scale, golden])
  }
  expect(existsSync(golden), `${name} has no golden frame yet: TIDY_GOLDEN=write makes it`).toBe(
    true,
  )
  const likeness = ssim(golden, file, size)
  console.log(`golden, ${name}: SSIM ${likeness.toFixed(4)}`)
  expect(likeness, `${name} no longer looks as ${golden} does`).toBeGreaterThanOrEqual(SAME)
}
