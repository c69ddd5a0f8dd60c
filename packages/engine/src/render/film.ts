import { existsSync } from 'node:fs'
import { mkdir, symlink, writeFile } from 'node:fs/promises'
import { cpus } from 'node:os'
import { join } from 'node:path'
import pLimit from 'p-limit'
import { itemAt } from '@tidy-reel/core/faults/certain'
import type { FilmShape, Segment } from '@tidy-reel/core/render/plan'
import { iso6392 } from '@tidy-reel/core/speech/language-codes'
import type { FrameRate } from '@tidy-reel/core/time/time'
import { runProgram } from '../run/program.ts'
import type { PictureFile } from './footage.ts'
import { quietSubtitles } from './quiet-subtitles.ts'
import { renderSegment } from './segment.ts'
import { timescaleOf } from './segment-args.ts'

export interface FilmParts {
  segments: readonly Segment[]
  /** Of each segment, the file of each of its `pictureInputs`; undefined for a card. */
  files: readonly (readonly (PictureFile | undefined)[])[]
  /** Of all pictures, by their ids. */
  fetched: ReadonlyMap<string, PictureFile>
  shape: FilmShape
}

/**
 * Encodes all segments, as many at once as there are cores, keeping those that are there.
 *
 * @param onProgress frames that are done and frames there are
 * @returns their files, in order
 */
export async function renderSegments(
  folders: { segments: string; work: string; fonts: string },
  { segments, files, fetched, shape }: FilmParts,
  signal: AbortSignal,
  onProgress: (done: number, all: number) => void,
): Promise<string[]> {
  await mkdir(folders.work, { recursive: true })
  if (!existsSync(join(folders.work, 'fonts')))
    await symlink(folders.fonts, join(folders.work, 'fonts'))
  const limit = pLimit(Math.max(1, cpus().length))
  const all = segments.reduce((sum, { frames }) => sum + frames, 0)
  const stop = new AbortController()
  const either = AbortSignal.any([signal, stop.signal])
  let done = 0
  const results = await Promise.allSettled(
    segments.map((segment, i) =>
      limit(async () => {
        either.throwIfAborted()
        try {
          const file = await renderSegment(
            folders.segments,
            folders.work,
            segment,
            shape,
            { files: itemAt(files, i), laid: fetched },
            either,
          )
          onProgress((done += segment.frames), all)
          return file
        } catch (cause) {
          stop.abort(cause)
          throw cause
        }
      }),
    ),
  )
  if (stop.signal.aborted) throw stop.signal.reason
  return results.map((result) => {
    if (result.status === 'rejected') throw result.reason
    return result.value
  })
}

/** What a film is joined from. */
export interface Joined {
  /** Files of the segments, in order. */
  segments: readonly string[]
  /** Frames of each segment. */
  frames: readonly number[]
  fps: FrameRate
  mix: string
  /** SubRip, the narration's own first; languages as BCP 47. */
  subtitles: readonly { srt: string; language: string }[]
  metadata: string
  /** Of the narration, BCP 47: players choose sound and subtitles by it. */
  language: string
  /** The words are on the picture already: a player is not to show them a second time. */
  burnIn: boolean
}

/** Joins segments, sound, subtitles and chapters into the film; nothing is encoded again. */
export async function joinFilm(
  work: string,
  parts: Joined,
  out: string,
  signal: AbortSignal,
): Promise<void> {
  const list = join(work, 'segments.txt')
  await writeFile(list, concatList(parts))
  const subtitles = parts.subtitles.filter(({ srt }) => srt.length > 0)
  for (const [i, { srt }] of subtitles.entries()) await writeFile(join(work, `film-${i}.srt`), srt)
  await writeFile(join(work, 'chapters.txt'), parts.metadata)
  const inputs = [
    '-f',
    'concat',
    '-safe',
    '0',
    '-i',
    list,
    '-i',
    parts.mix,
    '-f',
    'ffmetadata',
    '-i',
    join(work, 'chapters.txt'),
    ...subtitles.flatMap((_, i) => ['-i', join(work, `film-${i}.srt`)]),
  ]
  const [num, den] = parts.fps
  const frames = parts.frames.reduce((sum, each) => sum + each, 0)
  const language = iso6392(parts.language)
  await runProgram(
    'ffmpeg',
    [
      '-hide_banner',
      '-v',
      'error',
      '-nostdin',
      '-y',
      ...inputs,
      '-map',
      '0:v',
      '-map',
      '1:a',
      ...subtitles.flatMap((_, i) => ['-map', `${3 + i}:s`]),
      '-map_metadata',
      '2',
      '-map_chapters',
      '2',
      '-c',
      'copy',
      '-bsf:v',
      exactTimes(parts.fps),
      ...['-metadata:s:v:0', `language=${language}`],
      ...['-metadata:s:a:0', `language=${language}`],
      ...(subtitles.length ? ['-c:s', 'mov_text'] : []),
      ...subtitles.flatMap(({ language: own }, i) => [
        `-metadata:s:s:${i}`,
        `language=${iso6392(own)}`,
      ]),
      // Half a frame more: the last one begins before the film's end.
      '-t',
      (((frames + 0.5) * den) / num).toFixed(6),
      '-video_track_timescale',
      String(timescaleOf(parts.fps)),
      '-movflags',
      '+faststart',
      '-f',
      'mp4',
      out,
    ],
    { signal },
  )
  if (subtitles.length && parts.burnIn) await quietSubtitles(out)
}

/**
 * The list of the concat demuxer. It tells how long each file is: what a file says of itself is
 * rounded to its movie's timescale, a millisecond, and that adds up.
 */
function concatList({ segments, frames, fps: [num, den] }: Joined): string {
  return segments
    .map((file, i) => {
      const seconds = (itemAt(frames, i) * den) / num
      return `file '${file.replace(/'/g, "'\\''")}'\nduration ${seconds.toFixed(6)}`
    })
    .join('\n')
}

/** Puts every frame on its exact tick: a frame is a whole number of ticks of the track. */
function exactTimes(fps: FrameRate): string {
  const ticks = (timescaleOf(fps) * fps[1]) / fps[0]
  return `setts=pts=round(PTS/${ticks})*${ticks}:dts=round(DTS/${ticks})*${ticks}:duration=${ticks}`
}
