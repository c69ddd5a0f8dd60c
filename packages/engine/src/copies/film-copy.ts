import { mkdtemp, rm, stat } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { execa } from 'execa'
import { z } from 'zod'
import { copyKind, type CopyWish } from '@tidy-reel/core/export/copies'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { jsonOf } from '@tidy-reel/core/text/json'
import { MEDIA_INPUT } from '../run/media-input.ts'
import { programFault, runProgram } from '../run/program.ts'
import { keptFile } from '../storage/kept-file.ts'
import {
  type CopiedFilm,
  type CopyRun,
  copyRuns,
  LEAST_RATE,
  leastMegabytes,
  pictureRate,
  secondsOf,
} from './copy-args.ts'

/** A file that came out too large is made again, so much smaller than it has to be. */
const SMALLER = 0.97
const TRIES = 3
/** AV1 and VP9 take long; a copy of 25 minutes is done by then on the slowest of machines. */
const TIMEOUT_MS = 5 * 3600_000

/**
 * Makes a copy of a finished film; it appears when it is whole, and one that is there is kept.
 *
 * @param film the film's file
 * @param onProgress how far it is, 0 to 1
 * @returns its size in bytes
 * @throws TidyError `copy_too_small`, `copy_beyond_film`, `cancelled`, `disk_full`, `program_failed`
 */
export async function filmCopy(
  film: string,
  wish: CopyWish,
  out: string,
  { signal, onProgress }: { signal: AbortSignal; onProgress: (done: number) => void },
): Promise<number> {
  const facts = await copiedFilm(film, signal)
  const seconds = copyKind(wish.kind).isStill
    ? facts.seconds - (wish.from ?? 0)
    : secondsOf(wish, facts)
  if (seconds <= 0)
    throw new TidyError('copy_beyond_film', { seconds: Math.floor(facts.seconds * 10) / 10 })
  const rate = pictureRate(wish, facts)
  if (rate !== undefined && rate < LEAST_RATE)
    throw new TidyError('copy_too_small', {
      megabytes: wish.megabytes ?? 0,
      least: leastMegabytes(wish, facts),
    })
  const work = await mkdtemp(join(tmpdir(), 'tidy-copy-'))
  const log = join(work, 'passes')
  const make = async (half: string, aimed: number | undefined) => {
    const runs = copyRuns(wish, facts, { rate: aimed, log })
    for (const [n, run] of runs.entries())
      await runCopy(film, wish, run, half, {
        signal,
        onSeconds: (done) => onProgress((n + Math.min(1, done / seconds)) / runs.length),
      })
  }
  try {
    await keptFile(out, async (half) => {
      let aimed = rate
      for (let n = 1; ; n++) {
        await make(half, aimed)
        const { size } = await stat(half)
        const limit = (wish.megabytes ?? Infinity) * 1e6
        if (size <= limit) return
        if (n === TRIES || aimed === undefined)
          throw new TidyError('copy_too_small', {
            megabytes: wish.megabytes ?? 0,
            least: Math.ceil(size / 1e5) / 10,
          })
        aimed = Math.floor(aimed * (limit / size) * SMALLER)
      }
    })
  } finally {
    await rm(work, { recursive: true, force: true })
  }
  return (await stat(out)).size
}

/** How a copy is read out of the film: what comes before its stretch is passed over. */
function readArgs(film: string, { kind, from, to }: CopyWish): string[] {
  const length = to === undefined || copyKind(kind).isStill ? [] : ['-t', String(to - (from ?? 0))]
  return [...(from ? ['-ss', String(from)] : []), ...length, ...MEDIA_INPUT, '-i', film]
}

async function runCopy(
  film: string,
  wish: CopyWish,
  { args, isFirstPass }: CopyRun,
  half: string,
  { signal, onSeconds }: { signal: AbortSignal; onSeconds: (done: number) => void },
) {
  const { isSound, isStill, longest, ending } = copyKind(wish.kind)
  // Chapters of a stretch would begin before it.
  const isWhole = wish.from === undefined && wish.to === undefined
  const streams =
    isSound || isStill || longest
      ? []
      : ['-map', '0:v:0', '-map', '0:a?', ...(isWhole ? ['-map', '0:s?'] : [])]
  const child = execa(
    'ffmpeg',
    [
      ...['-hide_banner', '-v', 'error', '-nostdin', '-y', '-progress', 'pipe:1', '-nostats'],
      ...readArgs(film, wish),
      ...streams,
      ...['-map_chapters', isWhole ? '0' : '-1'],
      ...args,
      ...(isFirstPass ? ['-f', 'null', '/dev/null'] : ['-f', FORMATS[ending] ?? ending, half]),
    ],
    { cancelSignal: signal, timeout: TIMEOUT_MS, stdin: 'ignore', lines: true },
  )
  try {
    for await (const line of child) {
      const micros = /^out_time_us=(\d+)/.exec(String(line))?.[1]
      if (micros) onSeconds(Number(micros) / 1e6)
    }
    await child
  } catch (cause) {
    if (signal.aborted) throw new TidyError('cancelled')
    throw programFault('ffmpeg', cause)
  }
}

/** What ffmpeg calls a format, where it is not its file's ending. */
const FORMATS: Record<string, string> = { png: 'image2' }

const Probed = z.object({
  streams: z.array(z.object({ width: z.number(), height: z.number() })).min(1),
  format: z.object({ duration: z.coerce.number() }),
})

async function copiedFilm(film: string, signal: AbortSignal): Promise<CopiedFilm> {
  const { stdout } = await runProgram(
    'ffprobe',
    [
      ...['-v', 'error', ...MEDIA_INPUT, '-select_streams', 'v:0'],
      ...['-show_entries', 'stream=width,height:format=duration', '-of', 'json', film],
    ],
    { signal },
  )
  const { streams, format } = Probed.parse(jsonOf(stdout.toString()))
  const { width = 0, height = 0 } = streams[0] ?? {}
  return { width, height, seconds: format.duration }
}
