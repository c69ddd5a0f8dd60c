import { TidyError } from '@tidy-reel/core/faults/fault'
import { CHARACTERS_PER_SECOND } from '@tidy-reel/core/script/estimate'
import { type Brief, Outline } from '@tidy-reel/core/writing/brief'
import { citedSentences, draftOfAnswer } from '@tidy-reel/core/writing/check-sources'
import {
  chatAnswer,
  type ChatService,
  jsonIn,
  type Message,
  type Patience,
} from './chat-service.ts'
import type { Writer } from './contract.ts'

const SOURCE_CHARACTERS_LIMIT = 120_000

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
  patience: Patience = {},
  near: readonly string[] = [],
): Writer {
  const ask = (messages: Message[], signal: AbortSignal) =>
    chatAnswer(service, messages, signal, patience, near)
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
