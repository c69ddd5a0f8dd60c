import { availableParallelism } from 'node:os'
import { itemAt } from '@tidy-reel/core/faults/certain'
import type { HeardWord } from '@tidy-reel/core/speech/recording/follow'
import { arpaModel, EVERYDAY, FILLERS } from '@tidy-reel/core/speech/recording/language-model'
import { type SentenceRead, sentencesRead } from '@tidy-reel/core/speech/recording/sentences-read'
import { silences } from '@tidy-reel/core/speech/silence'
import type { Pronunciation } from '@tidy-reel/core/text/pronunciation'
import { spokenForm } from '@tidy-reel/core/text/spoken'
import { aligned, plainWord, recognised } from '../aligner.ts'
import type { RawWord } from '../contract.ts'
import { HEARING_RATE, type Recording } from './recording.ts'

/** A pause that parts a reading, and the longest stretch between two, in seconds. */
const PAUSE = 0.3
/**
 * Seconds of a stretch that is listened to at once: longer ones are heard worse, shorter ones lose
 * the context.
 */
const LONGEST = 25
/** Sound looked at before and after a sentence for its exact first and last word. */
const AROUND = 0.35

/** A sentence of the script as it was read. */
export interface AlignedSentence {
  text: string
  /** Seconds of the kept reading; null when there is no good one. */
  start: number | null
  end: number | null
  words: RawWord[]
  /** Spoken words of the sentence that the reading leaves out. */
  missing: string[]
  /** Words said in it that are not in the script. */
  extra: { word: string; start: number; end: number }[]
  /** How often it was begun. */
  tries: number
}

/**
 * What a recogniser is given for a sentence: the words as they are spoken, parted where the
 * dictionary parts them.
 */
export const spokenWords = (
  text: string,
  pronunciations: readonly Pronunciation[] = [],
): string[] =>
  spokenForm(text, {
    language: 'en-US',
    pronunciations: pronunciations.filter(({ say }) => !say.startsWith('/')),
  })
    .words.flatMap(({ text: word }) => word.split(/[-–—]/))
    .map(plainWord)
    .filter(Boolean)

/**
 * Finds every sentence of a script in a recording of the whole: of each the last good reading, its
 * words to a hundredth.
 *
 * @param onProgress share of the recording listened to, 0 to 1
 */
export async function alignRecording(
  { hearing }: Pick<Recording, 'hearing'>,
  sentences: readonly string[],
  options: { signal?: AbortSignal; onProgress?: (share: number) => void } = {},
): Promise<AlignedSentence[]> {
  const words = sentences.map((text) => spokenWords(text))
  const heard = await heardWords(hearing, words, options)
  const read = sentencesRead(heard, words)
  return exactly(hearing, sentences, words, read, options.signal)
}

async function heardWords(
  hearing: Int16Array,
  words: readonly string[][],
  { signal, onProgress }: { signal?: AbortSignal; onProgress?: (share: number) => void },
): Promise<HeardWord[]> {
  const model = arpaModel(words)
  const vocabulary = [...new Set([...words.flat(), ...FILLERS, ...EVERYDAY])]
  const stretches = stretchesOf(hearing)
  // A few stretches a run: progress is told and a stop is heard, at little cost.
  const batch = 12
  const groups = Array.from({ length: Math.ceil(stretches.length / batch) }, (_, i) =>
    stretches.slice(i * batch, (i + 1) * batch),
  )
  const results = new Array<(RawWord[] | undefined)[]>(groups.length)
  let next = 0
  let done = 0
  const work = async () => {
    while (next < groups.length) {
      const mine = next++
      results[mine] = await recognised(
        itemAt(groups, mine).map(({ from, to }) => hearing.subarray(from, to)),
        model,
        vocabulary,
        signal,
      )
      onProgress?.((++done / groups.length) * 0.8)
    }
  }
  await Promise.all(Array.from({ length: Math.max(1, availableParallelism()) }, work))
  return results.flat().flatMap((found = [], s) =>
    found.map(({ text, start, end }, i): HeardWord => {
      const offset = itemAt(stretches, s).from / HEARING_RATE
      const gap = i > 0 ? start - itemAt(found, i - 1).end : 1
      return { text, start: start + offset, end: end + offset, afterPause: gap > 0.15 }
    }),
  )
}

/** Stretches between pauses, none far longer than `LONGEST`. */
function stretchesOf(hearing: Int16Array): { from: number; to: number }[] {
  const pcm = Float32Array.from(hearing, (x) => x / 32_768)
  const pauses = silences(pcm, HEARING_RATE).filter(
    ([from, to]) => to - from >= PAUSE * HEARING_RATE,
  )
  const cuts = [0, ...pauses.map(([from, to]) => Math.round((from + to) / 2)), pcm.length]
  const stretches: { from: number; to: number }[] = []
  for (let i = 1; i < cuts.length; i++) {
    const [from, to] = [itemAt(cuts, i - 1), itemAt(cuts, i)]
    const parts = Math.max(1, Math.ceil((to - from) / (LONGEST * HEARING_RATE)))
    for (let p = 0; p < parts; p++)
      stretches.push({
        from: Math.round(from + ((to - from) * p) / parts),
        to: Math.round(from + ((to - from) * (p + 1)) / parts),
      })
  }
  return stretches.filter(({ from, to }) => to - from > 0.1 * HEARING_RATE)
}

/**
 * The kept readings once more, each against just its own words: where they begin and end to a
 * hundredth of a second.
 */
async function exactly(
  hearing: Int16Array,
  sentences: readonly string[],
  words: readonly string[][],
  read: readonly SentenceRead[],
  signal?: AbortSignal,
): Promise<AlignedSentence[]> {
  const kept = read.flatMap(({ kept: reading, missing }, s) => {
    if (!reading) return []
    const left = new Set(missing)
    const from = Math.max(0, Math.round((reading.start - AROUND) * HEARING_RATE))
    const to = Math.min(hearing.length, Math.round((reading.end + AROUND) * HEARING_RATE))
    return [
      {
        s,
        from,
        words: itemAt(words, s).filter((_, i) => !left.has(i)),
        pcm: hearing.subarray(from, to),
      },
    ]
  })
  const found = await aligned(
    kept.map(({ pcm, words: said }) => ({
      pcm,
      words: [...said, ...FILLERS],
      grammar: fillable(said),
    })),
    signal,
  )
  const exact = new Map(
    kept.map(({ s, from }, i) => [
      s,
      found[i]?.map(({ text, start, end }) => ({
        text,
        start: start + from / HEARING_RATE,
        end: end + from / HEARING_RATE,
      })),
    ]),
  )
  return sentences.map((text, s) => {
    const { kept: reading, missing, extra, readings } = itemAt(read, s)
    const said = exact
      .get(s)
      ?.filter(({ text: word }) => !(FILLERS as readonly string[]).includes(word))
    return {
      text,
      words: said ?? [],
      missing: missing.map((i) => itemAt(itemAt(words, s), i)),
      extra: extra.map(({ text: word, start, end }) => ({ word, start, end })),
      start: said?.[0]?.start ?? reading?.start ?? null,
      end: said?.at(-1)?.end ?? reading?.end ?? null,
      tries: readings.length,
    }
  })
}

/** A rule for words with a filler perhaps between them. */
export const fillable = (words: readonly string[]): string =>
  `[<f>] ${words.join(' [<f>] ')} [<f>]; <f> = ${FILLERS.join(' | ')}`
