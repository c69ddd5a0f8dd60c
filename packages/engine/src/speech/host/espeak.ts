import koffi from 'koffi'
import { espeakSoundsOf, IPA_WORD } from '@tidy-reel/core/speech/ipa'
import type { RawSpeech, RawWord, SpeechOrder } from '../contract.ts'

/** From `espeak_ng/speak_lib.h`: how sound is handed over, what an event is, how text is coded. */
const SYNCHRONOUS = 2
const EVENT = { end: 0, word: 1, finished: 6 }
const PARAMETER = { rate: 1, range: 4 }
const UTF8 = 1
const PHONEMES = 0x100
/** Words a minute at which eSpeak's own pace is 1, and the middle of its pitch range. */
const PACE = 158
/** The engine's own range of pitch, 0 to 100, where melody is 1. */
const RANGE = 50

interface Event {
  type: number
  text_position: number
  length: number
  sample: number
}

const library = koffi.load('libespeak-ng.so.1')
koffi.struct('espeak_EVENT', {
  type: 'int',
  unique_identifier: 'uint',
  text_position: 'int',
  length: 'int',
  audio_position: 'int',
  sample: 'int',
  user_data: 'void*',
  id: 'void*',
})
const Callback = koffi.proto('int EspeakCallback(int16_t*, int, espeak_EVENT*)')
const EVENT_BYTES = koffi.sizeof('espeak_EVENT')
const call = {
  initialize: library.func('int espeak_Initialize(int, int, const char*, int)') as (
    output: number,
    length: number,
    path: null,
    options: number,
  ) => number,
  onSound: library.func('void espeak_SetSynthCallback(void*)') as (callback: unknown) => void,
  voice: library.func('int espeak_SetVoiceByName(const char*)') as (name: string) => number,
  set: library.func('int espeak_SetParameter(int, int, int)') as (
    parameter: number,
    value: number,
    relative: number,
  ) => number,
  synthesize: library.func(
    'int espeak_Synth(const char*, size_t, uint, int, uint, uint, void*, void*)',
  ) as (
    text: string,
    size: number,
    position: number,
    type: number,
    end: number,
    flags: number,
    id: null,
    data: null,
  ) => number,
}

let rate = 0
let parts: Int16Array[] = []
let events: Event[] = []

function start() {
  rate = call.initialize(SYNCHRONOUS, 0, null, 0)
  if (rate < 0) throw new Error('eSpeak NG did not start')
  call.onSound(
    koffi.register((sound: unknown, samples: number, first: unknown) => {
      if (sound && samples > 0)
        parts.push(
          Int16Array.from(
            koffi.decode(sound, koffi.array('int16_t', samples, 'Typed')) as Int16Array,
          ),
        )
      for (let i = 0; ; i++) {
        const event = koffi.decode(first, i * EVENT_BYTES, 'espeak_EVENT') as Event
        if (event.type === EVENT.end || event.type === EVENT.finished) return 0
        events.push(event)
      }
    }, koffi.pointer(Callback)),
  )
}

/** Speaks with an eSpeak NG voice such as `en-gb` or `de+f2`. */
export function speakWithEspeak(name: string, { text, stretch, melody }: SpeechOrder): RawSpeech {
  if (!rate) start()
  if (call.voice(name) !== 0) throw new Error(`eSpeak NG has no voice ${name}`)
  call.set(PARAMETER.rate, Math.round(PACE / stretch), 0)
  call.set(PARAMETER.range, Math.round(RANGE * melody), 0)
  parts = []
  events = []
  // "[[" would be read as sounds: only what was asked for in IPA may be.
  const said = text
    .replace(/\[\[|\]\]/g, ' ')
    .replace(IPA_WORD, (_all, ipa: string) => `[[${espeakSoundsOf(ipa)}]]`)
  call.synthesize(said, Buffer.byteLength(said) + 1, 0, 1, 0, UTF8 | PHONEMES, null, null)
  const pcm = new Int16Array(parts.reduce((sum, part) => sum + part.length, 0))
  parts.reduce((at, part) => (pcm.set(part, at), at + part.length), 0)
  return { pcm, rate, words: wordsOf(said, pcm.length) }
}

function wordsOf(said: string, samples: number): RawWord[] {
  const letters = [...said]
  const words = events.filter(({ type }) => type === EVENT.word)
  return words.map(({ text_position, length, sample }, i) => ({
    text: letters.slice(text_position - 1, text_position - 1 + length).join(''),
    start: sample / rate,
    end: (words[i + 1]?.sample ?? samples) / rate,
  }))
}
