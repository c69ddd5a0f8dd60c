import { join } from 'node:path'
import { MEDIA_INPUT } from '../run/media-input.ts'
import { runProgram } from '../run/program.ts'
import { keptFile } from '../storage/kept-file.ts'

/** Wide enough to tell what is seen. */
const WIDTH = 320

/**
 * A frame of a finished film as a still, made once.
 *
 * @param folder of the film
 * @throws TidyError `program_failed` where there is no such frame
 */
export async function findingFrame(
  folder: string,
  seconds: number,
  signal: AbortSignal,
): Promise<string> {
  const still = join(folder, `frame-${Math.round(seconds * 1000)}.jpg`)
  return keptFile(still, async (half) => {
    await runProgram(
      'ffmpeg',
      [
        ...['-v', 'error', '-nostdin', '-y', '-ss', seconds.toFixed(3), ...MEDIA_INPUT],
        ...['-i', join(folder, 'film.mp4'), '-map', '0:v:0', '-frames:v', '1'],
        ...['-vf', `scale=${WIDTH}:-2`, '-f', 'image2', '-update', '1', half],
      ],
      { signal },
    )
  })
}
