import { open } from 'node:fs/promises'
import type { MeasuredFilm } from '@tidy-reel/core/export/check/measured-film'
import { subtitleWords } from '@tidy-reel/core/export/check/told-film'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { boxesIn } from '../render/mp4-boxes.ts'
import { MEDIA_INPUT } from '../run/media-input.ts'
import { ProbeFacts } from '../run/probe-facts.ts'
import { runProgram } from '../run/program.ts'
import { blackIn, holesFilter, stretchesIn } from './filter-log.ts'
import type { PictureHoles } from './picture-holes.ts'

/**
 * What is looked for, finer than what is told of: black and stillness of a fifth of a second on,
 * silence under −60 dBFS.
 */
const PICTURE_FILTER = holesFilter(0.2, 2)
const SOUND_FILTER = 'silencedetect=n=-60dB:d=1,ebur128=peak=true:framelog=verbose'
/** Half an hour; 188 s at 640 × 360 take ten seconds. */
const TIMEOUT_MS = 1_800_000

/**
 * Looks a finished film through from its first frame to its last, by ffprobe and filters of ffmpeg
 * that had no part in making it.
 *
 * @param holes of its picture, where they are known: it is not decoded again then
 * @throws TidyError `film_folder_unusable` for a file that is no film, `program_missing`,
 *   `cancelled`
 */
export async function measuredFilm(
  file: string,
  { signal, holes }: { signal?: AbortSignal; holes?: PictureHoles } = {},
): Promise<MeasuredFilm> {
  const run = signal ? { signal, timeoutMs: TIMEOUT_MS } : { timeoutMs: TIMEOUT_MS }
  const { streams = [], chapters = [] } = await factsOf(file, run)
  const of = (type: string) => streams.find(({ codec_type }) => codec_type === type)
  const [picture, sound, soft] = [of('video'), of('audio'), of('subtitle')]
  const [pictureTimes, soundTimes, log, words] = await Promise.all([
    picture ? packetTimes(file, 'v:0', run) : [],
    sound ? packetTimes(file, 'a:0', run) : [],
    filterLog(file, { picture: !!picture && !holes, sound: !!sound }, run),
    soft ? softWords(file, run) : '',
  ])
  return {
    picture: picture && {
      codec: picture.codec_name ?? '',
      profile: picture.profile ?? '',
      pixels: picture.pix_fmt ?? '',
      width: picture.width ?? 0,
      height: picture.height ?? 0,
      colour: [
        picture.color_primaries,
        picture.color_transfer,
        picture.color_space,
        picture.color_range,
      ]
        .map((one) => one ?? 'unknown')
        .join(' '),
      language: picture.tags?.language ?? '',
      times: pictureTimes.map(({ at }) => at),
    },
    sound: sound && {
      codec: sound.codec_name ?? '',
      rate: Number(sound.sample_rate),
      language: sound.tags?.language ?? '',
      times: soundTimes.map(({ at }) => at),
      end: soundTimes.at(-1)?.end ?? 0,
      ...loudnessIn(log),
    },
    subtitles: soft && { language: soft.tags?.language ?? '', words },
    chapters: chapters.map(({ start_time, tags }) => ({
      title: tags?.title ?? '',
      from: Number(start_time),
    })),
    isIndexFirst: await isIndexFirst(file),
    black: holes?.black ?? blackIn(log),
    frozen: holes?.frozen ?? stretchesIn(log, 'freeze', endOf(pictureTimes)),
    silent: stretchesIn(log, 'silence', endOf(soundTimes)),
  }
}

type Run = Parameters<typeof runProgram>[2]
interface Packet {
  at: number
  end: number
}
const endOf = (packets: readonly Packet[]) => packets.at(-1)?.end ?? 0

async function factsOf(file: string, run: Run): Promise<ProbeFacts> {
  const { stdout } = await runProgram(
    'ffprobe',
    [
      ...['-v', 'error', ...MEDIA_INPUT],
      ...['-show_streams', '-show_chapters', '-of', 'json', file],
    ],
    run,
  ).catch((cause: unknown) => {
    if (cause instanceof TidyError && cause.code !== 'program_failed') throw cause
    throw new TidyError('film_folder_unusable', { file: 'film.mp4', reason: 'it is no film' })
  })
  return ProbeFacts.parse(JSON.parse(stdout.toString()))
}

/** When each packet of a stream is shown or heard, in seconds, in that order. */
async function packetTimes(file: string, stream: string, run: Run): Promise<Packet[]> {
  const { stdout } = await runProgram(
    'ffprobe',
    [
      ...['-v', 'error', ...MEDIA_INPUT, '-select_streams', stream],
      ...['-show_entries', 'packet=pts_time,duration_time', '-of', 'csv=p=0', file],
    ],
    run,
  )
  return stdout
    .toString()
    .split('\n')
    .flatMap((line): Packet[] => {
      const [at = NaN, duration = NaN] = line.split(',').map(parseFloat)
      return Number.isFinite(at) ? [{ at, end: at + (duration || 0) }] : []
    })
    .sort((a, b) => a.at - b.at)
}

/** Everything that filters say while the whole film runs through them. */
async function filterLog(
  file: string,
  has: { picture: boolean; sound: boolean },
  run: Run,
): Promise<string> {
  if (!has.picture && !has.sound) return ''
  const { stderr } = await runProgram(
    'ffmpeg',
    [
      ...['-hide_banner', '-nostats', '-nostdin', ...MEDIA_INPUT, '-i', file],
      ...(has.picture ? ['-map', '0:v:0', '-vf', PICTURE_FILTER] : []),
      ...(has.sound ? ['-map', '0:a:0', '-af', SOUND_FILTER] : []),
      ...['-f', 'null', '-'],
    ],
    run,
  )
  return stderr
}

const numberIn = (line: string, pattern: RegExp): number => Number(pattern.exec(line)?.[1])

function loudnessIn(log: string): { lufs: number; truePeak: number } {
  const summary = log.slice(log.lastIndexOf('Summary:'))
  return {
    lufs: numberIn(summary, /I:\s+(-?[\d.]+) LUFS/),
    truePeak: numberIn(summary, /Peak:\s+(-?[\d.]+|-inf) dBFS/),
  }
}

async function softWords(file: string, run: Run): Promise<string> {
  const { stdout } = await runProgram(
    'ffmpeg',
    [
      ...['-v', 'error', '-nostdin', ...MEDIA_INPUT, '-i', file],
      ...['-map', '0:s:0', '-f', 'srt', '-'],
    ],
    run,
  )
  return subtitleWords(stdout.toString())
}

async function isIndexFirst(file: string): Promise<boolean> {
  const handle = await open(file)
  try {
    const boxes = await boxesIn(handle, 0, (await handle.stat()).size)
    return boxes.find(({ type }) => type === 'moov' || type === 'mdat')?.type === 'moov'
  } finally {
    await handle.close()
  }
}
