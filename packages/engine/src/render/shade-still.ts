import { join } from 'node:path'
import { shadeAlpha } from '@tidy-reel/core/film/soft-shade'
import type { SegmentShade } from '@tidy-reel/core/render/plan'
import { stillTools } from '../run/still-tools.ts'
import { contentHash, keptFile } from '../storage/kept-file.ts'

/** Counted up when the drawing changes. */
const RECIPE = 1

/** The picture of a soft ground, PNG; made once. */
export function shadeStill(folder: string, shade: SegmentShade): Promise<string> {
  const { box, blur, colour, opacity } = shade
  const name = contentHash({ RECIPE, box, blur, colour, opacity })
  return keptFile(join(folder, `${name}.png`), async (half) => {
    const { alpha, width, height } = shadeAlpha(shade)
    const sharp = await stillTools()
    await sharp({ create: { width, height, channels: 3, background: colour } })
      .joinChannel(Buffer.from(alpha.buffer), { raw: { width, height, channels: 1 } })
      .png({ compressionLevel: 1 })
      .toFile(half)
  })
}
