import { parseScript } from '@tidy-reel/core/script/parse'
import { alignRecording } from '@tidy-reel/engine/speech/recording/align-recording'
import { readRecording } from '@tidy-reel/engine/speech/recording/recording'
import { print } from './print.ts'
import { readScript } from './read-script.ts'

const hundredths = (seconds: number) => Math.round(seconds * 100) / 100

/**
 * Finds the sentences of a script in a recording of the whole, and tells what was left out, added
 * and said again.
 */
export async function alignCommand(file: string, script: string, { json }: { json?: boolean }) {
  const { scenes } = parseScript(await readScript(script))
  const recording = await readRecording(file)
  for (const remark of recording.remarks) process.stderr.write(`${remark}\n`)
  const sentences = await alignRecording(
    recording,
    scenes.map(({ text }) => text),
  )
  const list = sentences.map(({ text, start, end, words, missing, extra, tries }) => ({
    text,
    start: start === null ? null : hundredths(start),
    end: end === null ? null : hundredths(end),
    tries,
    missing,
    extra: extra.map(({ word, start: from, end: to }) => ({
      word,
      start: hundredths(from),
      end: hundredths(to),
    })),
    words: words.map(({ text: word, start: from, end: to }) => ({
      word,
      start: hundredths(from),
      end: hundredths(to),
    })),
  }))
  const line = ({ text, start, end, missing, tries }: (typeof list)[number]) => {
    const when =
      start === null || end === null ? '   not read' : `${start.toFixed(2)}–${end.toFixed(2)}`
    const without = missing.length ? `  (without ${missing.join(', ')})` : ''
    return `${when}  ${text}${without}${tries > 1 ? `  (begun ${tries} times)` : ''}`
  }
  print(
    json ? { seconds: hundredths(recording.seconds), sentences: list } : list.map(line).join('\n'),
  )
}
