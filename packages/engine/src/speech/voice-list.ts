import { readFileSync } from 'node:fs'
import { isAbsolute, join } from 'node:path'
import { z } from 'zod'
import { itemAt } from '@tidy-reel/core/faults/certain'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { AGES, BUILT_IN_VOICES, GENDERS, type Voice } from './voices.ts'

const about = {
  id: z.string().regex(/^[a-z0-9][a-z0-9-]{0,39}$/, 'small letters, digits and hyphens'),
  name: z.string().trim().min(1).max(40),
  language: z.string().regex(/^[a-zA-Z]{2,3}(-[a-zA-Z0-9]{2,8})*$/, 'a language such as en-GB'),
  accent: z.string().max(40).default('standard'),
  gender: z.enum(GENDERS).default('unknown'),
  age: z.enum(AGES).default('unknown'),
  character: z.string().max(80).default('your own'),
  rating: z.number().int().min(1).max(5).default(4),
  timeoutSeconds: z.number().min(1).max(600).default(60),
}
const seconds = z.number().int().min(1).max(600)

/**
 * A voice that the person runs: a program that reads text and writes a WAV file, a service that
 * answers with one, or a folder with a model.
 */
const OwnVoice = z.discriminatedUnion('kind', [
  z.object({
    ...about,
    kind: z.literal('program'),
    /**
     * Run without a shell; text comes on its standard input. `{out}` stands for the WAV file to
     * write, `{marks}` for a JSON file of word times, `{speed}` for the pace.
     */
    program: z
      .string()
      .min(1)
      .max(400)
      .refine((path) => isAbsolute(path) || !path.includes('/'), 'a name or a whole path'),
    args: z.array(z.string().max(400)).max(40),
  }),
  z.object({
    ...about,
    kind: z.literal('service'),
    address: z.url({ protocol: /^https?$/ }),
    timeoutSeconds: seconds.default(60),
  }),
  z.object({
    ...about,
    kind: z.literal('model'),
    folder: z.string().min(1).max(400).refine(isAbsolute, 'a whole path'),
    speaker: z.number().int().min(0).max(10_000).default(0),
  }),
])
export type OwnVoice = z.infer<typeof OwnVoice>
const OwnVoices = z.object({ voices: z.array(OwnVoice).max(200) })

/** The voices there are: those of the machine and those the person added. */
export interface VoiceList {
  voices: readonly Voice[]
  own: ReadonlyMap<string, OwnVoice>
  /** Why the person's own list could not be read, in words. */
  fault?: TidyError
}

/**
 * The voices of `voices.json` in the data folder, after the built-in ones. A list that cannot be
 * read hides none of the others.
 */
export function voiceList(data: string): VoiceList {
  const file = join(data, 'voices.json')
  let text: string
  try {
    text = readFileSync(file, 'utf8')
  } catch {
    return { voices: BUILT_IN_VOICES, own: new Map() }
  }
  try {
    const { voices } = OwnVoices.parse(JSON.parse(text))
    const own = voices.filter(({ id }) => !BUILT_IN_VOICES.some((voice) => voice.id === id))
    return {
      voices: [...BUILT_IN_VOICES, ...own.map(asVoice)],
      own: new Map(own.map((voice) => [voice.id, voice])),
    }
  } catch (cause) {
    const reason =
      cause instanceof z.ZodError
        ? `${itemAt(cause.issues, 0).path.join('.')}: ${itemAt(cause.issues, 0).message}`
        : 'it is no JSON'
    return {
      voices: BUILT_IN_VOICES,
      own: new Map(),
      fault: new TidyError('voices_unreadable', { reason }),
    }
  }
}

const asVoice = ({
  id,
  name,
  language,
  accent,
  gender,
  age,
  character,
  rating,
  kind,
}: OwnVoice): Voice => ({
  id,
  name,
  engine: kind,
  speaks: id,
  language,
  accent,
  gender,
  age,
  character,
  rating,
  slower: 1,
})

/** @throws TidyError `voice_unknown` with the voices there are */
export function voiceById({ voices }: VoiceList, id: string): Voice {
  const voice = voices.find((v) => v.id === id)
  if (!voice)
    throw new TidyError('voice_unknown', {
      voice: id,
      known: voices
        .slice(0, 20)
        .map((v) => v.id)
        .join(', '),
    })
  return voice
}
