import { mkdtemp, readFile, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { estimateSeconds } from '@tidy-reel/core/script/estimate'
import { parseScript } from '@tidy-reel/core/script/parse'
import { spokenText } from '@tidy-reel/core/text/spoken'
import { SAMPLE_RATE } from '@tidy-reel/core/time/time'
import { type SpeechPlace, takeOf } from './take.ts'
import { takeAll } from './take-all.ts'
import { voiceList } from './voice-list.ts'
import { voiceFacts } from './voice-measures.ts'

let place: SpeechPlace
beforeAll(async () => {
  const data = await mkdtemp(join(tmpdir(), 'length-'))
  place = { takes: join(data, 'takes'), voices: voiceList(data) }
})
afterAll(() => rm(place.takes, { recursive: true }))

const sentences = async (name: string) =>
  parseScript(
    await readFile(new URL(`../../../../demo/${name}.txt`, import.meta.url), 'utf8'),
  ).scenes.map(({ text }) => text)

describe('the length expected of a narration', () => {
  it.each(['flite-slt', 'espeak-gb'])(
    'is what %s speaks, within three in a hundred, once it has spoken three sentences of another',
    async (voice) => {
      for (const text of (await sentences('tides')).slice(0, 3))
        await takeOf(place, { text, voice, speed: 1 })
      const { rate } = await voiceFacts(
        place.takes,
        place.voices.voices.find(({ id }) => id === voice)!,
      )
      const texts = (await sentences('canal-lock')).slice(0, 20)
      const expected = texts.reduce(
        (sum, text) => sum + rate * estimateSeconds(spokenText(text)),
        0,
      )
      const takes = await takeAll(
        place,
        texts.map((text) => ({ text, voice, speed: 1 })),
      )
      const spoken = takes.reduce(
        (sum, made) => sum + (made && 'take' in made ? made.take.samples / SAMPLE_RATE : NaN),
        0,
      )
      expect(spoken).toBeGreaterThan(60)
      expect(Math.abs(expected / spoken - 1)).toBeLessThan(0.03)
    },
  )
})
