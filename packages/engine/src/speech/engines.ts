import { runProgram } from '../run/program.ts'
import { foreignLanguage, type Voice } from './voices.ts'

/** eSpeak's words a minute before a voice is slowed. */
const ESPEAK_PACE = 158

/** Arguments and input of one run of a speech engine that writes a WAV file. */
export function speakCommand(voice: Voice, speed: number, text: string, out: string): { program: string; args: string[]; input?: string } {
  const language = foreignLanguage(text)
  const stretchFactor = (voice.slower / speed).toFixed(3)
  if (language || voice.engine === 'espeak-ng') {
    const name = language ?? (voice.id === 'espeak-us-f' ? 'en-us+f3' : 'en-gb')
    return { program: 'espeak-ng', args: ['-v', name, '-s', String(Math.round((ESPEAK_PACE * speed) / voice.slower)), '-w', out, '--stdin'], input: text }
  }
  if (voice.engine === 'flite') {
    return { program: 'flite', args: ['-voice', voice.id.slice(6), '--setf', `duration_stretch=${stretchFactor}`, '-t', text, '-o', out] }
  }
  return { program: 'text2wave', args: ['-eval', '(voice_cmu_us_slt_arctic_hts)', '-o', out], input: text }
}

/** Tempo to bring an engine's sound to afterwards: Festival's HTS voice knows one pace only. */
export const tempoAfter = (voice: Voice, speed: number) => (voice.engine === 'festival' ? speed / voice.slower : 1)

/** Speaks a text into a WAV file, as the engine makes it. */
export async function speakRaw(voice: Voice, speed: number, text: string, out: string, signal?: AbortSignal): Promise<void> {
  const { program, args, input } = speakCommand(voice, speed, text, out)
  await runProgram(program, args, { timeoutMs: 60_000, ...(input === undefined ? {} : { input }), ...(signal ? { signal } : {}) })
}
