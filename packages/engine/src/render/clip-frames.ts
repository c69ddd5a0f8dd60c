import { execa } from 'execa'
import type { Grade } from '@tidy-reel/core/pictures/grade/grade'
import { MEDIA_INPUT } from '../run/media-input.ts'
import { programFault } from '../run/program.ts'
import { frameGrader } from './frame-grader.ts'
import { bytesOf, frameProgram, type Size } from './frame-program.ts'

/**
 * The frames of a clip, graded: YUV 4:2:0 planes, one buffer a frame. The buffer is used again for
 * the next frame; write it out before asking for more.
 *
 * @param filter makes its frames as they are seen: as many, as large, limited-range BT.709
 * @param first  number of the first of them, for grain that does not begin anew
 * @throws TidyError `program_failed`, `program_missing`, `cancelled`
 */
export async function* clipFrames(
  file: string,
  filter: string,
  grade: Grade,
  { first, size }: { first: number; size: Size },
  signal: AbortSignal,
): AsyncGenerator<Uint8Array> {
  const program = await frameProgram()
  const bytes = bytesOf(size)
  const at = program.room(bytes)
  const grader = frameGrader(program, grade, size)
  const frame = new Uint8Array(program.memory.buffer, at, bytes)
  const stop = new AbortController()
  const decoder = execa(
    'ffmpeg',
    [
      ...['-hide_banner', '-v', 'error', '-nostdin', '-threads', '1', ...MEDIA_INPUT, '-i', file],
      ...['-map', '0:v:0', '-vf', filter, '-filter_threads', '1', '-f', 'rawvideo', 'pipe:1'],
    ],
    {
      buffer: { stdout: false },
      stdin: 'ignore',
      cancelSignal: AbortSignal.any([signal, stop.signal]),
    },
  )
  const ended = decoder.then(
    () => undefined,
    (cause: unknown) => ({ fault: programFault('ffmpeg', cause) }),
  )
  try {
    let [filled, n] = [0, first]
    for await (const part of decoder.stdout as AsyncIterable<Uint8Array>) {
      for (let read = 0; read < part.length;) {
        const taken = Math.min(part.length - read, bytes - filled)
        frame.set(part.subarray(read, read + taken), filled)
        read += taken
        filled += taken
        if (filled < bytes) continue
        grader.colour(at, size)
        grader.overlay(at, n++)
        filled = 0
        yield frame
      }
    }
    const failed = await ended
    if (failed) throw failed.fault
  } finally {
    stop.abort()
    await ended
  }
}
