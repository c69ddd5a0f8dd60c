import { writeFile } from 'node:fs/promises'
import { cpus } from 'node:os'
import pLimit from 'p-limit'
import { z } from 'zod'
import type { Stretch } from '@tidy-reel/core/export/check/measured-film'
import { itemAt } from '@tidy-reel/core/faults/certain'
import type { FrameRate } from '@tidy-reel/core/time/time'
import { MEDIA_INPUT } from '../run/media-input.ts'
import { runProgram } from '../run/program.ts'
import { keptFile } from '../storage/kept-file.ts'
import { keptJson } from '../storage/kept-json.ts'
import { blackIn, holesFilter, stretchesIn } from './filter-log.ts'

/** Where a picture is black or stands still, in seconds. */
const PictureHoles = z.object({
  black: z.array(z.object({ from: z.number(), to: z.number() })),
  frozen: z.array(z.object({ from: z.number(), to: z.number() })),
})
export type PictureHoles = z.infer<typeof PictureHoles>

/** A finished piece of a film's picture. */
interface Piece {
  file: string
  frames: number
}

/**
 * Finer than what is told of, so that what goes on over several pieces is found in each. Every
 * other frame at the least is looked at: those nothing else is decoded from are left out, which
 * halves the work.
 */
const FILTER = `scale=320:-2:flags=neighbor,${holesFilter(0.1, 0.5)}`
/** What lies so near to a piece's end, in frames, reaches to it: the last ones may be left out. */
const LEFT_OUT = 4
const TIMEOUT_MS = 600_000

/**
 * Where a film of these pieces is black or stands still. A piece is looked at once, whatever film it
 * is used in next.
 *
 * @param onProgress pieces that were looked at and pieces there are
 * @returns in the film's seconds; what goes on over a cut, once a piece
 * @throws TidyError `program_failed` for a piece that cannot be decoded, `program_missing`,
 *   `cancelled`
 */
export async function pictureHoles(
  pieces: readonly Piece[],
  fps: FrameRate,
  signal: AbortSignal,
  onProgress: (done: number, all: number) => void,
): Promise<PictureHoles> {
  const limit = pLimit(Math.max(1, cpus().length))
  let done = 0
  const found = await Promise.all(
    pieces.map((piece) =>
      limit(async () => {
        const holes = await holesOf(piece, fps, signal)
        onProgress(++done, pieces.length)
        return holes
      }),
    ),
  )
  let frame = 0
  const starts = pieces.map(({ frames }) => (frame += frames) - frames)
  const inFilm = (kind: keyof PictureHoles) =>
    found.flatMap((holes, i) => holes[kind].map(laterBy(secondsOf(itemAt(starts, i), fps))))
  return { black: inFilm('black'), frozen: inFilm('frozen') }
}

const secondsOf = (frames: number, [num, den]: FrameRate) => (frames * den) / num
const laterBy =
  (seconds: number) =>
  ({ from, to }: Stretch): Stretch => ({ from: from + seconds, to: to + seconds })

async function holesOf(piece: Piece, fps: FrameRate, signal: AbortSignal): Promise<PictureHoles> {
  const kept = await keptFile(piece.file.replace(/\.mp4$/, '.holes.json'), async (half) => {
    await writeFile(half, JSON.stringify(await lookedAt(piece, fps, signal)))
  })
  return keptJson(kept, PictureHoles)
}

async function lookedAt(
  { file, frames }: Piece,
  fps: FrameRate,
  signal: AbortSignal,
): Promise<PictureHoles> {
  const { stderr } = await runProgram(
    'ffmpeg',
    [
      ...['-hide_banner', '-nostats', '-nostdin', '-threads', '1'],
      ...['-skip_loop_filter', 'all', '-skip_frame', 'noref', ...MEDIA_INPUT, '-i', file],
      ...['-vf', FILTER, '-fps_mode', 'passthrough', '-f', 'null', '-'],
    ],
    { signal, timeoutMs: TIMEOUT_MS },
  )
  const end = secondsOf(frames, fps)
  const toTheEnd = ({ from, to }: Stretch) => ({
    from,
    to: to > secondsOf(frames - LEFT_OUT, fps) ? end : to,
  })
  return {
    black: blackIn(stderr).map(toTheEnd),
    frozen: stretchesIn(stderr, 'freeze', end).map(toTheEnd),
  }
}
