import { rm } from 'node:fs/promises'
import { join } from 'node:path'
import { stillTools } from '../run/still-tools.ts'
import type { PictureFiles } from '../stock/contract.ts'
import { contentHash, keptFile } from '../storage/kept-file.ts'

/** As large as what the monitor lays over a film can be, in pixels. */
const SIDE = 960

/** A small copy of a still as WebP, with what is clear of it; made once. */
export async function cutoutOf(
  folder: string,
  library: PictureFiles,
  id: string,
  signal: AbortSignal,
): Promise<string> {
  return keptFile(join(folder, `${contentHash({ id, SIDE, cutout: 1 })}.webp`), async (half) => {
    const whole = `${half}.whole`
    try {
      await library.download({ id, title: id }, SIDE, whole, signal)
      const sharp = await stillTools()
      await sharp(whole)
        .resize({ width: SIDE, height: SIDE, fit: 'inside', withoutEnlargement: true })
        .webp({ quality: 90 })
        .toFile(half)
    } finally {
      await rm(whole, { force: true })
    }
  })
}
