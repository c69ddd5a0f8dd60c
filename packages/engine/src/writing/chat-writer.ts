import { Agent, fetch } from 'undici'
import { z } from 'zod'
import { certain } from '@tidy-reel/core/faults/certain'
import { isFault, TidyError } from '@tidy-reel/core/faults/fault'
import { CHARACTERS_PER_SECOND } from '@tidy-reel/core/script/estimate'
import { type Brief, Outline } from '@tidy-reel/core/writing/brief'
import { citedSentences, draftOfAnswer } from '@tidy-reel/core/writing/check-sources'
import { publicAgent } from '../import/public-address.ts'
import type { Writer } from './contract.ts'

/** A language-model service of the person's own. */
export interface ChatService {
  /** Address that chat messages are posted to. */
  address: string
  key: string
  model: string
}

/**
 * Connections of their own: one that was kept since the answer before may be closed at the other
 * end just now.
 */
const dispatcher = new Agent({ pipelining: 0 })

/**
 * The way to a service: to a public one as links go, to one nearby only where it was named at the
 * start (`near`). Who may set an address must not learn from its answers what else listens here.
 *
 * @throws TidyError `writer_unreachable`, `writer_refused`
 */
export async function wayTo(address: string, near: readonly string[]): Promise<Agent> {
  const url = new URL(address)
  if (near.includes(url.host)) return dispatcher
  const agent = await publicAgent(url).catch(() => {
    throw new TidyError('writer_unreachable', { address })
  })
  if (agent) return agent
  throw new TidyError('writer_refused', {
    address,
    reason: 'it lies in a private network. Name it in TIDY_WRITERS when you start Tidy Reel',
  })
}

/** Three minutes: a slow model on a machine of its own writes a draft in that. */
const PATIENCE_MS = 180_000
/** Between two pieces of a streamed answer. */
const SILENCE_MS = 45_000
const ANSWER_CHARACTERS_LIMIT = 400_000
const SOURCE_CHARACTERS_LIMIT = 120_000

const Chunk = z.object({
  choices: z
    .array(
      z.object({
        delta: z.object({ content: z.string().nullish() }).optional(),
        message: z.object({ content: z.string() }).optional(),
      }),
    )
    .min(1),
})
/** Characters of narration a minute, pauses between sentences included. */
const PER_MINUTE = CHARACTERS_PER_SECOND * 56

/**
 * Writes through an HTTP chat interface: messages are posted as JSON, the answer comes as
 * server-sent events (or whole). What comes back is never trusted: the outline is read by its
 * schema, and every source mark of a draft is looked up.
 *
 * @param near services that are reached although they are not public, as `host:port`
 */
export function chatWriter(
  service: ChatService,
  patience: { allMs?: number; silenceMs?: number } = {},
  near: readonly string[] = [],
): Writer {
  const ask = (messages: Message[], signal: AbortSignal) =>
    answerOf(
      service,
      messages,
      signal,
      patience.allMs ?? PATIENCE_MS,
      patience.silenceMs ?? SILENCE_MS,
      near,
    )
  return {
    async outline(brief, signal) {
      const answer = await ask(
        [
          { role: 'system', content: RULES },
          {
            role: 'user',
            content:
              `${briefText(brief)}\n\nAnswer with JSON only: a list of chapters, each {"title": ` +
              'string, "minutes": number, "points": [string]}. The minutes add up to ' +
              `${brief.minutes}.`,
          },
        ],
        signal,
      )
      const read = Outline.safeParse(jsonIn(answer))
      if (!read.success)
        throw new TidyError('writer_answer_invalid', {
          address: service.address,
          reason: 'its outline is no list of chapters',
        })
      const all = read.data.reduce((sum, { minutes }) => sum + minutes, 0)
      // Minutes that do not add up are scaled to the wish.
      return read.data.map((chapter) => ({
        ...chapter,
        minutes: Math.max(0.1, Math.round((chapter.minutes * brief.minutes * 10) / all) / 10),
      }))
    },
    async draft(brief, outline, speed, signal) {
      const plan = outline
        .map(
          ({ title, minutes, points }) =>
            `# ${title}\n(${Math.round(minutes * PER_MINUTE * speed)} characters) ${points.join('; ')}`,
        )
        .join('\n')
      const answer = await ask(
        [
          { role: 'system', content: RULES },
          {
            role: 'user',
            content:
              `${briefText(brief)}\n\nWrite the narration under these headings, about ` +
              `${Math.round(brief.minutes * PER_MINUTE * speed)} characters in ` +
              `all:\n${plan}\n\nBegin with the strongest hook, before the first heading. After ` +
              'each sentence name the source sentences it stands on, like [2.14].',
          },
        ],
        signal,
      )
      const draft = draftOfAnswer(answer, brief, outline)
      if (draft.sentences.length === 0)
        throw new TidyError('writer_answer_invalid', {
          address: service.address,
          reason: 'it sent no sentence',
        })
      return draft
    },
  }
}

