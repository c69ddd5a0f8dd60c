import { createWriteStream } from 'node:fs'
import { rm, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import { ZipFile } from 'yazl'
import { marksJson, marksTextGrid, marksVtt } from '@tidy-reel/core/export/voice-marks'
import { certain } from '@tidy-reel/core/faults/certain'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { cutText } from '@tidy-reel/core/text/well-formed'
import { soundSamples, type Timeline } from '@tidy-reel/core/timeline/timeline'
import { runProgram } from '../run/program.ts'
import type { Take } from '../speech/take.ts'
import { contentHash, keptFile } from '../storage/kept-file.ts'
import { voiceTrack } from './voice-track.ts'

export const VOICE_FILES = [
  'voice.wav',
  'voice.flac',
  'voice.mp3',
  'scenes.zip',
  'marks.json',
  'marks.vtt',
  'marks.TextGrid',
] as const
export type VoiceFile = (typeof VOICE_FILES)[number]

const ENCODERS: Partial<Record<VoiceFile, string[]>> = {
  'voice.flac': ['-c:a', 'flac'],
  'voice.mp3': ['-c:a', 'libmp3lame', '-q:a', '2'],
}

const MARKS: Partial<Record<VoiceFile, (film: Timeline) => string>> = {
  'marks.json': marksJson,
  'marks.vtt': marksVtt,
  'marks.TextGrid': marksTextGrid,
}

/**
 * The voice of a film by itself: as one file, as a file a scene, or where its words are. Made once
 * for the same takes.
 *
 * @param takes one a scene; undefined where nobody speaks
 * @throws TidyError `voice_not_spoken` when no scene has a take yet
 */
export async function voiceFile(
  folder: string,
  name: VoiceFile,
  film: Timeline,
  takes: readonly (Take | undefined)[],
  signal?: AbortSignal,
): Promise<string> {
  if (!takes.some(Boolean)) throw new TidyError('voice_not_spoken')
  const hash = contentHash({
    name,
    samples: film.samples,
    spoken: film.scenes.map(({ speechStart, text }, i) => [
      speechStart,
      text,
      takes[i]?.hash ?? null,
    ]),
  })
  return keptFile(join(folder, `${hash}.${name.split('.')[1]}`), async (half) => {
    const marks = MARKS[name]
    if (marks) return writeFile(half, marks(film))
    if (name === 'scenes.zip') return zipped(half, film, takes)
    if (name === 'voice.wav')
      return voiceTrack(
        half,
        film.scenes,
        takes.map((take) => take?.file),
        soundSamples(film),
      )
    const wav = `${half}.wav`
    try {
      await voiceTrack(
        wav,
        film.scenes,
        takes.map((take) => take?.file),
        soundSamples(film),
      )
      await runProgram(
        'ffmpeg',
        ['-v', 'error', '-nostdin', '-y', '-i', wav, ...certain(ENCODERS[name]), half],
        signal ? { signal } : {},
      )
    } finally {
      await rm(wav, { force: true })
    }
  })
}

async function zipped(out: string, { scenes }: Timeline, takes: readonly (Take | undefined)[]) {
  const zip = new ZipFile()
  const digits = String(scenes.length).length
  scenes.forEach(({ text }, i) => {
    const take = takes[i]
    const words = text
      .replace(/[^\p{L}\p{N} ]+/gu, '')
      .split(' ')
      .slice(0, 5)
      .join(' ')
    // Sound of 16 bits hardly gets smaller.
    if (take)
      zip.addFile(take.file, `${String(i + 1).padStart(Math.max(2, digits), '0')} ${words}.wav`, {
        compress: false,
      })
  })
  zip.end()
  const gone = new Promise<never>((_, reject) => {
    zip.on('error', (cause: NodeJS.ErrnoException) => {
      const scene = takes.findIndex((take) => take?.file === cause.path)
      const text = cutText(scenes[scene]?.text ?? '', 60)
      reject(cause.code === 'ENOENT' ? new TidyError('take_gone', { text }) : cause)
    })
  })
  await Promise.race([pipeline(zip.outputStream, createWriteStream(out)), gone])
}
