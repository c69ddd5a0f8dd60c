import { readFile } from 'node:fs/promises'
import type { PictureRun } from '@tidy-reel/core/film/shots'
import { cropAt, eased } from '@tidy-reel/core/pictures/move'
import type { Move } from '@tidy-reel/core/pictures/view'
import { MEDIA_INPUT } from '../run/media-input.ts'
import { runProgram } from '../run/program.ts'

type Resample = (
  src: number,
  sw: number,
  sh: number,
  dst: number,
  dw: number,
  dh: number,
  x: number,
  y: number,
  step: number,
  table: number,
  rows: number,
) => void

let compiled: Promise<WebAssembly.Module> | undefined
const module = () =>
  (compiled ??= readFile(new URL('../../assembly/resample.wasm', import.meta.url)).then((bytes) =>
    WebAssembly.compile(bytes),
  ))

/**
 * The picture is held larger than the film, so that the closest view still has a pixel for each of
 * the film's, up to a limit.
 */
const SPARE = { least: 1.12, most: 3 }
/** Bytes of a page of WebAssembly memory. */
const PAGE = 65536

export interface Size {
  width: number
  height: number
}

const even = (n: number) => 2 * Math.ceil(n / 2)

/** Frames `[first, first + frames)` of a move that takes `span`, eased at its ends. */
export type FrameSpan = Pick<PictureRun, 'first' | 'frames' | 'span' | 'ease'>

/**
 * Arguments that decode a still to limited-range BT.709 planes, filling `size` and what its closest
 * view needs.
 */
export function decodeStillArgs(
  file: string,
  { from, to }: Move,
  { width, height }: Size,
): string[] {
  const spare = Math.min(SPARE.most, Math.max(SPARE.least, 1 / Math.min(from.scale, to.scale)))
  const fill = [
    `scale=${even(width * spare)}:${even(height * spare)}:force_original_aspect_ratio=increase` +
      ':flags=bicubic:out_color_matrix=bt709:out_range=tv',
    'crop=trunc(iw/2)*2:trunc(ih/2)*2',
    'format=yuv420p',
    'showinfo=checksum=0',
  ].join(',')
  return [
    '-hide_banner',
    '-nostdin',
    ...MEDIA_INPUT,
    '-i',
    file,
    '-frames:v',
    '1',
    '-vf',
    fill,
    '-f',
    'rawvideo',
    'pipe:1',
  ]
}

/**
 * The frames of a slow move over a still, at sub-pixel positions: YUV 4:2:0 planes, one buffer a
 * frame. The buffer is used again for the next frame; write it out before asking for more.
 */
export async function* stillFrames(
  file: string,
  move: Move,
  { first, frames, span, ease }: FrameSpan,
  size: Size,
  signal?: AbortSignal,
): AsyncGenerator<Uint8Array> {
  const { stdout, stderr } = await runProgram(
    'ffmpeg',
    decodeStillArgs(file, move, size),
    signal ? { signal } : {},
  )
  const shape = /n:\s*0 .* s:(\d+)x(\d+)/.exec(stderr)
  if (!shape) throw new Error('the decoder told no size')
  const source = { width: Number(shape[1]), height: Number(shape[2]) }
  const { width, height } = size
  const { exports } = await WebAssembly.instantiate(await module(), {
    env: { abort: () => undefined },
  })
  const { memory, resample, tableBytes } = exports as unknown as {
    memory: WebAssembly.Memory
    resample: Resample
    tableBytes: (width: number) => number
  }
  const base = 4096
  const out = base + stdout.length + 64
  const table = (out + width * height * 1.5 + 64) & ~15
  const rows = table + tableBytes(width)
  const pages = Math.ceil((rows + 4 * (width + 8) + 256) / PAGE) - memory.buffer.byteLength / PAGE
  if (pages > 0) memory.grow(pages)
  new Uint8Array(memory.buffer).set(stdout, base)
  const frame = new Uint8Array(memory.buffer, out, (width * height * 3) / 2)
  const [chromaIn, chromaOut] = [(source.width * source.height) / 4, (width * height) / 4]
  for (let i = first; i < first + frames; i++) {
    signal?.throwIfAborted()
    const progress = span > 1 ? eased(i / (span - 1), ease) : 0
    const crop = cropAt(move, progress, source, width / height)
    const step = crop.width / width
    resample(
      base,
      source.width,
      source.height,
      out,
      width,
      height,
      crop.x,
      crop.y,
      step,
      table,
      rows,
    )
    for (const plane of [0, 1]) {
      const src = base + source.width * source.height + plane * chromaIn
      const dst = out + width * height + plane * chromaOut
      resample(
        src,
        source.width / 2,
        source.height / 2,
        dst,
        width / 2,
        height / 2,
        crop.x / 2,
        crop.y / 2,
        step,
        table,
        rows,
      )
    }
    yield frame
  }
}
