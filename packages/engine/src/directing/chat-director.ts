import { z } from 'zod'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { Depiction } from '@tidy-reel/core/pictures/depiction'
import {
  chatAnswer,
  type ChatService,
  jsonIn,
  type Message,
  type Patience,
} from '../writing/chat-service.ts'
import { inParts, type Part } from '../writing/in-parts.ts'
import type { Director, FilmToDirect } from './contract.ts'

/** Scenes asked for at once: an answer that a small model writes without losing its place. */
const AT_ONCE = 60
/** Sentences before them that are told as well. */
const LEADING = 6
/** Ten are asked for; a few more do no harm. */
const WORDS_LIMIT = 16

const Answered = z
  .object({ scene: z.number().int(), see: z.unknown(), search: z.unknown(), not: z.unknown() })
  .partial({
    search: true,
    not: true,
  })

/**
 * Asks an HTTP chat interface what each scene shows. What comes back is never trusted: every answer
 * is read by its schema and must name a scene that was asked for.
 *
 * @param near services that are reached although they are not public, as `host:port`
 */
export function chatDirector(
  service: ChatService,
  patience: Patience = {},
  near: readonly string[] = [],
): Director {
  async function part(film: FilmToDirect, from: number, to: number, signal: AbortSignal) {
    const messages = messagesFor(film, from, to)
    const answer = await chatAnswer(service, messages, signal, patience, near)
    return read(answer, from, to, service.address)
  }
  return {
    async depictions(film, signal) {
      const { answers, limits } = await inParts(
        film.scenes.length,
        AT_ONCE,
        (from, to) => part(film, from, to, signal),
        signal,
      )
      return { depictions: answers, limits }
    },
  }
}

const RULES =
  'You say what is to be seen in an explainer film while each of its sentences is spoken. It is ' +
  'cut from stock footage and photographs: name things that a camera has filmed, never text, ' +
  'diagrams, named persons or brands. Neighbouring sentences do not show the same thing.'

function messagesFor({ title, scenes }: FilmToDirect, from: number, to: number): Message[] {
  let chapter: string | undefined
  const lines = scenes.slice(Math.max(0, from - LEADING), to).flatMap((scene, k) => {
    const number = Math.max(0, from - LEADING) + k + 1
    const heading = scene.chapterTitle === chapter ? [] : [`# ${scene.chapterTitle ?? ''}`]
    chapter = scene.chapterTitle
    const asked = scene.picture ? ` (the writer asks for: ${scene.picture})` : ''
    return [...heading, `${number}. ${scene.text}${asked}`]
  })
  return [
    { role: 'system', content: RULES },
    {
      role: 'user',
      content: [
        `The film is called: ${title}`,
        lines.join('\n'),
        `Answer with JSON only: for each of the sentences ${from + 1} to ${to} one ` +
          '{"scene": number, "see": what is seen in at most ten words, "search": [up to four short ' +
          'search words for such a picture], "not": [up to three things it must not be mistaken ' +
          'for]}, in one list.',
      ].join('\n\n'),
    },
  ]
}

/** @throws TidyError `writer_answer_invalid` when it is no list of scenes that were asked for */
function read(answer: string, from: number, to: number, address: string): Part<Depiction> {
  const list = z.array(z.unknown()).safeParse(jsonIn(answer))
  if (!list.success || list.data.length === 0)
    throw new TidyError('writer_answer_invalid', {
      address,
      reason: 'it sent no list of what is to be seen',
    })
  const depictions = Array.from({ length: to - from }, (): Depiction | null => null)
  const unread = { elsewhere: 0, unusable: [] as number[] }
  for (const one of list.data) {
    const answered = Answered.safeParse(one)
    const at = answered.success ? answered.data.scene - 1 - from : -1
    if (!answered.success || !(at in depictions)) unread.elsewhere++
    else {
      const depiction = depictionIn(answered.data)
      if (depiction) depictions[at] ??= depiction
      else unread.unusable.push(answered.data.scene)
    }
  }
  if (depictions.every((depiction) => depiction === null))
    throw new TidyError('writer_answer_invalid', {
      address,
      reason: 'nothing in its answer says what is to be seen in these scenes',
    })
  return { answers: depictions, limits: limitsOf(depictions, unread, from) }
}

/** In the form that is kept; undefined for what is longer than a direction, or none. */
function depictionIn({ see, search, not }: z.infer<typeof Answered>): Depiction | undefined {
  const few = (value: unknown) =>
    (Array.isArray(value) ? value : []).filter(
      (word: unknown): word is string => Depiction.shape.search.element.safeParse(word).success,
    )
  const read = Depiction.safeParse({
    see: typeof see === 'string' ? see.trim().replace(/[.\s]+$/, '') : see,
    search: few(search).slice(0, 6),
    not: few(not).slice(0, 6),
  })
  return read.success && read.data.see.split(/\s+/).length <= WORDS_LIMIT ? read.data : undefined
}

function limitsOf(
  depictions: readonly (Depiction | null)[],
  { elsewhere, unusable }: { elsewhere: number; unusable: readonly number[] },
  from: number,
): string[] {
  const missing = depictions.flatMap((one, i) => {
    const number = from + i + 1
    return one || unusable.includes(number) ? [] : [number]
  })
  return [
    ...(elsewhere ? [`${elsewhere} of its answers name no scene that was asked for.`] : []),
    ...(unusable.length ? [`Not usable as a direction: scene ${unusable.join(', ')}.`] : []),
    ...(missing.length ? [`Nothing came for scene ${missing.join(', ')}.`] : []),
  ]
}
