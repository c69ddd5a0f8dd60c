import { existsSync } from 'node:fs'
import { writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { z } from 'zod'
import { contentHash, keptFile } from '../storage/kept-file.ts'
import { keptJson } from '../storage/kept-json.ts'
import type { SpeechOrder } from './contract.ts'
import { speakRaw } from './engines.ts'
import type { VoiceList } from './voice-list.ts'
import { learnWork } from './voice-measures.ts'
import type { Voice } from './voices.ts'

const RawFacts = z.object({
  rate: z.number(),
  words: z.array(z.object({ text: z.string(), start: z.number(), end: z.number() })).optional(),
  /** Breaths and fillers of a recording, in seconds. */
  noises: z
    .array(z.object({ kind: z.enum(['breath', 'filler']), from: z.number(), to: z.number() }))
    .optional(),
})

/** Sound as an engine made it, kept so that a finish can be changed without speaking again. */
export interface RawTake extends z.infer<typeof RawFacts> {
  /** 16-bit mono samples without a head, at `rate`. */
  file: string
  /** Spoken just now. */
  fresh: boolean
}

const recordedFile = (takes: string, take: string, ending: string) =>
  join(takes, 'recorded', `${take}.${ending}`)

/** Whether a chosen take is a recording. */
export const isRecorded = (takes: string, take: string) =>
  existsSync(recordedFile(takes, take, 'json'))

/** The sound of a kept reading. */
export async function recordedRaw(takes: string, take: string): Promise<RawTake> {
  return {
    file: recordedFile(takes, take, 'pcm'),
    ...(await keptJson(recordedFile(takes, take, 'json'), RawFacts)),
    fresh: false,
  }
}

/** Raised when an engine is called in another way, so that earlier sounds are made anew. */
const SPEAKING = 1

/** The sound of a text, spoken when it is not there yet. */
export async function rawTake(
  place: { takes: string; voices: VoiceList },
  voice: Voice,
  order: SpeechOrder,
  signal?: AbortSignal,
): Promise<RawTake> {
  const { engine, speaks, shift = 1 } = voice
  const hash = contentHash({
    SPEAKING,
    engine,
    speaks,
    shift,
    order,
    own: place.voices.own.get(voice.id) ?? null,
  })
  const file = join(place.takes, 'raw', `${hash}.pcm`)
  let fresh = false
  const facts = await keptFile(join(place.takes, 'raw', `${hash}.json`), async (half) => {
    const begun = performance.now()
    const { pcm, rate, words } = await speakRaw(place.voices, voice, order, signal)
    fresh = true
    await learnWork(place.takes, voice.id, {
      workSeconds: (performance.now() - begun) / 1000,
      soundSeconds: pcm.length / rate,
    })
    await keptFile(file, (part) =>
      writeFile(part, Buffer.from(pcm.buffer, pcm.byteOffset, pcm.byteLength)),
    )
    await writeFile(half, JSON.stringify({ rate, ...(words ? { words } : {}) }))
  })
  return { file, ...(await keptJson(facts, RawFacts)), fresh }
}
