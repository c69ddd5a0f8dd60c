import { copyKind, type CopyWish } from '@tidy-reel/core/export/copies'
import { BT709_TAGS } from '../render/bt709-args.ts'

/** What is known of the film that is copied. */
export interface CopiedFilm {
  width: number
  height: number
  /** Of the whole film. */
  seconds: number
}

/** One run of ffmpeg: its arguments between those that read the film and the file it writes. */
export interface CopyRun {
  args: string[]
  /** It writes nothing but what the next run needs. */
  isFirstPass: boolean
}

/** Sound of copies with a picture, bits a second. */
const SOUND_RATE = 128_000
/** Of the size asked for: the rest is what a file needs beside its streams. */
const STREAMS_SHARE = 0.96
/** Under so many bits a second there is nothing to be seen. */
export const LEAST_RATE = 40_000

/** Seconds of the film a copy shows. */
export const secondsOf = ({ from = 0, to }: CopyWish, film: CopiedFilm): number =>
  Math.max(0, Math.min(to ?? film.seconds, film.seconds) - from)

/** Bits a second its picture may have; undefined where its size is not set. */
export function pictureRate(wish: CopyWish, film: CopiedFilm): number | undefined {
  if (!wish.megabytes) return undefined
  const bits = wish.megabytes * 8e6 * STREAMS_SHARE
  return Math.floor(bits / secondsOf(wish, film)) - SOUND_RATE
}

/** The smallest size a copy of this kind can have, in megabytes. */
export const leastMegabytes = (wish: CopyWish, film: CopiedFilm): number =>
  Math.ceil((10 * (LEAST_RATE + SOUND_RATE) * secondsOf(wish, film)) / STREAMS_SHARE / 8e6) / 10

const OPUS = ['-c:a', 'libopus', '-b:a', String(SOUND_RATE)]
const AAC = ['-c:a', 'aac', '-b:a', String(SOUND_RATE)]
const MP4 = ['-movflags', '+faststart']

/** Frames a second of moving pictures without sound: as many as a small one needs. */
const SMALL_RATE = 12

/**
 * The runs that make a copy, in order.
 *
 * @param rate of the picture, as `pictureRate` tells
 * @param log  where the first of two passes leaves what it found
 */
export function copyRuns(
  wish: CopyWish,
  film: CopiedFilm,
  { rate, log }: { rate: number | undefined; log: string },
): CopyRun[] {
  const { kind } = wish
  const filters = scaled(wish, film)
  const once = (args: string[]): CopyRun[] => [{ args, isFirstPass: false }]
  const film420 = [...filterArgs([...filters, 'format=yuv420p']), ...BT709_TAGS]
  switch (kind) {
    case 'mp4':
      return encoded(
        [...film420, '-c:v', 'libx264', '-preset', 'medium', '-profile:v', 'high'],
        [...AAC, '-c:s', 'mov_text', ...MP4],
        { rate, quality: ['-crf', '21'], passes: (n) => ['-pass', String(n), '-passlogfile', log] },
      )
    case 'hevc':
      return encoded(
        [...film420, '-c:v', 'libx265', '-preset', 'fast', '-tag:v', 'hvc1'],
        [...AAC, '-c:s', 'mov_text', ...MP4],
        {
          rate,
          quality: ['-crf', '24', '-x265-params', 'log-level=error'],
          passes: (n) => ['-x265-params', `log-level=error:pass=${n}:stats=${log}`],
        },
      )
    case 'webm':
      return encoded(
        [...film420, '-c:v', 'libvpx-vp9', '-deadline', 'good', '-cpu-used', '4', '-row-mt', '1'],
        [...OPUS, '-c:s', 'webvtt'],
        {
          rate,
          quality: ['-crf', '32', '-b:v', '0'],
          passes: (n) => ['-pass', String(n), '-passlogfile', log],
        },
      )
    case 'av1':
      return once([
        ...film420,
        ...['-c:v', 'libsvtav1', '-preset', '8', '-crf', '34'],
        ...OPUS,
        ...['-c:s', 'webvtt'],
      ])
    case 'mov':
      // VC-3 (SMPTE ST 2019-1) and sound as it is: editors read it frame by frame.
      return once([
        ...filterArgs([...filters, 'format=yuv422p']),
        ...BT709_TAGS,
        ...['-c:v', 'dnxhd', '-profile:v', 'dnxhr_sq', '-c:a', 'pcm_s16le', '-sn'],
      ])
    case 'gif':
      return once([
        '-filter_complex',
        `[0:v]${[`fps=${SMALL_RATE}`, ...filters].join(',')},split[a][b];` +
          '[a]palettegen=stats_mode=diff[p];[b][p]paletteuse=dither=bayer:bayer_scale=4',
        ...['-loop', '0', '-an', '-sn'],
      ])
    case 'webp':
      return once([
        ...filterArgs([`fps=${SMALL_RATE}`, ...filters]),
        ...['-c:v', 'libwebp_anim', '-quality', '70', '-loop', '0', '-an', '-sn'],
      ])
    case 'still':
      return once([...filterArgs(filters), '-frames:v', '1', '-an', '-sn'])
    case 'wav':
      return once(['-vn', '-sn', '-c:a', 'pcm_s16le'])
    case 'flac':
      return once(['-vn', '-sn', '-c:a', 'flac'])
    case 'mp3':
      return once(['-vn', '-sn', '-c:a', 'libmp3lame', '-b:a', '192k'])
  }
}

/** In one run to a quality, or in two to a size. */
function encoded(
  picture: string[],
  rest: string[],
  to: { rate: number | undefined; quality: string[]; passes: (n: 1 | 2) => string[] },
): CopyRun[] {
  if (to.rate === undefined)
    return [{ args: [...picture, ...to.quality, ...rest], isFirstPass: false }]
  const rated = [...picture, '-b:v', String(to.rate)]
  return [
    { args: [...rated, ...to.passes(1), '-an', '-sn'], isFirstPass: true },
    { args: [...rated, ...to.passes(2), ...rest], isFirstPass: false },
  ]
}

/** To the lines asked for, counted on the shorter side; never larger than the film. */
function scaled({ kind, lines }: CopyWish, { width, height }: CopiedFilm): string[] {
  if (copyKind(kind).isSound || !lines || lines >= Math.min(width, height)) return []
  const size = width < height ? `${lines}:-2` : `-2:${lines}`
  return [`scale=${size}:flags=lanczos`]
}

const filterArgs = (filters: readonly string[]) =>
  filters.length ? ['-vf', filters.join(',')] : []
