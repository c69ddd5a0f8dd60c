import { join } from 'node:path'
import type { OverlayOptions } from 'sharp'
import { INLAY_SHADE, SHADE_REACH } from '@tidy-reel/core/film/placed-inlay'
import type { SegmentInlay } from '@tidy-reel/core/render/plan'
import { stillTools } from '../run/still-tools.ts'
import { contentHash, keptFile } from '../storage/kept-file.ts'

/** Counted up when the drawing changes. */
const RECIPE = 1
const CLEAR = { r: 0, g: 0, b: 0, alpha: 0 }

/**
 * A picture as it is laid over a film: as large as it is seen, with its corners, its edge and its
 * shade, turned. It stands in the middle of the still.
 *
 * @param unit a pixel of a picture 1,080 high
 * @returns the file, PNG; made once
 */
export async function inlayStill(
  folder: string,
  file: string,
  inlay: SegmentInlay,
  unit: number,
): Promise<string> {
  const { item, box, turn, round, edge, shade, strength } = inlay
  const drawn = { RECIPE, id: item.id, source: item.source, box: [box.width, box.height] }
  const name = contentHash({ ...drawn, turn, round, edge, shade, strength, unit })
  return keptFile(join(folder, `${name}.png`), async (half) => {
    const body = await turnedBody(file, inlay)
    const png = shade ? await shaded(body, shade, unit) : body
    const sharp = await stillTools()
    const whole = sharp(png)
    const seen = strength < 1 ? whole.composite([veil(strength)]) : whole
    await seen.png({ compressionLevel: 3 }).toFile(half)
  })
}

/** Leaves so much of everything. */
const veil = (strength: number): OverlayOptions => ({
  input: Buffer.from([255, 255, 255, Math.round(255 * strength)]),
  raw: { width: 1, height: 1, channels: 4 },
  tile: true,
  blend: 'dest-in',
})

const rounded = (width: number, height: number, radius: number, colour: string) =>
  Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}">` +
      `<rect width="${width}" height="${height}" rx="${radius}" fill="${colour}"/></svg>`,
  )

/** The picture with its corners and its edge, turned; PNG. */
async function turnedBody(
  file: string,
  { box: { width, height }, round, edge, turn }: SegmentInlay,
): Promise<Buffer> {
  const sharp = await stillTools()
  const corners: OverlayOptions = { input: rounded(width, height, round, '#fff'), blend: 'dest-in' }
  const picture = await sharp(file)
    .resize({ width, height, fit: 'cover' })
    .toColourspace('srgb')
    .ensureAlpha()
    .composite(round ? [corners] : [])
    .png()
    .toBuffer()
  const rim = Math.round(edge?.width ?? 0)
  const size = { width: width + 2 * rim, height: height + 2 * rim }
  const ground = edge
    ? rounded(size.width, size.height, round ? round + rim : 0, edge.colour)
    : undefined
  const framed = ground
    ? await sharp(ground)
        .composite([{ input: picture, left: rim, top: rim }])
        .png()
        .toBuffer()
    : picture
  return turn ? sharp(framed).rotate(turn, { background: CLEAR }).png().toBuffer() : framed
}

/** With a soft shade behind it, and room for that on each side. */
async function shaded(body: Buffer, colour: string, unit: number): Promise<Buffer> {
  const sharp = await stillTools()
  const reach = Math.ceil(SHADE_REACH * unit)
  const { width, height } = await sharp(body).metadata()
  const room = { left: reach, right: reach, top: reach, bottom: reach, background: CLEAR }
  const down = Math.round(reach * INLAY_SHADE.down)
  const outline = await sharp(body).extend(room).extractChannel('alpha').png().toBuffer()
  const size = { width: width + 2 * reach, height: height + 2 * reach }
  const soft = await sharp(outline)
    .blur(Math.max(0.4, reach / 3))
    .linear(INLAY_SHADE.opacity, 0)
    // One plane: a grey picture is three otherwise.
    .toColourspace('b-w')
    .raw()
    .toBuffer()
  const shadow = await sharp({ create: { ...size, channels: 3, background: colour } })
    .joinChannel(soft, { raw: { ...size, channels: 1 } })
    .png()
    .toBuffer()
  const lower = await sharp(shadow)
    .extract({ left: 0, top: 0, width: size.width, height: size.height - down })
    .extend({ top: down, background: CLEAR })
    .png()
    .toBuffer()
  return sharp(lower)
    .composite([{ input: body, left: reach, top: reach }])
    .png()
    .toBuffer()
}
