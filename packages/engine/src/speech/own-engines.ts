import { mkdtemp, readFile, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { z } from 'zod'
import { isFault, TidyError } from '@tidy-reel/core/faults/fault'
import { runProgram } from '../run/program.ts'
import type { RawSpeech, SpeechOrder } from './contract.ts'
import { speakInHost } from './host/hosts.ts'
import type { OwnVoice } from './voice-list.ts'
import { pcmOf } from './wav-reading.ts'

/** Word times as a person's own engine may give them, in seconds. */
const Marks = z
  .array(z.object({ word: z.string().max(200), start: z.number().min(0), end: z.number().min(0) }))
  .max(50_000)
/** In bytes: half an hour of 48 kHz stereo. */
const LARGEST_WAV = 200 * 1024 * 1024

const rawWords = (marks: z.infer<typeof Marks>) =>
  marks.map(({ word, start, end }) => ({ text: word, start, end }))

/**
 * Speaks with a program, a service or a model of the person's own; what it gives back is checked
 * before it is used.
 */
export function speakWithOwn(
  voice: OwnVoice,
  order: SpeechOrder,
  signal?: AbortSignal,
): Promise<RawSpeech> {
  switch (voice.kind) {
    case 'program':
      return speakWithProgram(voice, order, signal)
    case 'service':
      return askService(voice, order, signal)
    case 'model':
      return speakInHost(
        { engine: 'model', name: voice.folder, speaker: voice.speaker, order },
        signal,
      )
  }
}

async function speakWithProgram(
  { name, program, args, timeoutSeconds }: Extract<OwnVoice, { kind: 'program' }>,
  { text, stretch }: SpeechOrder,
  signal?: AbortSignal,
): Promise<RawSpeech> {
  const folder = await mkdtemp(join(tmpdir(), 'tidy-voice-'))
  try {
    const places = {
      out: join(folder, 'out.wav'),
      marks: join(folder, 'marks.json'),
      speed: (1 / stretch).toFixed(3),
    }
    const filled = args.map((arg) =>
      arg.replace(/\{(out|marks|speed)\}/g, (_all, place: keyof typeof places) => places[place]),
    )
    await runProgram(program, filled, {
      input: text,
      timeoutMs: timeoutSeconds * 1000,
      ...(signal ? { signal } : {}),
    })
    const wav = await readFile(places.out).catch(() => {
      throw new TidyError('voice_failed', { engine: name, reason: 'it wrote no WAV file' })
    })
    const marks = await readFile(places.marks, 'utf8').catch(() => undefined)
    return {
      ...pcmOf(wav, name),
      ...(marks === undefined ? {} : { words: rawWords(marksOf(marks, name)) }),
    }
  } finally {
    await rm(folder, { recursive: true, force: true })
  }
}

function marksOf(text: string, engine: string) {
  try {
    return Marks.parse(JSON.parse(text))
  } catch {
    throw new TidyError('voice_failed', {
      engine,
      reason: 'its word times are not a list of {"word","start","end"}',
    })
  }
}

const Answer = z.object({ wav: z.base64(), marks: Marks.optional() })

/**
 * Posts `{text, language, speed}`; the answer is a WAV file, or JSON with one in base64 and word
 * times.
 */
async function askService(
  { name, address, language, timeoutSeconds }: Extract<OwnVoice, { kind: 'service' }>,
  { text, stretch }: SpeechOrder,
  signal?: AbortSignal,
): Promise<RawSpeech> {
  const fail = (reason: string) => new TidyError('voice_failed', { engine: name, reason })
  const limit = AbortSignal.timeout(timeoutSeconds * 1000)
  try {
    const answer = await fetch(address, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      redirect: 'error',
      body: JSON.stringify({ text, language, speed: Number((1 / stretch).toFixed(3)) }),
      signal: signal ? AbortSignal.any([signal, limit]) : limit,
    })
    if (!answer.ok) throw fail(`it answered ${answer.status}`)
    const bytes = await bytesOf(answer, fail)
    if (!answer.headers.get('content-type')?.includes('json')) return pcmOf(bytes, name)
    const read = Answer.safeParse(JSON.parse(bytes.toString()))
    if (!read.success) throw fail('its answer holds no WAV file')
    return {
      ...pcmOf(Buffer.from(read.data.wav, 'base64'), name),
      ...(read.data.marks ? { words: rawWords(read.data.marks) } : {}),
    }
  } catch (cause) {
    if (isFault(cause)) throw cause
    if (signal?.aborted) throw new TidyError('cancelled')
    if (limit.aborted) throw fail('it took too long and was given up')
    throw fail(cause instanceof SyntaxError ? 'its answer is no JSON' : 'it does not answer')
  }
}

async function bytesOf(answer: Response, fail: (reason: string) => TidyError): Promise<Buffer> {
  const parts: Uint8Array[] = []
  let size = 0
  for await (const part of (answer.body ?? []) as AsyncIterable<Uint8Array>) {
    size += part.length
    if (size > LARGEST_WAV) throw fail('it sent more than 200 MB')
    parts.push(part)
  }
  return Buffer.concat(parts)
}
