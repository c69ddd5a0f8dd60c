import { existsSync, readFileSync } from 'node:fs'
import { writeFile } from 'node:fs/promises'
import { coloursOf, Look } from '@tidy-reel/core/pictures/look'
import { HASHED_SIDE, perceptualHash } from '@tidy-reel/core/pictures/perceptual-hash'
import { jsonOf } from '@tidy-reel/core/text/json'
import { stillTools } from '../run/still-tools.ts'
import { replacedFile } from '../storage/kept-file.ts'

/**
 * Decoded, a picture may have so many pixels: a small file can unpack to more than the memory there
 * is.
 */
export const PIXELS_LIMIT = 8192 * 8192
/** Pixels a side of the small copy whose colours are counted, and of the one whose sharpness is. */
const COLOUR_SIDE = 64
const DETAIL_SIDE = 512
const LAPLACIAN = { width: 3, height: 3, kernel: [0, 1, 0, 1, -4, 1, 0, 1, 0], offset: 128 }

/** Looks at a still: its perceptual hash, colours and detail. */
export async function lookOf(file: string): Promise<Look> {
  // Decoded once: that is most of the work.
  const sharp = await stillTools()
  const { data, info } = await sharp(file, { limitInputPixels: PIXELS_LIMIT })
    .resize(DETAIL_SIDE, DETAIL_SIDE, { fit: 'inside', withoutEnlargement: true })
    .flatten({ background: '#fff' })
    .toColourspace('srgb')
    .raw()
    .toBuffer({ resolveWithObject: true })
  const raw = { raw: { width: info.width, height: info.height, channels: info.channels } }
  const [tiny, small, detail] = await Promise.all([
    sharp(data, raw).greyscale().resize(HASHED_SIDE, HASHED_SIDE, { fit: 'fill' }).raw().toBuffer(),
    sharp(data, raw)
      .resize(COLOUR_SIDE, COLOUR_SIDE, { fit: 'fill' })
      .toColourspace('srgb')
      .raw()
      .toBuffer(),
    sharp(data, raw).greyscale().convolve(LAPLACIAN).raw().toBuffer(),
  ])
  return {
    hash: perceptualHash(tiny),
    colours: coloursOf(small),
    sharpness: Math.round(variance(detail) * 10) / 10,
  }
}

function variance(values: Uint8Array): number {
  let sum = 0
  let squares = 0
  for (let i = 0; i < values.length; i++) {
    sum += values[i]!
    squares += values[i]! ** 2
  }
  return squares / values.length - (sum / values.length) ** 2
}

/** The file that keeps the look of a picture beside its thumbnail. */
const lookFile = (thumbnail: string) => thumbnail.replace(/\.jpg$/, '.look.json')

/** Looks at a picture and keeps what was seen under the name of its thumbnail. */
export async function keepLook(thumbnail: string, picture: string): Promise<void> {
  const look = JSON.stringify(await lookOf(picture))
  await replacedFile(lookFile(thumbnail), (half) => writeFile(half, look))
}

/**
 * A look never changes: an episode that is opened again and again does not read it again and again.
 */
const read = new Map<string, Look>()

/** What was seen of a thumbnail; undefined while nobody has looked. */
export function keptLook(thumbnail: string): Look | undefined {
  const file = lookFile(thumbnail)
  const known = read.get(file)
  if (known) return known
  if (!existsSync(file)) return undefined
  const seen = Look.safeParse(jsonOf(readFileSync(file, 'utf8')))
  if (seen.success) read.set(file, seen.data)
  return seen.data
}
