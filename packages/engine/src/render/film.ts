import { existsSync } from 'node:fs'
import { mkdir, symlink, writeFile } from 'node:fs/promises'
import { cpus } from 'node:os'
import { join } from 'node:path'
import pLimit from 'p-limit'
import { itemAt } from '@tidy-reel/core/faults/certain'
import type { FilmShape, Segment } from '@tidy-reel/core/render/plan'
import { runProgram } from '../run/program.ts'
import type { PictureFile } from './footage.ts'
import { renderSegment } from './segment.ts'

export interface FilmParts {
  segments: readonly Segment[]
  /** Of each segment, the file of each of its `pictureRuns`; undefined for a card. */
  files: readonly (readonly (PictureFile | undefined)[])[]
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
  { segments, files, shape }: FilmParts,
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
            itemAt(files, i),
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

/** Joins segments, sound, subtitles and chapters into the film; nothing is encoded again. */
export async function joinFilm(
  work: string,
  parts: {
    segments: readonly string[]
    mix: string
    srt: string
    metadata: string
    seconds: number
  },
  out: string,
  signal: AbortSignal,
): Promise<void> {
  const list = join(work, 'segments.txt')
  await writeFile(
    list,
    parts.segments.map((file) => `file '${file.replace(/'/g, "'\\''")}'`).join('\n'),
  )
  const subtitled = parts.srt.length > 0
  await writeFile(join(work, 'film.srt'), parts.srt)
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
    ...(subtitled ? ['-i', join(work, 'film.srt')] : []),
  ]
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
      ...(subtitled ? ['-map', '3:s'] : []),
      '-map_metadata',
      '2',
      '-map_chapters',
      '2',
      '-c',
      'copy',
      ...(subtitled ? ['-c:s', 'mov_text', '-metadata:s:s:0', 'language=eng'] : []),
      '-t',
      parts.seconds.toFixed(6),
      '-movflags',
      '+faststart',
      '-f',
      'mp4',
      out,
    ],
    { signal },
  )
}
