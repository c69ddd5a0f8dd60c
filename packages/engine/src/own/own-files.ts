import { createReadStream, createWriteStream, existsSync } from 'node:fs'
import { readFile, rename, writeFile } from 'node:fs/promises'
import { basename, join } from 'node:path'
import type { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { TidyError } from '@tidy-reel/core/fault'
import { Item } from '@tidy-reel/core/match/item'
import { runProgram } from '../run/program.ts'
import { received } from '../storage/upload.ts'
import type { StockLibrary } from './contract.ts'

/** The longest file that is taken, in bytes. */
export const OWN_BYTES_LIMIT = 400 * 1024 * 1024
const LARGEST_SIDE = 8192
/** What ffmpeg calls the formats that are taken; anything else is no picture to us. */
const FORMATS = /^(image2|png_pipe|jpeg_pipe|webp_pipe|gif|gif_pipe|mov,mp4,m4a,3gp,3g2,mj2|matroska,webm|avif)$/
const OWN = /^own-([0-9a-f]{32})$/

interface Probed {
  streams?: { width?: number; height?: number; nb_read_packets?: string; duration?: string }[]
  format?: { format_name?: string; duration?: string }
}

/**
 * Takes a person's own picture or clip: kept under the hash of its bytes, so that the same file is taken once.
 *
 * @param name as the person's computer calls it; becomes its title and never a path
 * @throws TidyError `own_file_unusable` with why, `disk_full`
 */
export async function takeOwnFile(folder: string, name: string, bytes: Readable): Promise<Item> {
  return received(folder, bytes, OWN_BYTES_LIMIT, (reason) => unusable(name, reason), async (half, hash) => {
    const id = `own-${hash}`
    const item = await probedItem(half, id, name)
    await rename(half, join(folder, id))
    await writeFile(join(folder, `${id}.json`), JSON.stringify(item))
    return item
  })
}

const unusable = (name: string, reason: string) => new TidyError('own_file_unusable', { name: basename(name).slice(0, 80), reason })

async function probedItem(file: string, id: string, name: string): Promise<Item> {
  const { stdout } = await runProgram('ffprobe', ['-v', 'error', '-protocol_whitelist', 'file,pipe', '-select_streams', 'v:0', '-count_packets', '-show_entries', 'stream=width,height,nb_read_packets,duration:format=format_name,duration', '-of', 'json', file], { timeoutMs: 60_000 }).catch((cause: unknown) => {
    if (cause instanceof TidyError && cause.code === 'program_failed') throw unusable(name, 'it is neither a picture nor a film that can be read')
    throw cause
  })
  const { streams, format } = JSON.parse(stdout.toString()) as Probed
  const { width = 0, height = 0, nb_read_packets: packets, duration } = streams?.[0] ?? {}
  if (!FORMATS.test(format?.format_name ?? '') || !width || !height) throw unusable(name, 'it is neither a picture nor a film that can be read')
  if (Math.max(width, height) > LARGEST_SIDE) throw unusable(name, `it is larger than ${LARGEST_SIDE} pixels`)
  const moves = Number(packets ?? 1) > 1
  const title = basename(name).replace(/\.\w{1,5}$/, '').replace(/[_\s]+/g, ' ').trim().slice(0, 200) || 'Own file'
  return Item.parse({
    id, kind: moves ? 'clip' : 'photo', title, width, height, seconds: moves ? Number(duration ?? format?.duration ?? 0) : null,
    orientation: width > height ? 'landscape' : width < height ? 'portrait' : 'square', source: 'Own file', licence: 'Own', author: '',
  })
}

/** What is known of an own file; undefined when there is none of that name. */
export async function ownItem(folder: string, id: string): Promise<Item | undefined> {
  if (!OWN.test(id)) return undefined
  const facts = await readFile(join(folder, `${id}.json`), 'utf8').catch(() => undefined)
  return facts === undefined ? undefined : Item.parse(JSON.parse(facts))
}

/** A library that has a person's own files too. */
export function withOwnFiles(library: StockLibrary, folder: string): StockLibrary {
  const own = (id: string) => (OWN.test(id) && existsSync(join(folder, id)) ? join(folder, id) : undefined)
  return {
    ...library,
    async download(item, height, out, signal) {
      const file = own(item.id)
      if (!file) return library.download(item, height, out, signal)
      await pipeline(createReadStream(file), createWriteStream(out), signal ? { signal } : {})
    },
    async thumbnail(id, out, signal) {
      const file = own(id)
      if (!file) return library.thumbnail(id, out, signal)
      await runProgram('ffmpeg', ['-hide_banner', '-v', 'error', '-nostdin', '-y', '-protocol_whitelist', 'file,pipe', '-i', file, '-frames:v', '1', '-vf', 'scale=480:-2', '-q:v', '4', '-f', 'mjpeg', out], signal ? { signal } : {})
    },
  }
}
