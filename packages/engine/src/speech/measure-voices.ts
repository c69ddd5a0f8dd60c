import pLimit from 'p-limit'
import { spokenText } from '@tidy-reel/core/speech/spoken'
import { TidyError } from '@tidy-reel/core/fault'
import { voiceFacts } from './measured.ts'
import { rawTake } from './raw-take.ts'
import type { SpeechPlace } from './take.ts'

/** Long enough that the start of an engine hardly counts; numbers are words in every language. */
const SAMPLE = '1 2 3 4 5 6 7 8 9 10, 20 30 40 50 60 70 80 90 100.'

/** Has every voice that has not spoken here say something, so that its real-time factor is known. A voice that cannot is passed over. */
export async function measureVoices(place: SpeechPlace): Promise<void> {
  const one = pLimit(1)
  await Promise.all(place.voices.voices.map((voice) => one(async () => {
    if ((await voiceFacts(place.takes, voice)).realTimeFactor !== null) return
    const text = spokenText(SAMPLE, { language: voice.language })
    await rawTake(place, voice, { text, stretch: voice.slower, melody: 1 }).catch((cause) => {
      if (!(cause instanceof TidyError)) throw cause
    })
  })))
}
