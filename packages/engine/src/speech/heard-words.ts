import { baseOf } from '@tidy-reel/core/speech/language'
import { runProgram } from '../run/program.ts'
import { int16sOf } from '../sound/wav.ts'
import { aligned, plainWord } from './aligner.ts'
import type { RawSpeech, RawWord } from './contract.ts'

const RATE = 16_000

/**
 * Where an engine's words are that does not tell: heard by the aligner, which knows English;
 * undefined where it cannot.
 */
export async function heardWords(
  { pcm, rate }: RawSpeech,
  text: string,
  language: string,
  signal?: AbortSignal,
): Promise<RawWord[] | undefined> {
  if (baseOf(language) !== 'en') return undefined
  const words = text
    .split(/[\s–—-]+/)
    .map(plainWord)
    .filter(Boolean)
  if (!words.length) return undefined
  const { stdout } = await runProgram(
    'ffmpeg',
    [
      '-v',
      'error',
      '-nostdin',
      '-f',
      's16le',
      '-ar',
      String(rate),
      '-ac',
      '1',
      '-i',
      'pipe:0',
      '-ar',
      String(RATE),
      '-f',
      's16le',
      'pipe:1',
    ],
    {
      input: Buffer.from(pcm.buffer, pcm.byteOffset, pcm.byteLength),
      ...(signal ? { signal } : {}),
    },
  )
  return (await aligned([{ pcm: int16sOf(stdout), words, grammar: words.join(' ') }], signal))[0]
}
