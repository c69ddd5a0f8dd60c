/**
 * Word marks of our takes against PocketSphinx as an independent aligner: `npx tsx
 * scripts/measure-marks.ts [sentences] [voices…]`.
 */
import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { integratedLoudness } from '@tidy-reel/core/film/sound/loudness'
import { parseScript } from '@tidy-reel/core/script/parse'
import { wordsOf } from '@tidy-reel/core/text/written-words'
import { aligned, isKnownWord, plainWord } from '@tidy-reel/engine/speech/aligner'
import { takeOf } from '@tidy-reel/engine/speech/take'
import { voiceList } from '@tidy-reel/engine/speech/voice-list'

const data = mkdtempSync(join(tmpdir(), 'tidy-marks-'))
const place = { takes: join(data, 'takes'), voices: voiceList(data) }
const [count = '200', ...voices] = process.argv.slice(2)
const pcmOf = (file: string, rate: number) => {
  const bytes = execFileSync(
    'ffmpeg',
    ['-v', 'error', '-i', file, '-ar', String(rate), '-ac', '1', '-f', 's16le', '-'],
    { maxBuffer: 1 << 28 },
  )
  return new Int16Array(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength))
}

/**
 * Sentences of our own films and of the right answers of the tidy set whose words the aligner's
 * dictionary has: they are said as written.
 */
async function sentences(): Promise<string[]> {
  const films = ['canal-lock', 'lighthouse', 'tides'].map((name) =>
    readFileSync(`demo/${name}.txt`, 'utf8'),
  )
  const tidied = ['held', 'tuned'].map((half) =>
    readFileSync(`packages/core/src/tidy/set/${half}.txt`, 'utf8'),
  )
  const texts = [...films, ...tidied].flatMap((text) =>
    parseScript(text.replace(/^\W*(===|---|>>>|<<<).*$/gm, '')).scenes.map((scene) => scene.text),
  )
  const usable: string[] = []
  for (const text of new Set(texts)) {
    const words = wordsOf(text)
    if (words.length < 4 || words.length > 30 || !/^[A-Z][A-Za-z ,.'’;:?!—-]+$/.test(text)) continue
    const known = await Promise.all(words.map((word) => isKnownWord(plainWord(word))))
    if (known.every(Boolean) && !/-/.test(text)) usable.push(text)
  }
  return usable
}

const usable = (await sentences()).slice(0, Number(count))
const quantile = (sorted: readonly number[], q: number) =>
  Math.round(sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * q))]!)
console.log(`${usable.length} sentences`)
for (const voice of voices.length
  ? voices
  : ['flite-slt', 'flite-rms', 'flite-awb', 'festival-slt', 'espeak-gb']) {
  const errors: number[] = []
  const levels: number[] = []
  let lost = 0
  for (const text of usable) {
    const take = await takeOf(place, { text, voice, speed: 1 })
    const words = wordsOf(text).map(plainWord)
    const [found] = await aligned([
      { pcm: pcmOf(take.file, 16_000), grammar: words.join(' '), words },
    ])
    levels.push(
      integratedLoudness([Float32Array.from(pcmOf(take.file, 48_000), (x) => x / 32_768)], 48_000),
    )
    if (found?.length !== words.length || !take.words) {
      lost++
      continue
    }
    errors.push(...found.map(({ start }, i) => Math.abs(take.words![i]![0] / 48 - start * 1000)))
  }
  errors.sort((a, b) => a - b)
  levels.sort((a, b) => a - b)
  console.log(
    `${voice}: median ${quantile(errors, 0.5)} ms, 95th percentile ${quantile(errors, 0.95)} ms, ${errors.length} words, ${lost} sentences the aligner did not hear; loudness of the takes ${levels[0]!.toFixed(1)} to ${levels.at(-1)!.toFixed(1)} LUFS`,
  )
}
