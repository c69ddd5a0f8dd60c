import { execFile } from 'node:child_process'
import { existsSync } from 'node:fs'
import { mkdir, rename, writeFile } from 'node:fs/promises'
import { cpus } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { promisify } from 'node:util'
import { createCanvas } from '@napi-rs/canvas'
import pLimit from 'p-limit'
import sharp from 'sharp'
import type { Entry } from './catalogue.ts'
import { restyle } from './paint/styles.ts'
import { stageOf } from './recipes.ts'

const run = promisify(execFile)
/** As `npm run build` makes it. */
const PAINTER = fileURLToPath(new URL('../../../../dist/paint-item.js', import.meta.url))
/** The moment of its clip that stands for it as a still. */
const STILL_AT = 3
/** Heights a full file may be asked for in; widths follow the item's shape. */
export const HEIGHTS = [1080, 720, 480, 360] as const

/**
 * Files of the library: made when first asked for, clips in processes of their own, and kept. A
 * file appears under its name only when it is whole, so that a killed painter leaves nothing
 * half-made.
 */
export class Files {
  private readonly making = new Map<string, Promise<string>>()
  private readonly limit = pLimit(Math.max(1, cpus().length))

  constructor(private readonly folder: string) {}

  /**
   * The whole picture, its shorter side `height` pixels at most; a clip as MP4, a photograph as
   * JPEG.
   */
  full(entry: Entry, height: number): Promise<string> {
    const { id, kind, seconds, width, height: tall } = entry.item
    const lines = 'photo' in entry.made ? height : Math.min(height, width, tall)
    return this.kept(`${id}-${lines}.${kind === 'clip' ? 'mp4' : 'jpg'}`, (out) =>
      this.make(entry, lines, seconds ?? 0, out),
    )
  }

  /** A small JPEG, 480 pixels wide or, upright, 480 high. */
  thumbnail(entry: Entry): Promise<string> {
    return this.kept(`${entry.item.id}-thumb.jpg`, (out) => this.make(entry, 270, 0, out))
  }

  private async kept(name: string, make: (out: string) => Promise<void>): Promise<string> {
    const file = join(this.folder, name)
    if (existsSync(file)) return file
    const running = this.making.get(name)
    if (running) return running
    const made = this.limit(async () => {
      await mkdir(this.folder, { recursive: true })
      const half = `${file}.${process.pid}.part`
      await make(half)
      await rename(half, file)
      return file
    }).finally(() => this.making.delete(name))
    this.making.set(name, made)
    return made
  }

  private async make(
    { item, made }: Entry,
    side: number,
    seconds: number,
    out: string,
  ): Promise<void> {
    if ('photo' in made) {
      await sharp(made.photo)
        .resize({
          width: Math.round((side * 16) / 9),
          height: Math.round((side * 16) / 9),
          fit: 'inside',
          withoutEnlargement: false,
        })
        .flatten({ background: '#000' })
        .jpeg({ quality: 91 })
        .toFile(out)
      return
    }
    const scale = side / Math.min(item.width, item.height)
    const even = (n: number) => 2 * Math.round((n * scale) / 2)
    if (seconds === 0) {
      const stage = await stageOf(made.recipe, even(item.width))
      const canvas = createCanvas(even(item.width), even(item.height))
      stage.draw(canvas, STILL_AT, 2 * STILL_AT)
      if (made.recipe.style) {
        const ctx = canvas.getContext('2d')
        const image = ctx.getImageData(0, 0, canvas.width, canvas.height)
        restyle(image.data, canvas.width, canvas.height, made.recipe.style)
        ctx.putImageData(image, 0, 0)
      }
      await writeFile(out, await canvas.encode('jpeg', 92))
      return
    }
    await run(process.execPath, [
      PAINTER,
      JSON.stringify(made.recipe),
      String(even(item.width)),
      String(even(item.height)),
      String(seconds),
      out,
    ])
  }
}
