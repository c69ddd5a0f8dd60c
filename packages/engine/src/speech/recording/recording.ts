import { isFault, TidyError } from '@tidy-reel/core/faults/fault'
import { MEDIA_INPUT } from '../../run/media-input.ts'
import { runProgram } from '../../run/program.ts'
import { int16sOf } from '../../sound/wav.ts'

export const RECORDING_RATE = 48_000
export const HEARING_RATE = 16_000
export const RECORDING_MINUTES_LIMIT = 60
/**
 * A recording whose loudest sample is below this has nobody in it; so many samples at full scale
 * have been cut off.
 */
const SILENT_PEAK = 330
const CLIPPED = { level: 32_700, share: 0.0005 }
/** Rumble out, and steady noise taken down by 12 dB where it is below speech. */
const CLEANING = 'highpass=f=60,afftdn=nr=12:nf=-45:tn=1'

/** A recording, cleaned: 16-bit mono samples. */
export interface Recording {
  /** At 48 kHz, to be cut from. */
  pcm: Int16Array
  /** At 16 kHz, to be listened to. */
  hearing: Int16Array
  seconds: number
  /** What a person should know of it, in words. */
  remarks: string[]
}

/**
 * Reads a recording of any usual kind, with steady noise taken down.
 *
 * @throws TidyError `recording_unusable` with what is wrong with it
 */
export async function readRecording(file: string, signal?: AbortSignal): Promise<Recording> {
  const fail = (reason: string) => new TidyError('recording_unusable', { reason })
  const decode = async (rate: number) => {
    const { stdout } = await runProgram(
      'ffmpeg',
      [
        '-v',
        'error',
        '-nostdin',
        ...MEDIA_INPUT,
        '-t',
        String(RECORDING_MINUTES_LIMIT * 60 + 1),
        '-i',
        file,
        '-vn',
        '-af',
        CLEANING,
        '-ac',
        '1',
        '-ar',
        String(rate),
        '-f',
        's16le',
        'pipe:1',
      ],
      signal ? { signal } : {},
    ).catch((cause) => {
      if (isFault(cause) && cause.code === 'program_failed')
        throw fail('it is no sound that can be read, or it is broken')
      throw cause
    })
    return int16sOf(stdout)
  }
  const tooLong = (length: number) => length > RECORDING_MINUTES_LIMIT * 60
  const long = () => fail(`it lasts over ${RECORDING_MINUTES_LIMIT} minutes; part it`)
  // What a file says of its length spares cleaning an hour in vain; what it hides is found when it
  // is read.
  if (tooLong(await toldSeconds(file))) throw long()
  const pcm = await decode(RECORDING_RATE)
  const seconds = pcm.length / RECORDING_RATE
  if (tooLong(seconds)) throw long()
  if (seconds < 0.2) throw fail('there is no sound in it')
  let peak = 0
  let clipped = 0
  for (const sample of pcm) {
    const level = Math.abs(sample)
    if (level > peak) peak = level
    if (level >= CLIPPED.level) clipped++
  }
  if (peak < SILENT_PEAK) throw fail('nobody speaks in it; look at the microphone')
  const remarks =
    clipped / pcm.length > CLIPPED.share
      ? [
          'It is too loud in places: its peaks are cut off, which no finishing can bring back. Turn the microphone down and record those sentences again.',
        ]
      : []
  return { pcm, hearing: await decode(HEARING_RATE), seconds, remarks }
}

async function toldSeconds(file: string): Promise<number> {
  const told = await runProgram(
    'ffprobe',
    ['-v', 'error', ...MEDIA_INPUT, '-show_entries', 'format=duration', '-of', 'csv=p=0', file],
    { timeoutMs: 30_000 },
  ).catch(() => undefined)
  return Number(told?.stdout.toString()) || 0
}
