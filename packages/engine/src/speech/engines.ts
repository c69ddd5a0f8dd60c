import { entryOf } from '@tidy-reel/core/faults/certain'
import type { RawSpeech, SpeechOrder } from './contract.ts'
import { speakWithFestival } from './festival.ts'
import { heardWords } from './heard-words.ts'
import { speakInHost } from './host/hosts.ts'
import { speakWithOwn } from './own-engines.ts'
import type { VoiceList } from './voice-list.ts'
import type { Voice } from './voices.ts'

/** Festival's HTS voice knows one pace only: its take is brought to the wished one afterwards. */
export const knowsPace = (voice: Voice) =>
  !(voice.engine === 'festival' && voice.speaks.endsWith('_hts'))

/**
 * Speaks a text as the voice's engine makes it; a raised or lowered voice is spoken slower or
 * faster, so that it comes out at its pace.
 *
 * @throws TidyError `voice_failed` and what `runProgram` throws
 */
export async function speakRaw(
  list: VoiceList,
  voice: Voice,
  order: SpeechOrder,
  signal?: AbortSignal,
): Promise<RawSpeech> {
  const { shift = 1 } = voice
  const told = await engineSpeech(list, voice, { ...order, stretch: order.stretch * shift }, signal)
  const words = told.words ?? (await heardWords(told, order.text, voice.language, signal))
  const speech: RawSpeech = { ...told, ...(words ? { words } : {}) }
  if (shift === 1) return speech
  return {
    ...speech,
    rate: Math.round(speech.rate * shift),
    ...(words
      ? {
          words: words.map(({ text, start, end }) => ({
            text,
            start: start / shift,
            end: end / shift,
          })),
        }
      : {}),
  }
}

function engineSpeech(
  list: VoiceList,
  voice: Voice,
  order: SpeechOrder,
  signal?: AbortSignal,
): Promise<RawSpeech> {
  switch (voice.engine) {
    case 'flite':
    case 'espeak-ng':
      return speakInHost({ engine: voice.engine, name: voice.speaks, order }, signal)
    case 'festival':
      return speakWithFestival(voice.speaks, order, signal)
    case 'program':
    case 'service':
    case 'model':
      return speakWithOwn(entryOf(list.own, voice.id), order, signal)
  }
}
