import { z } from 'zod'
import { Track } from '@tidy-reel/core/document/subtitling'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { languageName } from '@tidy-reel/core/text/language-name'
import { oneLine } from '@tidy-reel/core/text/one-line'
import {
  chatAnswer,
  type ChatService,
  jsonIn,
  type Message,
  type Patience,
} from '../writing/chat-service.ts'
import { inParts, type Part } from '../writing/in-parts.ts'
import type { FilmToTranslate, Translator } from './contract.ts'

/** Scenes asked for at once: an answer that a small model writes without losing its place. */
const AT_ONCE = 40
/** A subtitle that is longer than this many times its sentence is no translation of it. */
const LONGEST = 4
const SHORT = 60

const Answered = z.object({ scene: z.number().int(), text: Track.shape.texts.element.shape.text })

const RULES =
  'You translate the narration of an explainer film for its subtitles. Keep names and figures as ' +
  'they are, keep each sentence as short as the one it stands for, add nothing, explain nothing.'

/**
 * Asks an HTTP chat interface for a narration in another language. What comes back is never trusted:
 * each text must name a scene that was asked for, and be no longer than a translation can be.
 *
 * @param near services that are reached although they are not public, as `host:port`
 */
export function chatTranslator(
  service: ChatService,
  patience: Patience = {},
  near: readonly string[] = [],
): Translator {
  return {
    async texts(film, signal) {
      const { answers, limits } = await inParts(
        film.scenes.length,
        AT_ONCE,
        async (from, to) =>
          read(
            await chatAnswer(service, messagesFor(film, from, to), signal, patience, near),
            film,
            { from, to },
            service.address,
          ),
        signal,
      )
      return { texts: answers, limits }
    },
  }
}

function messagesFor(film: FilmToTranslate, from: number, to: number): Message[] {
  const lines = film.scenes.slice(from, to).map(({ text }, i) => `${from + i + 1}. ${text}`)
  return [
    { role: 'system', content: RULES },
    {
      role: 'user',
      content: [
        `The film is called: ${film.title}`,
        `${film.from ? `From ${languageName(film.from)} into` : 'Into'} ${languageName(film.to)}:`,
        lines.join('\n'),
        'Answer with JSON only: for each of the numbered texts one {"scene": number, "text": its ' +
          'translation}, in one list.',
      ].join('\n\n'),
    },
  ]
}

/** @throws TidyError `writer_answer_invalid` when nothing in it stands for a scene asked for */
function read(
  answer: string,
  { scenes }: FilmToTranslate,
  { from, to }: { from: number; to: number },
  address: string,
): Part<string> {
  const list = z.array(z.unknown()).safeParse(jsonIn(answer))
  const answers = Array.from({ length: to - from }, (): string | null => null)
  for (const one of list.success ? list.data : []) {
    const answered = Answered.safeParse(one)
    if (!answered.success) continue
    const at = answered.data.scene - 1
    const said = scenes[at]?.text
    const text = oneLine(answered.data.text).trim()
    if (said === undefined || at < from || at >= to) continue
    if (text && text.length <= Math.max(SHORT, said.length * LONGEST)) answers[at - from] ??= text
  }
  if (answers.every((text) => text === null))
    throw new TidyError('writer_answer_invalid', {
      address,
      reason: 'nothing in its answer is a translation of these scenes',
    })
  const missing = answers.flatMap((text, i) => (text === null ? [from + i + 1] : []))
  return {
    answers,
    limits: missing.length ? [`Nothing usable came for ${missing.length} of them.`] : [],
  }
}
