import { runProgram } from '../run/program.ts'

/** Formats that sound is handed out in, and how each is encoded. */
const ENCODERS = {
  wav: ['-c:a', 'pcm_s24le'],
  flac: ['-c:a', 'flac', '-sample_fmt', 's32'],
  mp3: ['-c:a', 'libmp3lame', '-q:a', '2'],
  ogg: ['-c:a', 'libvorbis', '-q:a', '6'],
} as const satisfies Record<string, readonly string[]>
export type SoundFormat = keyof typeof ENCODERS
export const SOUND_FORMATS = Object.keys(ENCODERS) as [SoundFormat, ...SoundFormat[]]

/**
 * Writes sound in a format: WAV and FLAC of 24 bits, MP3 and Ogg Vorbis by quality.
 *
 * @throws TidyError what `runProgram` throws, `disk_full` among it
 */
export async function savedSound(
  from: string,
  to: string,
  format: SoundFormat,
  signal?: AbortSignal,
): Promise<void> {
  await runProgram(
    'ffmpeg',
    ['-v', 'error', '-nostdin', '-y', '-i', from, ...ENCODERS[format], to],
    signal ? { signal } : {},
  )
}
