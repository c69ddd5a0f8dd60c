import { runProgram } from '../run/program.ts'
import { foreignLanguage, type Voice } from './voices.ts'

/** eSpeak's words a minute at speed 1: a calm narration (common practice: 140 to 170). */
const ESPEAK_PACE = 158

/** Arguments and input of one run of a speech engine that writes a WAV file. */
export function speakCommand(voice: Voice, speed: number, text: string, out: string): { program: string; args: string[]; input?: string } {
  const language = foreignLanguage(text)
  if (language || voice.engine === 'espeak-ng') {
    const name = language ?? (voice.id === 'espeak-us-f' ? 'en-us+f3' : 'en-gb')
    return { program: 'espeak-ng', args: ['-v', name, '-s', String(Math.round(ESPEAK_PACE * speed)), '-w', out, '--stdin'], input: text }
  }
  if (voice.engine === 'flite') {
    return { program: 'flite', args: ['-voice', voice.id.slice(6), '--setf', `duration_stretch=${(1 / speed).toFixed(3)}`, '-t', text, '-o', out] }
  }
  const stretch = `(begin (voice_cmu_us_slt_arctic_hts) (Parameter.set 'Duration_Stretch ${(1 / speed).toFixed(3)}))`
  return { program: 'text2wave', args: ['-eval', stretch, '-o', out], input: text }
}

/** Speaks a text into a WAV file, as the engine makes it. */
export async function speakRaw(voice: Voice, speed: number, text: string, out: string, signal?: AbortSignal): Promise<void> {
  const { program, args, input } = speakCommand(voice, speed, text, out)
  await runProgram(program, args, { timeoutMs: 60_000, ...(input === undefined ? {} : { input }), ...(signal ? { signal } : {}) })
}
