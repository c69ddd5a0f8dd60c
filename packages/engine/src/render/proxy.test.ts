import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { clip, item, memoryLibrary, photograph } from '../test/lying-library.ts'
import { filterLog, probe } from '../test/media-facts.ts'
import { proxyFile, proxyOf } from './proxy.ts'

const folder = mkdtempSync(join(tmpdir(), 'tidy-proxies-'))
const library = memoryLibrary({ wave: clip('wave', 2), lamp: photograph('proxied', 3000, 2000) })
const signal = new AbortController().signal

describe('proxyOf', () => {
  it('makes of a clip 480 lines with a key frame at least every 8 frames, as long as it was', async () => {
    const file = await proxyOf(folder, library, item('wave', 'clip'), signal)
    expect(file).toBe(proxyFile(folder, { id: 'wave', kind: 'clip' }))
    const [video] = probe(file).streams
    expect(video).toMatchObject({
      codec_name: 'h264',
      height: 480,
      nb_read_frames: '60',
      color_space: 'bt709',
    })
    expect(
      filterLog(file, { video: "select='eq(pict_type,I)',showinfo" }).match(/iskey:1|type:I/g)!
        .length,
    ).toBeGreaterThanOrEqual(8)
  })
  it('makes of a photograph a still no higher than 960 lines', async () => {
    const [still] = probe(await proxyOf(folder, library, item('lamp'), signal)).streams
    expect(still).toMatchObject({ codec_name: 'mjpeg', height: 960 })
  })
})
