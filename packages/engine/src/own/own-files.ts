import { createReadStream, createWriteStream, existsSync } from 'node:fs'
import { readFile, rename, writeFile } from 'node:fs/promises'
import { basename, join } from 'node:path'
import type { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { z } from 'zod'
import { isFault, TidyError } from '@tidy-reel/core/faults/fault'
import { Item, orientationOf } from '@tidy-reel/core/pictures/item'
import { licenceFacts } from '@tidy-reel/core/pictures/licences'
import { Look } from '@tidy-reel/core/pictures/look'
import { jsonOf } from '@tidy-reel/core/text/json'
import { pattern } from '@tidy-reel/core/text/pattern'
import { cutText } from '@tidy-reel/core/text/well-formed'
import { MEDIA_INPUT } from '../run/media-input.ts'
import { ProbeFacts } from '../run/probe-facts.ts'
import { runProgram } from '../run/program.ts'
import { stillTools } from '../run/still-tools.ts'
import type { PictureFiles } from '../stock/contract.ts'
import { replacedFile } from '../storage/kept-file.ts'
import { received } from '../storage/upload.ts'
import { piecesOf } from './cuts.ts'
import { lookOf } from './look.ts'
import { metadataInside, type PictureMetadata } from './picture-metadata.ts'

/** The longest file that is taken, in bytes. */
export const OWN_BYTES_LIMIT = 400 * 1024 * 1024
/** Pixels a side of the largest picture: twice what a film in 4K shows. */
const LARGEST_SIDE = 8192
/** Stills are read by sharp: starting ffprobe takes longer than all else that is done with one. */
const STILLS = new Set(['jpeg', 'png', 'webp', 'gif', 'heif'])
/** What ffmpeg calls the formats that are taken beside them; anything else is no picture to us. */
const FORMATS =
  /^(image2|png_pipe|jpeg_pipe|webp_pipe|gif|gif_pipe|mov,mp4,m4a,3gp,3g2,mj2|matroska,webm|avif)$/
/**
 * A file in the folder of own files: one somebody brought or one that was made, and of a clip a
 * piece of it, counted from 1.
 */
const OWN = /^((?:own|made)-[0-9a-f]{32})(?:-([1-9]\d{0,3}))?$/

/** What is known of an own file. */
export const OwnFacts = z.object({
  item: Item,
  look: Look,
  /** As the person's computer called it. */
  fileName: z.string(),
  /** Between the cuts of a clip, in seconds; null while nobody has looked for cuts. */
  pieces: z
    .array(z.object({ from: z.number().nonnegative(), to: z.number().positive() }))
    .nullable(),
})
export type OwnFacts = z.infer<typeof OwnFacts>

/**
 * Takes a person's own picture or clip: kept under the hash of its bytes, so that the same file is
 * taken once. It is described by what it carries (EXIF, IPTC, XMP), or else by its name, and by the
 * folders it lay in.
 *
 * @param name as the person's computer calls it, with its folders; becomes words and never a path
 * @throws TidyError `own_file_unusable` with why, `disk_full`
 */
export async function takeOwnFile(
  folder: string,
  name: string,
  bytes: Readable,
): Promise<OwnFacts> {
  return received(
    folder,
    bytes,
    OWN_BYTES_LIMIT,
    (reason) => unusable(name, reason),
    async (half, hash) => {
      const id = `own-${hash}`
      const known = await ownFacts(folder, id)
      if (known) return known
      const item = await itemOf(half, id, name)
      return keepOwn(folder, half, {
        item,
        fileName: cutText(basename(name), 300),
        pieces: item.kind === 'clip' ? null : [],
      })
    },
  )
}

/**
 * Puts a file that was looked at into the folder, its facts after it: without them it is not there.
 */
export async function keepOwn(
  folder: string,
  half: string,
  facts: Omit<OwnFacts, 'look'>,
): Promise<OwnFacts> {
  const { id, kind } = facts.item
  const still = kind === 'clip' ? `${half}.jpg` : half
  if (kind === 'clip') await firstFrame(half, still, 0)
  const look = await lookOf(still).catch(() => {
    throw unusable(facts.fileName, 'it is cut off or damaged')
  })
  const whole: OwnFacts = { ...facts, look }
  await rename(half, join(folder, id))
  await keepFacts(folder, whole)
  return whole
}

const keepFacts = (folder: string, facts: OwnFacts) =>
  replacedFile(join(folder, `${facts.item.id}.json`), (half) =>
    writeFile(half, JSON.stringify(facts)),
  )

const unusable = (name: string, reason: string) =>
  new TidyError('own_file_unusable', { name: cutText(basename(name), 80), reason })

async function itemOf(file: string, id: string, name: string): Promise<Item> {
  await drawnOut(file, name)
  const { moves, seconds, ...size } = (await stillAt(file)) ?? (await probedAt(file, name))
  if (Math.max(size.width, size.height) > LARGEST_SIDE)
    throw unusable(name, `it is larger than ${LARGEST_SIDE} pixels`)
  // What it carries is read first: turning it leaves that behind.
  const said = moves ? { tags: [] } : await metadataInside(file)
  const stands = moves
    ? size
    : await upright(file).catch(() => {
        throw unreadable(name)
      })
  return Item.parse({
    ...describedItem(said, name),
    id,
    kind: moves ? 'clip' : 'photo',
    ...stands,
    seconds,
    orientation: orientationOf(stands),
  })
}

/** Pixels of the longer side that a drawing of lines (SVG) is drawn out to. */
const DRAWN_SIDE = 2048
/** Bytes of the largest drawing: more is a picture in another's clothes. */
const DRAWN_BYTES = 8 * 1024 * 1024
const DRAWN_SECONDS = 10

/**
 * A drawing of lines becomes a PNG that keeps what is clear of it; anything else stays. Nothing in it
 * is run or fetched: librsvg knows neither scripts nor, of a file without a place, other files.
 */
async function drawnOut(file: string, name: string): Promise<void> {
  const sharp = await stillTools()
  const known = await sharp(file, { limitInputPixels: false })
    .metadata()
    .catch(() => undefined)
  if (known?.format !== 'svg') return
  const bytes = await readFile(file)
  if (bytes.length > DRAWN_BYTES) throw unusable(name, 'its drawing is larger than 8 MB')
  const longer = Math.max(known.width, known.height, 1)
  const density = Math.min(2400, Math.max(1, (72 * DRAWN_SIDE) / longer))
  const png = await sharp(bytes, { density, limitInputPixels: 64_000_000 })
    .timeout({ seconds: DRAWN_SECONDS })
    .resize({ width: DRAWN_SIDE, height: DRAWN_SIDE, fit: 'inside', withoutEnlargement: true })
    .png()
    .toBuffer()
    .catch(() => {
      throw unusable(name, 'it cannot be drawn')
    })
  await writeFile(file, png)
}

interface Seen {
  width: number
  height: number
  moves: boolean
  seconds: number | null
}

/** Of all frames together: twenty minutes of 4K at 30 frames a second. */
const MOST_PIXELS = 20 * 60 * 30 * 3840 * 2160

const unreadable = (name: string) =>
  unusable(name, 'it is neither a picture nor a film that can be read')

/** A still as sharp reads it; undefined for what moves or is none. */
async function stillAt(file: string): Promise<Seen | undefined> {
  const sharp = await stillTools()
  const known = await sharp(file, { limitInputPixels: false })
    .metadata()
    .catch(() => undefined)
  // Of HEIF, AVIF alone can be read here: what telephones write is not.
  const readable =
    known && STILLS.has(known.format) && (known.format !== 'heif' || known.compression === 'av1')
  return readable && (known.pages ?? 1) === 1
    ? { width: known.width, height: known.height, moves: false, seconds: null }
    : undefined
}

async function probedAt(file: string, name: string): Promise<Seen> {
  const { stdout } = await runProgram(
    'ffprobe',
    [
      '-v',
      'error',
      ...MEDIA_INPUT,
      '-select_streams',
      'v:0',
      '-count_packets',
      '-show_entries',
      'stream=width,height,nb_read_packets,duration:format=format_name,duration',
      '-of',
      'json',
      file,
    ],
    { timeoutMs: 60_000 },
  ).catch((cause: unknown) => {
    if (isFault(cause) && cause.code === 'program_failed') throw unreadable(name)
    throw cause
  })
  const { streams, format } = ProbeFacts.parse(jsonOf(stdout.toString()))
  const { width = 0, height = 0, nb_read_packets: packets, duration } = streams?.[0] ?? {}
  if (!FORMATS.test(format?.format_name ?? '') || !width || !height) throw unreadable(name)
  const moves = Number(packets ?? 1) > 1
  if (Number(packets ?? 1) * width * height > MOST_PIXELS)
    throw unusable(
      name,
      `it has ${packets} pictures of ${width} × ${height}, more than can be read`,
    )
  return { width, height, moves, seconds: moves ? Number(duration ?? format?.duration ?? 0) : null }
}

/** Turns a photograph as its camera was held, so that every later reader sees it upright. */
async function upright(file: string): Promise<{ width: number; height: number }> {
  const sharp = await stillTools()
  const { orientation = 1, width, height, format } = await sharp(file).metadata()
  if (orientation <= 1) return { width, height }
  await writeFile(
    file,
    await sharp(file).rotate().keepIccProfile().toFormat(format, { quality: 95 }).toBuffer(),
  )
  return orientation >= 5 ? { width: height, height: width } : { width, height }
}

const worded = (text: string) => text.replace(/[_\s]+/g, ' ').trim()
/** Names that cameras give tell nothing. */
const NO_WORDS = pattern(
  'i',
  String.raw`^(?:img|dsc[nf]?|dji|gopr|mvi|pxl|p|photo|image|video|clip|scan|screenshot|`,
  String.raw`untitled)?[\s_-]*[\d\s_():.-]*$`,
)

function describedItem(said: PictureMetadata, name: string): Partial<Item> {
  const folders = name
    .split(/[\\/]/)
    .slice(0, -1)
    .map(worded)
    .filter((part) => part && !/^\.+$|^\w:$/.test(part) && !NO_WORDS.test(part))
    .slice(-4)
  const named = cutText(worded(basename(name.replaceAll('\\', '/')).replace(/\.\w{1,5}$/, '')), 200)
  const licence =
    said.licence && licenceFacts(said.licence).use !== 'unknown' ? said.licence : 'Own'
  return {
    title:
      said.title ??
      (named && !NO_WORDS.test(named) ? named : (folders.at(-1) ?? (named || 'Own file'))),
    ...(said.description ? { description: said.description } : {}),
    tags: [...new Set([...said.tags, ...folders])],
    source: 'Own file',
    licence,
    author: said.author ?? '',
  }
}

/** The id of the file that a picture is, or is a piece of, and which piece. */
function partsOf(id: string): { file: string; piece: number | undefined } | undefined {
  const [, file, piece] = OWN.exec(id) ?? []
  return file ? { file, piece: piece ? Number(piece) : undefined } : undefined
}

/** What is known of an own file; undefined when there is none of that name. */
export async function ownFacts(folder: string, id: string): Promise<OwnFacts | undefined> {
  const parts = partsOf(id)
  if (!parts || !existsSync(join(folder, parts.file))) return undefined
  const read = OwnFacts.safeParse(
    jsonOf(await readFile(join(folder, `${parts.file}.json`), 'utf8').catch(() => '')),
  )
  return read.success ? read.data : undefined
}

/**
 * Looks for cuts in an own clip and keeps where they are; each piece between two can be used alone.
 *
 * @returns the pieces as pictures of their own; none for a clip without a cut
 */
export async function cutOwnFile(
  folder: string,
  id: string,
  signal?: AbortSignal,
): Promise<Item[]> {
  const facts = await ownFacts(folder, id)
  if (!facts) return []
  const pieces =
    facts.pieces ?? (await piecesOf(join(folder, facts.item.id), facts.item.seconds ?? 0, signal))
  if (!facts.pieces) await keepFacts(folder, { ...facts, pieces })
  return pieces.map(({ from, to }, i) => ({
    ...facts.item,
    id: `${facts.item.id}-${i + 1}`,
    title: cutText(`${facts.item.title}, part ${i + 1} of ${pieces.length}`, 500),
    seconds: Math.round((to - from) * 1000) / 1000,
  }))
}

/** The files in the folder of own files, by id. */
export function ownFiles(folder: string): PictureFiles {
  const own = async (id: string) => {
    const gone = new TidyError('media_unusable', {
      title: id,
      reason: 'its file is not in the library any more',
    })
    const parts = partsOf(id)
    if (!parts || !existsSync(join(folder, parts.file))) throw gone
    const file = join(folder, parts.file)
    if (parts.piece === undefined) return { file, span: undefined }
    const span = (await ownFacts(folder, id))?.pieces?.[parts.piece - 1]
    if (!span) throw gone
    return { file, span }
  }
  return {
    async download(item, _height, out, signal) {
      const { file, span } = await own(item.id)
      if (!span)
        return pipeline(createReadStream(file), createWriteStream(out), signal ? { signal } : {})
      // A piece begins at any frame, so it is encoded anew, all but without loss.
      await runProgram(
        'ffmpeg',
        [
          ...reading,
          '-ss',
          String(span.from),
          '-to',
          String(span.to),
          '-i',
          file,
          '-map',
          '0:v:0',
          '-map',
          '0:a:0?',
          '-c:a',
          'aac',
          '-c:v',
          'libx264',
          '-preset',
          'veryfast',
          '-crf',
          '14',
          '-movflags',
          '+faststart',
          '-f',
          'mp4',
          out,
        ],
        signal ? { signal } : {},
      )
    },
    async thumbnail(id, out, signal) {
      const { file, span } = await own(id)
      if (!span && (await stillAt(file)))
        return void (await (
          await stillTools()
        )(file)
          .resize({ width: SMALL })
          .flatten({ background: '#fff' })
          .jpeg({ quality: 82 })
          .toFile(out))
      await firstFrame(
        file,
        out,
        span ? span.from + Math.min(0.5, (span.to - span.from) / 2) : 0,
        signal,
      )
    },
  }
}

const reading = ['-hide_banner', '-v', 'error', '-nostdin', '-y', ...MEDIA_INPUT]

/** Pixels a small picture is wide. */
const SMALL = 480

/** A small JPEG of what is seen at a second. */
async function firstFrame(
  file: string,
  out: string,
  at: number,
  signal?: AbortSignal,
): Promise<void> {
  await runProgram(
    'ffmpeg',
    [
      ...reading,
      ...(at ? ['-ss', String(at)] : []),
      '-i',
      file,
      '-frames:v',
      '1',
      '-vf',
      `scale=${SMALL}:-2`,
      '-q:v',
      '4',
      '-f',
      'mjpeg',
      out,
    ],
    signal ? { signal } : {},
  )
}
