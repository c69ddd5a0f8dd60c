import { once } from 'node:events'
import { writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import type { Writable } from 'node:stream'
import { execa } from 'execa'
import { entryOf, itemAt } from '@tidy-reel/core/faults/certain'
import { isFault, TidyError } from '@tidy-reel/core/faults/fault'
import { frameOf } from '@tidy-reel/core/film/lettering/frame'
import type { Move } from '@tidy-reel/core/pictures/view'
import type { FilmShape, Segment } from '@tidy-reel/core/render/plan'
import { programFault, wasKilled } from '../run/program.ts'
import { keptFile } from '../storage/kept-file.ts'
import type { PictureFile } from './footage.ts'
import { inlayStill } from './inlay-still.ts'
import { drawnRunsOf, segmentArgs } from './segment-args.ts'
import { shadeStill } from './shade-still.ts'
import { type FrameSpan, stillFrames } from './still-frames.ts'

/** What a segment is made of. */
export interface SegmentFiles {
  /** Of each of its `pictureInputs`; undefined for a card. */
  files: readonly (PictureFile | undefined)[]
  /** By their ids, those of pictures that are laid over. */
  laid: ReadonlyMap<string, PictureFile>
}

/** Where a finished segment is kept. */
export const segmentFile = (folder: string, { hash }: Pick<Segment, 'hash'>) =>
  join(folder, `${hash}.mp4`)

/**
 * Encodes one segment, unless it is there already.
 *
 * @param files of its pictures
 * @param work  folder with the fonts in `fonts`, where the segment's ASS document is put
 * @throws TidyError `scene_not_rendered` with the scene's number and why; `cancelled`, `disk_full`,
 *   `program_missing`
 */
export async function renderSegment(
  folder: string,
  work: string,
  segment: Segment,
  shape: FilmShape,
  { files, laid }: SegmentFiles,
  signal: AbortSignal,
): Promise<string> {
  return keptFile(segmentFile(folder, segment), async (half) => {
    const ass = `${segment.hash}.ass`
    await writeFile(join(work, ass), segment.ass)
    const drawn = drawnRunsOf(segment, shape).flatMap(({ inputs }) => inputs)
    const stills = drawn.flatMap(({ input: { source, ...frames }, ...size }, i): Still[] =>
      source.kind === 'photo' ? [{ move: source.move, frames, size, file: files[i]!.path }] : [],
    )
    const unit = frameOf(shape.width, shape.height).unit
    const inlays = await Promise.all(
      segment.inlays.map((inlay) =>
        inlayStill(join(work, 'inlays'), entryOf(laid, inlay.item.id).path, inlay, unit),
      ),
    )
    const shades = await Promise.all(
      segment.shades.map((shade) => shadeStill(join(work, 'shades'), shade)),
    )
    const names = { ass, fonts: 'fonts', out: half, inlays, shades }
    const args = segmentArgs(segment, shape, files, names)
    const encode = async () => {
      const stop = new AbortController()
      const either = AbortSignal.any([signal, stop.signal])
      const encoder = execa('ffmpeg', args, {
        cwd: work,
        cancelSignal: either,
        timeout: 900_000,
        stdio: ['ignore', 'ignore', 'pipe', ...stills.map(() => 'pipe' as const)],
      })
      const feed = feedStills(
        stills,
        encoder.stdio.slice(3) as unknown as Writable[],
        either,
      ).catch((cause: unknown) => {
        stop.abort()
        throw cause
      })
      const [fed, encoded] = await Promise.allSettled([feed, encoder])
      if (signal.aborted) throw new TidyError('cancelled')
      if (fed.status === 'rejected' && !isBrokenPipe(fed.reason)) throw fed.reason
      if (encoded.status === 'rejected') throw encoded.reason
    }
    try {
      // Ended from outside (by a person, by a machine short of memory): it is tried once more.
      await encode().catch((cause: unknown) => {
        if (!wasKilled(cause)) throw cause
        return encode()
      })
    } catch (cause) {
      throw sceneFault(segment, programFault('ffmpeg', cause))
    }
  })
}

interface Still {
  file: string
  move: Move
  frames: FrameSpan
  /** As large as it is seen, in pixels. */
  size: { width: number; height: number }
}

const isBrokenPipe = (cause: unknown) =>
  ['EPIPE', 'ECONNRESET', 'ERR_STREAM_DESTROYED', 'ERR_STREAM_PREMATURE_CLOSE'].includes(
    (cause as NodeJS.ErrnoException | undefined)?.code ?? '',
  )

function sceneFault({ scene }: Segment, cause: unknown): unknown {
  if (isFault(cause) && ['cancelled', 'disk_full', 'program_missing'].includes(cause.code))
    return cause
  return new TidyError('scene_not_rendered', {
    scene: scene + 1,
    reason: cause instanceof Error ? cause.message : String(cause),
  })
}

/**
 * Feeds all stills side by side: the encoder wants a first frame of each before it takes a second
 * of any.
 */
async function feedStills(
  stills: readonly Still[],
  pipes: readonly Writable[],
  signal: AbortSignal,
) {
  await Promise.all(stills.map((still, i) => feedStill(still, itemAt(pipes, i), signal)))
}

async function feedStill({ file, move, frames, size }: Still, pipe: Writable, signal: AbortSignal) {
  const broken = new Promise<never>((_, reject) => pipe.once('error', reject))
  broken.catch(() => undefined)
  for await (const frame of stillFrames(file, move, frames, size, signal)) {
    // Not copied, though the buffer is used again: a frame is more than a pipe holds back, so it is
    // drained when read to its end.
    if (!pipe.write(frame)) await Promise.race([once(pipe, 'drain'), broken])
  }
  pipe.end()
}
