import { writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { FILLERS } from '@tidy-reel/core/speech/recording/language-model'
import { breathsBetween, type Noise } from '@tidy-reel/core/speech/recording/noises'
import { contentHash, keptFile } from '../../storage/kept-file.ts'
import { aligned } from '../aligner.ts'
import type { RawWord } from '../contract.ts'
import { recordedRaw } from '../raw-take.ts'
import { fillable, spokenWords } from './align-recording.ts'
import { HEARING_RATE, type Recording, RECORDING_RATE } from './recording.ts'

/**
 * Sound kept before and after the words of a reading, in seconds; finishing trims it to the take's
 * edge.
 */
const AROUND = 0.25

/** Raised when readings are kept otherwise. */
const KEEPING = 1

/**
 * Keeps one reading of a sentence as a take that a scene can choose: the cleaned sound, its words,
 * its breaths and fillers. It is finished like any other take when it is asked for.
 *
 * @param span seconds of the reading in the recording
 * @returns its name, for `TakeRequest.take`
 */
export async function keepReading(
  takes: string,
  { pcm, hearing }: Recording,
  text: string,
  span: { start: number; end: number },
  signal?: AbortSignal,
): Promise<string> {
  const from = Math.max(0, span.start - AROUND)
  const to = Math.min(pcm.length / RECORDING_RATE, span.end + AROUND)
  const sound = pcm.slice(Math.round(from * RECORDING_RATE), Math.round(to * RECORDING_RATE))
  const bytes = Buffer.from(sound.buffer, sound.byteOffset, sound.byteLength)
  const hash = contentHash({ KEEPING, text, sound: contentHash(bytes.toString('base64')) })
  const folder = join(takes, 'recorded')
  await keptFile(join(folder, `${hash}.json`), async (half) => {
    const part = hearing.subarray(Math.round(from * HEARING_RATE), Math.round(to * HEARING_RATE))
    const { words, noises } = await readingMarks(part, text, signal)
    await keptFile(join(folder, `${hash}.pcm`), (file) => writeFile(file, bytes))
    await writeFile(
      half,
      JSON.stringify({ rate: RECORDING_RATE, ...(words ? { words } : {}), noises }),
    )
  })
  return hash
}

/**
 * Words of a sentence that were not heard in a kept reading of it; all, where nothing of it was.
 */
export async function missingWords(takes: string, take: string, text: string): Promise<string[]> {
  const { words = [] } = await recordedRaw(takes, take)
  const left = words.map((word) => word.text)
  return spokenWords(text).filter((word) => {
    const at = left.indexOf(word)
    if (at >= 0) left.splice(0, at + 1)
    return at < 0
  })
}

async function readingMarks(
  hearing: Int16Array,
  text: string,
  signal?: AbortSignal,
): Promise<{ words: RawWord[] | undefined; noises: Noise[] }> {
  const expected = spokenWords(text)
  if (!expected.length) return { words: undefined, noises: [] }
  const words = [...expected, ...FILLERS]
  // Where every word may be missing, speech is easily taken for a filler: only where all are there
  // are fillers believed.
  const [whole] = await aligned([{ pcm: hearing, words, grammar: fillable(expected) }], signal)
  const [part] = whole
    ? [undefined]
    : await aligned(
        [{ pcm: hearing, words, grammar: expected.map((word) => `[${word}]`).join(' ') }],
        signal,
      )
  const found = whole ?? part
  if (!found) return { words: undefined, noises: [] }
  const fillers = found
    .filter(({ text: word }) => isFiller(word) && !expected.includes(word))
    .map(({ start, end }): Noise => ({ kind: 'filler', from: start, to: end }))
  const pcm = Float32Array.from(hearing, (x) => x / 32_768)
  const noises = [...fillers, ...breathsBetween(pcm, HEARING_RATE, found)].sort(
    (a, b) => a.from - b.from,
  )
  return { words: found.filter(({ text: word }) => expected.includes(word)), noises }
}

const isFiller = (word: string) => (FILLERS as readonly string[]).includes(word)
