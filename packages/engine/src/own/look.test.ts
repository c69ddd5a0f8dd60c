import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import sharp from 'sharp'
import phash from 'sharp-phash'
import { beforeAll, describe, expect, it } from 'vitest'
import { hashDistance, type Look, SAME_BITS, SOFT } from '@tidy-reel/core/pictures/look'
import { HASHED_SIDE, perceptualHash } from '@tidy-reel/core/pictures/perceptual-hash'
import { folder } from '../test/lying-library.ts'
import { lookOf } from './look.ts'

const PHOTOS = fileURLToPath(new URL('../../../../.data/media/gcompris/erase', import.meta.url))
const files = readdirSync(PHOTOS)
  .filter((name) => name.endsWith('.webp'))
  .slice(0, 40)
  .map((name) => join(PHOTOS, name))

describe('lookOf, on photographs of a package (gcompris, free licences)', () => {
  let looks: Look[]
  beforeAll(async () => {
    looks = await Promise.all(files.map(lookOf))
  }, 60_000)
  it('hashes as the reference library "sharp-phash" does: not a bit differs over 16 photographs', async () => {
    for (const file of files.slice(0, 16)) {
      const grey = await sharp(file)
        .greyscale()
        .resize(HASHED_SIDE, HASHED_SIDE, { fit: 'fill' })
        .raw()
        .toBuffer()
      expect(BigInt(`0x${perceptualHash(grey)}`)).toBe(BigInt(`0b${await phash(file)}`))
    }
  })
  it('hashes a copy that was made smaller and encoded anew nearly the same', async () => {
    for (const [i, file] of files.slice(0, 12).entries()) {
      const copy = join(folder, `copy-${i}.jpg`)
      await sharp(file).resize(640).jpeg({ quality: 55 }).toFile(copy)
      expect(hashDistance(looks[i]!.hash, (await lookOf(copy)).hash)).toBeLessThanOrEqual(SAME_BITS)
    }
  })
  it('hashes different pictures differently: more than 16 bits apart for 99 in a hundred', () => {
    const distances = looks.flatMap(({ hash }, i) =>
      looks.slice(i + 1).map((other) => hashDistance(hash, other.hash)),
    )
    expect(distances.length).toBeGreaterThan(500)
    expect(distances.filter((bits) => bits > 16).length / distances.length).toBeGreaterThan(0.99)
  })
  it('sees that a blurred one is soft and the same one sharp is not', async () => {
    const soft = join(folder, 'soft.jpg')
    await sharp(files[0]).blur(14).jpeg().toFile(soft)
    expect((await lookOf(soft)).sharpness).toBeLessThan(SOFT)
    expect(looks.filter(({ sharpness }) => sharpness > SOFT).length / looks.length).toBeGreaterThan(
      0.9,
    )
  })
  it('names colours that are there', async () => {
    const flag = join(folder, 'flag.png')
    await sharp({ create: { width: 300, height: 200, channels: 3, background: '#1648c8' } })
      .composite([
        {
          input: { create: { width: 300, height: 80, channels: 3, background: '#f4f4f4' } },
          top: 0,
          left: 0,
        },
      ])
      .png()
      .toFile(flag)
    expect((await lookOf(flag)).colours).toEqual(['blue', 'white'])
  })
})
