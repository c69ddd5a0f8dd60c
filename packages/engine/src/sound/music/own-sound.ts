import { readFile, rm, stat, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { type MidiEvent, parseMidi } from 'midi-file'
import { z } from 'zod'
import { isFault, TidyError } from '@tidy-reel/core/faults/fault'
import { HEARD_RATE } from '@tidy-reel/core/film/music/own/heard-frames'
import { HeardMusic, heardMusic } from '@tidy-reel/core/film/music/own/heard-music'
import { cutBars, type OwnCut, ownCuts } from '@tidy-reel/core/film/music/own/own-cuts'
import { measuredPiece } from '@tidy-reel/core/film/sound/bed-levels'
import { SAMPLE_RATE } from '@tidy-reel/core/time/time'
import { MEDIA_INPUT } from '../../run/media-input.ts'
import { runProgram } from '../../run/program.ts'
import { keptFile } from '../../storage/kept-file.ts'
import { keptJson } from '../../storage/kept-json.ts'
import { channelsIn } from '../read-wav.ts'
import { WAV_HEAD_BYTES } from '../wav.ts'
import { type SectionSound, SOUND_FONT } from './section-sound.ts'

/** Music is so long at most, and so long at least, in seconds. */
const MOST_SECONDS = 15 * 60
const LEAST_SECONDS = 4
/** Notes of a Standard MIDI File at most: a band for a quarter of an hour. */
const MOST_NOTES = 60_000
const MIDI_GAIN = '0.6'
/** What is softer nobody hears, of full scale. */
const HEARD = 0.001
/** Two channels of 16 bits. */
const BYTES_A_SAMPLE = 4
/** Takes the silence off its beginning. */
const LEADING = 'silenceremove=start_periods=1:start_threshold=-60dB:start_silence=0.02'

/** Music as it is mixed: 48 kHz stereo WAV of 16 bits, the silence before it taken off. */
export const musicFile = (folder: string, id: string) => join(folder, `${id}.wav`)

interface Decoding {
  folder: string
  id: string
  from: string
  title: string
  /** Counts the notes, where it is a Standard MIDI File. */
  notes: (() => Promise<number | undefined>) | undefined
}

/**
 * Makes a file of somebody else's into music that can be mixed.
 *
 * @throws TidyError `music_unusable` with why
 */
export async function decodedMusic(
  { folder, id, from, title, notes }: Decoding,
  signal?: AbortSignal,
): Promise<void> {
  const unusable = (reason: string) => new TidyError('music_unusable', { name: title, reason })
  await keptFile(musicFile(folder, id), async (half) => {
    const played = `${half}.played.wav`
    if (notes) await playMidi({ from, to: played, notes: await notes() }, unusable, signal)
    await runProgram(
      'ffmpeg',
      [
        ...['-v', 'error', '-nostdin', '-y', ...MEDIA_INPUT, '-i', notes ? played : from],
        ...['-map', '0:a:0', '-t', String(MOST_SECONDS + 1), '-ac', '2', '-ar', `${SAMPLE_RATE}`],
        ...['-af', LEADING],
        ...['-c:a', 'pcm_s16le', '-bitexact', '-map_metadata', '-1', '-f', 'wav', half],
      ],
      signal ? { signal } : {},
    ).catch((cause: unknown) => {
      if (signal?.aborted || (isFault(cause) && cause.code === 'disk_full')) throw cause
      throw unusable('there is no sound in it')
    })
    await rm(played, { force: true })
    const seconds = ((await stat(half)).size - WAV_HEAD_BYTES) / BYTES_A_SAMPLE / SAMPLE_RATE
    if (seconds < 0.1) throw unusable('it is silent')
    if (seconds < LEAST_SECONDS) throw unusable(`it is shorter than ${LEAST_SECONDS} seconds`)
    if (seconds > MOST_SECONDS) throw unusable('it is longer than 15 minutes; bring a part of it')
  })
}

/** Plays a Standard MIDI File. */
async function playMidi(
  { from, to, notes }: { from: string; to: string; notes: number | undefined },
  unusable: (reason: string) => TidyError,
  signal?: AbortSignal,
) {
  if (notes === undefined) throw unusable('it ends half-way or is no Standard MIDI File')
  if (!notes) throw unusable('there are no notes in it')
  if (notes > MOST_NOTES)
    throw unusable(`it has ${notes} notes, more than a band plays in 15 minutes`)
  await runProgram(
    'fluidsynth',
    [
      ...['-ni', '-F', to, '-T', 'wav', '-O', 's16', '-r', String(SAMPLE_RATE), '-g', MIDI_GAIN],
      ...['-o', 'synth.dynamic-sample-loading=1', SOUND_FONT, from],
    ],
    { timeoutMs: 120_000, ...(signal ? { signal } : {}) },
  )
}

/** Listens to music that has been decoded, for its bars. */
export async function listenTo({
  folder,
  id,
}: {
  folder: string
  id: string
}): Promise<HeardMusic> {
  const kept = await keptFile(join(folder, `${id}.heard.json`), async (half) => {
    const file = musicFile(folder, id)
    const { stdout } = await runProgram('ffmpeg', [
      ...['-v', 'error', '-nostdin', '-i', file, '-ac', '1', '-ar', String(HEARD_RATE)],
      ...['-f', 'f32le', 'pipe:1'],
    ])
    const whole = stdout.buffer.slice(stdout.byteOffset, stdout.byteOffset + (stdout.length & ~3))
    const mono = new Float32Array(whole)
    const last = mono.findLastIndex((value) => Math.abs(value) > HEARD)
    const samples = ((last + 1) * SAMPLE_RATE) / HEARD_RATE
    await writeFile(half, JSON.stringify(heardMusic(mono.subarray(0, last + 1), samples)))
  })
  return keptJson(kept, HeardMusic)
}

/** Notes of a Standard MIDI File; undefined for what is none, or is cut off. */
export async function midiNotes(file: string): Promise<number | undefined> {
  const isNote = (event: MidiEvent) => event.type === 'noteOn' && event.velocity > 0
  const bytes = await readFile(file)
  try {
    return parseMidi(bytes).tracks.flat().filter(isNote).length
  } catch {
    return undefined
  }
}

const Measured = z.object({ powers: z.array(z.number()), dipped: z.array(z.number()) })

/** Own music as the mix needs to know it. */
export async function ownSound(folder: string, id: string): Promise<SectionSound> {
  const file = musicFile(folder, id)
  const facts = await keptFile(join(folder, `${id}.powers.json`), async (half) =>
    writeFile(half, JSON.stringify(measuredPiece(await channelsIn(file), SAMPLE_RATE))),
  )
  return { hash: id.slice('music-'.length), file, ...(await keptJson(facts, Measured)) }
}

/** Own music made as long as a stretch of film: what of it is played, and where its bars begin. */
export interface CutMusic {
  cuts: OwnCut[]
  bars: number[]
}

/** A stretch of film that own music is made as long as. */
export interface Cutting {
  folder: string
  id: string
  wanted: number
  endsFilm: boolean
}

/** Cuts music to the length of a stretch. */
export async function cutMusic({ folder, id, wanted, endsFilm }: Cutting): Promise<CutMusic> {
  const heard = await listenTo({ folder, id })
  const cuts = ownCuts(heard, wanted, endsFilm)
  return { cuts, bars: cutBars(heard, cuts) }
}
