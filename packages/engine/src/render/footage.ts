import { existsSync } from 'node:fs'
import { writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import pLimit from 'p-limit'
import { z } from 'zod'
import { isFault, TidyError } from '@tidy-reel/core/faults/fault'
import type { ChosenItem } from '@tidy-reel/core/pictures/item'
import { jsonOf } from '@tidy-reel/core/text/json'
import { MEDIA_INPUT } from '../run/media-input.ts'
import { ProbeFacts } from '../run/probe-facts.ts'
import { runProgram } from '../run/program.ts'
import type { PictureFiles } from '../stock/contract.ts'
import { contentHash, keptFile } from '../storage/kept-file.ts'
import { keptJson } from '../storage/kept-json.ts'

/** What decides how a picture's file is read. */
const PictureFacts = z.object({
  width: z.number(),
  height: z.number(),
  /** Its frames are limited-range BT.709 in 4:2:0 already, as the film's are. */
  plain: z.boolean(),
  /** How long a clip is as its file says; null where it does not. */
  seconds: z.number().nullable(),
})
type PictureFacts = z.infer<typeof PictureFacts>

export interface PictureFile extends PictureFacts {
  path: string
}

/** Files of the pictures a film shows, and why some are not there. */
export interface Footage {
  files: Map<string, PictureFile>
  faults: { item: ChosenItem; fault: TidyError }[]
}

/** Downloads at once: painting is done on the same cores here. */
const AT_ONCE = 2

/**
 * Fetches every picture once and looks whether it is what the library said; one that is not is left
 * out and named.
 */
export async function fetchFootage(
  folder: string,
  library: PictureFiles,
  items: readonly ChosenItem[],
  height: number,
  signal: AbortSignal,
  onProgress: (done: number, all: number) => void,
): Promise<Footage> {
  const wanted = [...new Map(items.map((item) => [item.id, item])).values()]
  const limit = pLimit(AT_ONCE)
  const footage: Footage = { files: new Map(), faults: [] }
  let done = 0
  let away: TidyError | undefined
  await Promise.all(
    wanted.map((item) =>
      limit(async () => {
        signal.throwIfAborted()
        const name = join(folder, contentHash({ id: item.id, source: item.source, height }))
        const path = `${name}.${item.kind === 'clip' ? 'mp4' : 'jpg'}`
        try {
          if (away && !existsSync(path)) throw away
          await keptFile(path, async (half) => {
            await library.download(item, height, half, signal)
            await probe(half, item, signal)
          })
          const facts = await keptFile(`${name}.facts.json`, async (half) =>
            writeFile(half, JSON.stringify(await probe(path, item, signal))),
          )
          footage.files.set(item.id, {
            path,
            ...(await keptJson(facts, PictureFacts)),
          })
        } catch (cause) {
          if (
            !isFault(cause) ||
            cause.code === 'cancelled' ||
            cause.code === 'disk_full' ||
            cause.code === 'program_missing'
          )
            throw cause
          if (cause.code === 'stock_unreachable') away = cause
          footage.faults.push({ item, fault: cause })
        }
        onProgress(++done, wanted.length)
      }),
    ),
  )
  return footage
}

/** @throws TidyError `media_unusable` when the file is not what the library said */
async function probe(
  file: string,
  { title, kind }: ChosenItem,
  signal: AbortSignal,
): Promise<PictureFacts> {
  const unusable = (reason: string) => new TidyError('media_unusable', { title, reason })
  const { stdout } = await runProgram(
    'ffprobe',
    [
      '-v',
      'error',
      ...MEDIA_INPUT,
      '-select_streams',
      'v:0',
      '-show_entries',
      'stream=width,height,nb_frames,pix_fmt,color_space,color_range:format=format_name,duration',
      '-of',
      'json',
      file,
    ],
    { signal, timeoutMs: 20_000 },
  ).catch((cause: unknown) => {
    if (isFault(cause) && cause.code === 'program_failed') throw unusable('its file is no picture')
    throw cause
  })
  const { streams, format } = ProbeFacts.parse(jsonOf(stdout.toString()))
  const stream = streams?.[0]
  if (!stream?.width || !stream.height) throw unusable('its file is no picture')
  if (stream.width > 8192 || stream.height > 8192) throw unusable('it is larger than 8192 pixels')
  const still =
    /_pipe$|^image2/.test(format?.format_name ?? '') || Number(stream.nb_frames ?? 2) < 2
  if (kind === 'clip' && still) throw unusable('it was offered as a clip but is a still')
  const { width, height } = stream
  return {
    width,
    height,
    seconds: Number(format?.duration) || null,
    plain:
      stream.pix_fmt === 'yuv420p' && stream.color_space === 'bt709' && stream.color_range === 'tv',
  }
}
