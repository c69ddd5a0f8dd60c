import { TidyError } from '@tidy-reel/core/fault'

export interface Voice {
  id: string
  name: string
  engine: 'flite' | 'espeak-ng' | 'festival'
  language: string
  gender: 'female' | 'male'
  character: string
  /** How much slower than by itself the engine speaks at speed 1, measured to bring all voices to `CHARACTERS_PER_SECOND`. */
  slower: number
}

/** Voices of Debian's speech engines, the plainest-sounding first. */
export const VOICES: readonly Voice[] = [
  { id: 'flite-slt', name: 'Salt', engine: 'flite', language: 'en-US', gender: 'female', character: 'clear, even', slower: 1.228 },
  { id: 'flite-rms', name: 'Rime', engine: 'flite', language: 'en-US', gender: 'male', character: 'low, unhurried', slower: 1.066 },
  { id: 'flite-awb', name: 'Awl', engine: 'flite', language: 'en-GB', gender: 'male', character: 'Scottish, brisk', slower: 1.19 },
  { id: 'festival-slt', name: 'Slate', engine: 'festival', language: 'en-US', gender: 'female', character: 'soft, statistical', slower: 1.182 },
  { id: 'espeak-gb', name: 'Ebb', engine: 'espeak-ng', language: 'en-GB', gender: 'male', character: 'crisp, synthetic', slower: 1.161 },
  { id: 'espeak-us-f', name: 'Elm', engine: 'espeak-ng', language: 'en-US', gender: 'female', character: 'bright, synthetic', slower: 1.129 },
]

/** @throws TidyError `voice_unknown` with the voices there are */
export function voiceById(id: string): Voice {
  const voice = VOICES.find((v) => v.id === id)
  if (!voice) throw new TidyError('voice_unknown', { voice: id, known: VOICES.map((v) => v.id).join(', ') })
  return voice
}

const SCRIPTS: [RegExp, string][] = [
  [/\p{Script=Hiragana}|\p{Script=Katakana}/u, 'ja'], [/\p{Script=Han}/u, 'cmn'], [/\p{Script=Hangul}/u, 'ko'],
  [/\p{Script=Arabic}/u, 'ar'], [/\p{Script=Cyrillic}/u, 'ru'], [/\p{Script=Greek}/u, 'el'], [/\p{Script=Hebrew}/u, 'he'],
  [/\p{Script=Devanagari}/u, 'hi'],
]

/** The eSpeak language for a text hardly any of which is in Latin letters; undefined for others. */
export function foreignLanguage(text: string): string | undefined {
  const letters = text.match(/\p{L}/gu)?.length ?? 0
  const latin = text.match(/\p{Script=Latin}/gu)?.length ?? 0
  if (!letters || latin / letters > 0.5) return undefined
  return SCRIPTS.find(([script]) => script.test(text))?.[1]
}
