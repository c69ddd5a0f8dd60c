import type { PictureRun } from '@tidy-reel/core/film/shots'
import type { Grade } from '@tidy-reel/core/pictures/grade/grade'
import { cropAt, eased } from '@tidy-reel/core/pictures/move'
import type { Move } from '@tidy-reel/core/pictures/view'
import { MEDIA_INPUT } from '../run/media-input.ts'
import { runProgram } from '../run/program.ts'
import { BT709 } from './bt709-args.ts'
import { frameGrader } from './frame-grader.ts'
import { bytesOf, frameProgram, type Size } from './frame-program.ts'
import { wholeFilter } from './whole-filter.ts'

/**
 * The picture is held larger than the film, so that the closest view still has a pixel for each of
 * the film's, up to a limit.
 */
const SPARE = { least: 1.12, most: 3 }
const even = (n: number) => 2 * Math.ceil(n / 2)

/** Frames `[first, first + frames)` of a move that takes `span`, eased at its ends. */
export type FrameSpan = Pick<PictureRun, 'first' | 'frames' | 'span' | 'ease'>

/** What is seen of a still. */
export interface SeenStill {
  move: Move
  grade?: Grade
  isWhole?: true
}

/**
 * Arguments that decode a still to limited-range BT.709 planes, filling `size` and what its closest
 * view needs, or standing in it whole.
 */
export function decodeStillArgs(
  file: string,
  { move: { from, to }, isWhole }: SeenStill,
  { width, height }: Size,
): string[] {
  const spare = Math.min(SPARE.most, Math.max(SPARE.least, 1 / Math.min(from.scale, to.scale)))
  const large = { width: even(width * spare), height: even(height * spare) }
  const filled =
    `scale=${large.width}:${large.height}:force_original_aspect_ratio=increase` +
    `:flags=bicubic:${BT709},crop=trunc(iw/2)*2:trunc(ih/2)*2,format=yuv420p`
  const seen = isWhole ? wholeFilter(large, 'still') : filled
  return [
    '-hide_banner',
    '-nostdin',
    ...MEDIA_INPUT,
    '-i',
    file,
    '-frames:v',
    '1',
    '-vf',
    `${seen},showinfo=checksum=0`,
    '-f',
    'rawvideo',
    'pipe:1',
  ]
}

/**
 * The frames of a slow move over a still, at sub-pixel positions, graded: YUV 4:2:0 planes, one
 * buffer a frame. The buffer is used again for the next frame; write it out before asking for more.
 */
export async function* stillFrames(
  file: string,
  still: SeenStill,
  { first, frames, span, ease }: FrameSpan,
  size: Size,
  signal?: AbortSignal,
): AsyncGenerator<Uint8Array> {
  const { stdout, stderr } = await runProgram(
    'ffmpeg',
    decodeStillArgs(file, still, size),
    signal ? { signal } : {},
  )
  const { move, grade } = still
  const shape = /n:\s*0 .* s:(\d+)x(\d+)/.exec(stderr)
  if (!shape) throw new Error('the decoder told no size')
  const source = { width: Number(shape[1]), height: Number(shape[2]) }
  const { width, height } = size
  const program = await frameProgram()
  const base = program.room(stdout.length)
  const out = program.room(bytesOf(size))
  const table = program.room(program.tableBytes(width))
  const rows = program.room(4 * (width + 8))
  const grader = grade && frameGrader(program, grade, size)
  new Uint8Array(program.memory.buffer).set(stdout, base)
  grader?.colour(base, source)
  const frame = new Uint8Array(program.memory.buffer, out, bytesOf(size))
  const [chromaIn, chromaOut] = [(source.width * source.height) / 4, (width * height) / 4]
  for (let i = first; i < first + frames; i++) {
    signal?.throwIfAborted()
    const progress = span > 1 ? eased(i / (span - 1), ease) : 0
    const crop = cropAt(move, progress, source, width / height)
    const step = crop.width / width
    const draw = (from: number, to: number, part: number) => {
      const [sw, sh] = [source.width * part, source.height * part]
      const [dw, dh] = [width * part, height * part]
      const [x, y] = [crop.x * part, crop.y * part]
      program.resample(from, sw, sh, to, dw, dh, x, y, step, table, rows)
    }
    draw(base, out, 1)
    for (const plane of [0, 1])
      draw(
        base + source.width * source.height + plane * chromaIn,
        out + width * height + plane * chromaOut,
        0.5,
      )
    grader?.overlay(out, i)
    yield frame
  }
}
