import { rm } from 'node:fs/promises'
import { join } from 'node:path'
import type { ChosenItem } from '@tidy-reel/core/pictures/item'
import { MEDIA_INPUT } from '../run/media-input.ts'
import { runProgram } from '../run/program.ts'
import type { PictureFiles } from '../stock/contract.ts'
import { contentHash, keptFile } from '../storage/kept-file.ts'

/** Lines of a proxy: what a monitor beside a sheet can show. */
const LINES = 480
/** A key frame every quarter of a second: a place in the clip is found at once. */
const KEY_FRAMES = 8

/** Where the proxy of a picture is kept. */
export const proxyFile = (folder: string, { id, kind }: Pick<ChosenItem, 'id' | 'kind'>) =>
  join(folder, `${contentHash({ id, LINES, version: 1 })}.${kind === 'clip' ? 'mp4' : 'jpg'}`)

/**
 * Makes the small, quickly searched copy of a picture that the monitor plays, unless it is there.
 */
export async function proxyOf(
  folder: string,
  library: PictureFiles,
  item: Pick<ChosenItem, 'id' | 'title' | 'kind'>,
  signal: AbortSignal,
): Promise<string> {
  return keptFile(proxyFile(folder, item), async (half) => {
    const whole = `${half}.whole`
    try {
      await library.download(item, LINES, whole, signal)
      const read = ['-hide_banner', '-v', 'error', '-nostdin', '-y', ...MEDIA_INPUT, '-i', whole]
      const clip = [
        '-vf',
        `scale=-2:${LINES}:out_color_matrix=bt709:out_range=tv,format=yuv420p`,
        '-an',
        '-c:v',
        'libx264',
        '-preset',
        'veryfast',
        '-crf',
        '22',
        '-g',
        String(KEY_FRAMES),
        '-bf',
        '0',
        '-color_primaries',
        'bt709',
        '-color_trc',
        'bt709',
        '-colorspace',
        'bt709',
        '-movflags',
        '+faststart',
        '-f',
        'mp4',
      ]
      // A still is looked into closer than a clip: twice the lines.
      const still = [
        '-frames:v',
        '1',
        '-vf',
        `scale=-2:'min(ih,${2 * LINES})'`,
        '-q:v',
        '3',
        '-f',
        'mjpeg',
      ]
      await runProgram('ffmpeg', [...read, ...(item.kind === 'clip' ? clip : still), half], {
        signal,
      })
    } finally {
      await rm(whole, { force: true })
    }
  })
}
