import { writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { bedLevels } from '@tidy-reel/core/film/sound/bed-levels'
import { SoundFacts } from '@tidy-reel/core/film/sound/effects/known-sound'
import { loudnessMeter, momentary } from '@tidy-reel/core/film/sound/loudness'
import { madeSound } from '@tidy-reel/core/film/sound/made/made-sounds'
import { looped, peakedAt } from '@tidy-reel/core/film/sound/made/recipes'
import { widened } from '@tidy-reel/core/film/sound/widened'
import { SAMPLE_RATE } from '@tidy-reel/core/time/time'
import { MEDIA_INPUT } from '../../run/media-input.ts'
import { runProgram } from '../../run/program.ts'
import { contentHash, keptFile } from '../../storage/kept-file.ts'
import { keptJson } from '../../storage/kept-json.ts'
import { channelsIn } from '../read-wav.ts'
import { apart, stereoWav } from '../wav.ts'
import type { ListedSound } from './listed-sound.ts'

/** Raised when sounds are made otherwise, so that earlier ones are made anew. */
const VERSION = 1
/** Peak of every sound, of full scale. */
const PEAK = 0.7
/** A recording that goes on has its end laid under its beginning for so long, in seconds. */
const OVERLAP_SECONDS = 1
/** Shorter sounds are measured with silence behind them: loudness is one of 0.4 s. */
const MEASURED_SAMPLES = 0.4 * SAMPLE_RATE
/** Of a file of one's own; what goes on longer is gone round. */
const SOUND_SECONDS_LIMIT = 180
/** What nobody could hear is as loud as this, LUFS. */
const FLOOR = -70

type Channels = [Float32Array, Float32Array]

export const soundHash = ({ id, goesOn }: ListedSound) =>
  contentHash({ sound: id, goesOn, VERSION })

/** The sound as it is mixed: 48 kHz stereo WAV of 16 bits. */
export const soundFile = (folder: string, hash: string) => join(folder, `${hash}.wav`)
const factsFile = (folder: string, hash: string) => join(folder, `${hash}.json`)

/** Facts of a sound that has been made; undefined where it has not. */
export async function knownFacts(
  folder: string,
  sound: ListedSound,
): Promise<SoundFacts | undefined> {
  return keptJson(factsFile(folder, soundHash(sound)), SoundFacts).then(
    (facts) => saidOf(sound, facts),
    () => undefined,
  )
}

/**
 * Makes or reads a sound where it is not there yet, and measures it.
 *
 * @throws TidyError `sound_unusable` for a file that is no sound or a silent one
 */
export async function soundFacts(
  folder: string,
  sound: ListedSound,
  signal?: AbortSignal,
): Promise<SoundFacts> {
  const hash = soundHash(sound)
  const facts = await keptFile(factsFile(folder, hash), async (half) => {
    let channels: Channels | undefined
    await keptFile(soundFile(folder, hash), async (part) => {
      channels = await channelsOf(sound, signal)
      await writeFile(part, stereoWav(channels))
    })
    channels ??= await channelsIn(soundFile(folder, hash))
    await writeFile(half, JSON.stringify(measured(sound, hash, channels)))
  })
  return saidOf(sound, await keptJson(facts, SoundFacts))
}

/** Its words may have been changed since it was measured. */
const saidOf = (
  { title, words, author, licence, source }: ListedSound,
  facts: SoundFacts,
): SoundFacts => ({ ...facts, title, words, author, licence, source })

async function channelsOf(sound: ListedSound, signal?: AbortSignal): Promise<Channels> {
  if (sound.file === undefined) return spread(madeSound(sound.id), sound.goesOn)
  const channels = await decoded(sound.file, sound.title, signal)
  const loudest = Math.max(...channels.map(peakOf))
  if (loudest < 1e-4)
    throw new TidyError('sound_unusable', { name: sound.title, reason: 'it is silent' })
  const levelled = channels.map((pcm) => pcm.map((x) => (x * PEAK) / loudest))
  const isRound = sound.goesOn && !sound.asRecorded
  return (isRound ? levelled.map((pcm) => looped(pcm, OVERLAP_SECONDS)) : levelled) as Channels
}

const peakOf = (pcm: Float32Array) => pcm.reduce((most, x) => Math.max(most, Math.abs(x)), 0)

/** What goes on is as wide as a place; what is heard once comes from the middle. */
function spread(pcm: Float32Array, goesOn: boolean): Channels {
  if (!goesOn) return [pcm, pcm]
  // Two rounds, so that what the width adds to the second comes out of the first.
  const twice = new Float32Array(2 * pcm.length)
  twice.set(pcm)
  twice.set(pcm, pcm.length)
  const wide = widened([twice, twice], SAMPLE_RATE)
  return wide.map((one) => peakedAt(one.slice(pcm.length), PEAK)) as Channels
}

/** A file of somebody else's: opened as sound and nothing else, three minutes of it at most. */
async function decoded(file: string, name: string, signal?: AbortSignal): Promise<Channels> {
  const { stdout } = await runProgram(
    'ffmpeg',
    [
      ...['-v', 'error', '-nostdin', ...MEDIA_INPUT, '-i', file],
      ...[
        '-map',
        '0:a:0',
        '-t',
        String(SOUND_SECONDS_LIMIT),
        '-ac',
        '2',
        '-ar',
        String(SAMPLE_RATE),
      ],
      ...['-f', 'f32le', 'pipe:1'],
    ],
    signal ? { signal } : {},
  ).catch((cause: unknown) => {
    if (signal?.aborted) throw cause
    throw new TidyError('sound_unusable', { name, reason: 'there is no sound in it' })
  })
  const bytes = stdout.subarray(0, stdout.length & ~7)
  const whole = bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.length)
  return apart(new Float32Array(whole), 1)
}

function measured(sound: ListedSound, hash: string, channels: Channels): SoundFacts {
  const { file: _file, asRecorded: _asRecorded, ...known } = sound
  const loopSamples = channels[0].length
  const levels = bedLevels(channels, loopSamples, SAMPLE_RATE)
  const seconds = loopSamples / SAMPLE_RATE
  if (sound.goesOn) return { ...known, ...levels, levels: [...levels.levels], seconds, hash }
  const meter = loudnessMeter(SAMPLE_RATE, 2)
  const silence = new Float32Array(Math.max(0, MEASURED_SAMPLES - loopSamples))
  meter.add(channels)
  meter.add([silence, silence])
  const lufs = Math.max(FLOOR, ...momentary(meter.powers()))
  return { ...known, hash, loopSamples, lufs, levels: [], seconds }
}
