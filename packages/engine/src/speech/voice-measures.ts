import { randomUUID } from 'node:crypto'
import { mkdir, readFile, rename, writeFile } from 'node:fs/promises'
import { dirname, join } from 'node:path'
import { z } from 'zod'
import type { Voice } from './voices.ts'

const VoiceMeasures = z.object({
  /** Of the engine alone. */
  work: z
    .object({ workSeconds: z.number(), soundSeconds: z.number() })
    .default({ workSeconds: 0, soundSeconds: 0 }),
  /** Of finished takes against the estimate, at the pace that was asked for. */
  pace: z
    .object({ takes: z.number(), expectedSeconds: z.number(), soundSeconds: z.number() })
    .default({ takes: 0, expectedSeconds: 0, soundSeconds: 0 }),
})
type VoiceMeasures = z.infer<typeof VoiceMeasures>

const fileOf = (takes: string, voice: string) => join(takes, 'measured', `${voice}.json`)

async function measuredOf(takes: string, voice: string): Promise<VoiceMeasures> {
  const text = await readFile(fileOf(takes, voice), 'utf8').catch(() => '{}')
  try {
    return VoiceMeasures.parse(JSON.parse(text))
  } catch {
    return VoiceMeasures.parse({})
  }
}

/** Two processes that write at once lose at most one sentence. */
async function keep(takes: string, voice: string, measured: VoiceMeasures): Promise<void> {
  const file = fileOf(takes, voice)
  await mkdir(dirname(file), { recursive: true })
  const half = `${file}.${randomUUID().slice(0, 8)}`
  await writeFile(half, JSON.stringify(measured))
  await rename(half, file)
}

/** Adds how long an engine worked for so much sound. */
export async function learnWork(
  takes: string,
  voice: string,
  { workSeconds, soundSeconds }: VoiceMeasures['work'],
): Promise<void> {
  const known = await measuredOf(takes, voice)
  await keep(takes, voice, {
    ...known,
    work: {
      workSeconds: known.work.workSeconds + workSeconds,
      soundSeconds: known.work.soundSeconds + soundSeconds,
    },
  })
}

/** Adds how long a sentence became against the estimate. */
export async function learnPace(
  takes: string,
  voice: string,
  { expectedSeconds, soundSeconds }: Omit<VoiceMeasures['pace'], 'takes'>,
): Promise<void> {
  const known = await measuredOf(takes, voice)
  const { pace } = known
  await keep(takes, voice, {
    ...known,
    pace: {
      takes: pace.takes + 1,
      expectedSeconds: pace.expectedSeconds + expectedSeconds,
      soundSeconds: pace.soundSeconds + soundSeconds,
    },
  })
}

/** Takes after which a voice is believed. */
const ENOUGH = 3
/**
 * Seconds that a built-in voice was measured for before, with the films of the demo: a few odd
 * sentences do not shift it far.
 */
const KNOWN_SECONDS = 200

/**
 * Seconds of work for a second of sound of the built-in engines, as once measured (docs/performance.md)
 * and true until a voice has spoken here.
 */
const KNOWN_WORK: Record<string, number> = { flite: 0.02, festival: 0.05, 'espeak-ng': 0.003 }

/** What a voice's takes have shown. */
export interface VoiceFacts {
  /** How much longer than the estimate it speaks. */
  rate: number
  /**
   * Seconds of work for a second of sound; of a voice of one's own null before it has spoken.
   */
  realTimeFactor: number | null
}

export async function voiceFacts(
  takes: string,
  { id, engine }: Pick<Voice, 'id' | 'engine'>,
): Promise<VoiceFacts> {
  const { work, pace } = await measuredOf(takes, id)
  const before = ['program', 'service', 'model'].includes(engine) ? 0 : KNOWN_SECONDS
  const rate =
    pace.takes < ENOUGH ? 1 : (before + pace.soundSeconds) / (before + pace.expectedSeconds)
  const three = (n: number) => Math.round(n * 1000) / 1000
  return {
    rate: three(rate),
    realTimeFactor: work.soundSeconds
      ? three(work.workSeconds / work.soundSeconds)
      : (KNOWN_WORK[engine] ?? null),
  }
}
