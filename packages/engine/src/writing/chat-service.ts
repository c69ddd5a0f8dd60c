import { Agent, fetch } from 'undici'
import { z } from 'zod'
import { certain } from '@tidy-reel/core/faults/certain'
import { isFault, TidyError } from '@tidy-reel/core/faults/fault'
import { publicAgent } from '../import/public-address.ts'

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

/** A connection that ended before anything was answered: the next may hold. */
const wasCutOff = (cause: unknown) =>
  cause instanceof Error &&
  ['UND_ERR_SOCKET', 'ECONNRESET'].includes(
    (cause.cause as NodeJS.ErrnoException | undefined)?.code ?? '',
  )

/** Three minutes: a slow model on a machine of its own writes a draft in that. */
const PATIENCE_MS = 180_000
/** Between two pieces of a streamed answer. */
const SILENCE_MS = 45_000
const ANSWER_CHARACTERS_LIMIT = 400_000

/** How long a service is waited for. */
export interface Patience {
  allMs?: number
  /** Between two pieces. */
  silenceMs?: number
}

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
export interface Message {
  role: 'system' | 'user'
  content: string
}

/** JSON that an answer holds, inside a fence or among words. */
export function jsonIn(answer: string): unknown {
  const found = /\[[\s\S]*\]/.exec(answer)
  try {
    return found && JSON.parse(found[0])
  } catch {
    return undefined
  }
}

/**
 * What a service answers to messages, as it streams it or whole.
 *
 * @throws TidyError `writer_unreachable`, `writer_refused`, `writer_answer_invalid`, `cancelled`
 */
export async function chatAnswer(
  { address, key, model }: ChatService,
  messages: Message[],
  signal: AbortSignal,
  { allMs = PATIENCE_MS, silenceMs = SILENCE_MS }: Patience,
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
    const asked = () =>
      fetch(address, {
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
      })
    const answer = await asked()
      .catch((cause: unknown) => (wasCutOff(cause) ? asked() : Promise.reject(cause as Error)))
      .catch(() => {
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
