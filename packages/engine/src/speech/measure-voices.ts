import pLimit from 'p-limit'
import { isFault } from '@tidy-reel/core/faults/fault'
import { spokenText } from '@tidy-reel/core/text/spoken'
import { rawTake } from './raw-take.ts'
import { type SpeechPlace, takeOf } from './take.ts'
import { voiceFacts } from './voice-measures.ts'
import type { Voice } from './voices.ts'

/** Long enough that the start of an engine hardly counts; numbers are words in every language. */
const SAMPLE = '1 2 3 4 5 6 7 8 9 10, 20 30 40 50 60 70 80 90 100.'

/**
 * A plain narration, from which the pace of a voice of one's own is learnt: the built-in ones were
 * measured before.
 */
const PASSAGE = [
  'The harbour lies behind a wall of grey stone.',
  'Every morning, before the first boats go out, a man walks along it with a lamp.',
  'He looks at the water, writes a number in a small book, and goes home.',
  'Nobody has asked him to do this.',
  'His father did it, and his grandfather before him.',
  'The book goes back to the year when the wall was built.',
  'In summer the numbers hardly change.',
  'In autumn, when the wind turns, they jump from one day to the next.',
  'People who came from the city to study the coast found the books on a shelf in the kitchen.',
  'They sat down and copied every page.',
  'Today a small grey box does the work of the man, and sends its figures to a computer far away.',
  'He still goes out with his lamp, because he likes the quiet.',
]
const own = ({ engine, language }: Voice) =>
  ['program', 'service', 'model'].includes(engine) && language.startsWith('en')

/**
 * Has every voice that has not spoken here say something, so that its real-time factor is known. A
 * voice that cannot is passed over.
 */
export async function measureVoices(place: SpeechPlace): Promise<void> {
  const one = pLimit(1)
  await Promise.all(
    place.voices.voices.map((voice) =>
      one(async () => {
        if ((await voiceFacts(place.takes, voice)).realTimeFactor !== null) return
        await spokenSample(place, voice).catch((cause) => {
          if (!isFault(cause)) throw cause
        })
      }),
    ),
  )
}

async function spokenSample(place: SpeechPlace, voice: Voice): Promise<void> {
  if (!own(voice)) {
    await rawTake(place, voice, {
      text: spokenText(SAMPLE, { language: voice.language }),
      stretch: voice.slower,
      melody: 1,
    })
    return
  }
  for (const text of PASSAGE) await takeOf(place, { text, voice: voice.id, speed: 1 })
}
