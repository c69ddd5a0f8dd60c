import { once } from 'node:events'
import { writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import type { Writable } from 'node:stream'
import { execa } from 'execa'
import { entryOf, itemAt } from '@tidy-reel/core/faults/certain'
import { isFault, TidyError } from '@tidy-reel/core/faults/fault'
import { frameOf } from '@tidy-reel/core/film/lettering/frame'
import type { FilmShape, Segment } from '@tidy-reel/core/render/plan'
import type { FrameRate } from '@tidy-reel/core/time/time'
import { programFault, wasKilled } from '../run/program.ts'
import { keptFile } from '../storage/kept-file.ts'
import { clipFrames } from './clip-frames.ts'
import type { PictureFile } from './footage.ts'
import { inlayStill } from './inlay-still.ts'
import { clipFilter, isFed, type SizedInput } from './run-filter.ts'
import { drawnRunsOf, segmentArgs } from './segment-args.ts'
import { shadeStill } from './shade-still.ts'
import { stillFrames } from './still-frames.ts'

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
    const feeds = drawn.flatMap((one, i): Feed[] =>
      isFed(one.input) ? [feedOf(one, itemAt(files, i), shape.fps)] : [],
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
        stdio: ['ignore', 'ignore', 'pipe', ...feeds.map(() => 'pipe' as const)],
      })
      const feed = feedAll(feeds, encoder.stdio.slice(3) as unknown as Writable[], either).catch(
        (cause: unknown) => {
          stop.abort()
          throw cause
        },
      )
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

/** Frames that are made here for the encoder; asked for again, they are made anew. */
type Feed = (signal: AbortSignal) => AsyncGenerator<Uint8Array>

function feedOf(sized: SizedInput, file: PictureFile | undefined, fps: FrameRate): Feed {
  const { input, width, height } = sized
  const { source, ...span } = input
  const size = { width, height }
  return (signal) => {
    if (!file || source.kind === 'card') throw new Error('a feed is of a file')
    if (source.kind === 'photo') return stillFrames(file.path, source, span, size, signal)
    const filter = clipFilter(sized, source, fps, file, 'clip')
    return clipFrames(file.path, filter, source.grade ?? {}, { first: span.first, size }, signal)
  }
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
 * Feeds all side by side: the encoder wants a first frame of each before it takes a second of any.
 */
async function feedAll(feeds: readonly Feed[], pipes: readonly Writable[], signal: AbortSignal) {
  await Promise.all(feeds.map((feed, i) => feedOne(feed(signal), itemAt(pipes, i))))
}

async function feedOne(frames: AsyncGenerator<Uint8Array>, pipe: Writable) {
  const broken = new Promise<never>((_, reject) => pipe.once('error', reject))
  broken.catch(() => undefined)
  for await (const frame of frames) {
    // Not copied, though the buffer is used again: a frame is more than a pipe holds back, so it is
    // drained when read to its end.
    if (!pipe.write(frame)) await Promise.race([once(pipe, 'drain'), broken])
  }
  pipe.end()
}