interface Message {
  role: 'system' | 'user'
  content: string
}

const RULES =
  'You write narration for explainer films. Use only what the numbered source sentences say. ' +
  'Plain spoken English, short sentences, no greetings, no calls to subscribe, no stage ' +
  'directions, no markup but # headings.'

function briefText({ topic, audience, tone, minutes, points, sources, sample }: Brief): string {
  const cited = [...citedSentences(sources)]
    .map(([mark, { words }]) => `[${mark}] ${words}`)
    .join('\n')
    .slice(0, SOURCE_CHARACTERS_LIMIT)
  return [
    `Topic: ${topic}`,
    audience && `For: ${audience}`,
    tone && `Tone: ${tone}`,
    `Minutes: ${minutes}`,
    points.length ? `Must be in it:\n${points.map((point) => `- ${point}`).join('\n')}` : '',
    sample && `Write like this sample:\n${sample.slice(0, 6000)}`,
    `Sources, sentence by sentence:\n${cited}`,
  ]
    .filter(Boolean)
    .join('\n\n')
}

/** JSON that an answer holds, inside a fence or among words. */
function jsonIn(answer: string): unknown {
  const found = /\[[\s\S]*\]/.exec(answer)
  try {
    return found && JSON.parse(found[0])
  } catch {
    return undefined
  }
}

async function answerOf(
  { address, key, model }: ChatService,
  messages: Message[],
  signal: AbortSignal,
  allMs: number,
  silenceMs: number,
  near: readonly string[],
): Promise<string> {
  const through = await wayTo(address, near)
  const silence = new AbortController()
  let timer = setTimeout(() => silence.abort(), silenceMs)
  const heard = () => {
    clearTimeout(timer)
    timer = setTimeout(() => silence.abort(), silenceMs)
  }
  const either = AbortSignal.any([signal, silence.signal, AbortSignal.timeout(allMs)])
  const broken = (reason: string) =>
    signal.aborted
      ? new TidyError('cancelled')
      : new TidyError('writer_answer_invalid', { address, reason })
  try {
    const answer = await fetch(address, {
      method: 'POST',
      redirect: 'error',
      signal: either,
      dispatcher: through,
      headers: {
        'content-type': 'application/json',
        accept: 'text/event-stream',
        ...(key ? { authorization: `Bearer ${key}` } : {}),
      },
      body: JSON.stringify({ model, messages, stream: true }),
    }).catch(() => {
      throw signal.aborted
        ? new TidyError('cancelled')
        : new TidyError('writer_unreachable', { address })
    })
    if (!answer.ok || !answer.body)
      throw new TidyError('writer_refused', { address, reason: refusal(answer.status) })
    const streamed = /event-stream/.test(answer.headers.get('content-type') ?? '')
    let raw = ''
    let size = 0
    let text = ''
    let ended = !streamed
    const decoder = new TextDecoder()
    try {
      for await (const bytes of answer.body as AsyncIterable<Uint8Array>) {
        heard()
        size += bytes.length
        if (size > ANSWER_CHARACTERS_LIMIT * 4) throw broken('it does not come to an end')
        raw += decoder.decode(bytes, { stream: true })
        if (!streamed) continue
        const lines = raw.split('\n')
        raw = certain(lines.pop())
        for (const line of lines) {
          const data = /^data:\s*(.*)$/.exec(line.trimEnd())?.[1]
          if (data === undefined || data === '') continue
          if (data === '[DONE]') ended = true
          else text += contentOf(data, broken)
        }
      }
    } catch (cause) {
      throw isFault(cause)
        ? cause
        : broken(either.aborted && !signal.aborted ? 'it fell silent' : 'it broke off')
    }
    if (!ended) throw broken('it broke off half-way')
    return streamed ? text : contentOf(raw, broken)
  } finally {
    clearTimeout(timer)
  }
}

function contentOf(data: string, broken: (reason: string) => TidyError): string {
  let value: unknown
  try {
    value = JSON.parse(data)
  } catch {
    throw broken('it sent something that is not JSON')
  }
  const read = Chunk.safeParse(value)
  if (!read.success) throw broken('it answers in another form')
  const [{ delta, message }] = read.data.choices as [z.infer<typeof Chunk>['choices'][number]]
  return delta?.content ?? message?.content ?? ''
}

/** What a status of HTTP means to who set up the service. */
const REFUSALS: Partial<Record<number, string>> = {
  401: 'it does not know the key',
  403: 'it does not know the key',
  404: 'there is nothing at this address',
  429: 'it is asked too often; wait a little',
}
const refusal = (status: number) => REFUSALS[status] ?? `it answers with error ${status}`
