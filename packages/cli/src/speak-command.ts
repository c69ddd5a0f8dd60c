import { copyFile, writeFile } from 'node:fs/promises'
import { FINISHES } from '@tidy-reel/core/document/voicing'
import { itemAt } from '@tidy-reel/core/faults/certain'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { wordsOf } from '@tidy-reel/core/text/written-words'
import { engineConfig } from '@tidy-reel/engine/config'
import { speechPlace, takeOf } from '@tidy-reel/engine/speech/take'
import { askedChoice } from './asked-choice.ts'
import { written } from './written.ts'

export interface SpeakFlags {
  voice: string
  text: string
  out: string
  speed: string
  finish: string
  marks?: string
}

/** Speaks a text into a WAV file, and tells where its words are. */
export async function speakCommand({ voice, text, out, speed, finish, marks }: SpeakFlags) {
  const pace = Number(speed)
  if (!(pace >= 0.6 && pace <= 1.6))
    throw new TidyError('option_invalid', {
      option: '--speed',
      value: speed,
      wanted: 'a number from 0.6 to 1.6',
    })
  const asked = askedChoice('--finish', finish, FINISHES)
  if (!/[\p{L}\p{N}]/u.test(text)) throw new TidyError('script_nothing_spoken')
  const take = await takeOf(speechPlace(engineConfig()), {
    text,
    voice,
    speed: pace,
    finish: asked,
  })
  await written(out, copyFile(take.file, out))
  if (marks) {
    const seconds = (samples: number) => Math.round((samples / 48_000) * 1000) / 1000
    const asWritten = wordsOf(text)
    const list = take.words
      ? take.words.map(([start, end], i) => ({
          word: itemAt(asWritten, i),
          start: seconds(start),
          end: seconds(end),
        }))
      : []
    await written(marks, writeFile(marks, `${JSON.stringify(list)}\n`))
  }
  process.stderr.write(`${(take.samples / 48_000).toFixed(2)} s\n`)
}
