import { mkdtemp, readFile, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { arpabetOf, IPA_WORD } from '@tidy-reel/core/speech/ipa'
import { runProgram } from '../run/program.ts'
import type { RawSpeech, RawWord, SpeechOrder } from './contract.ts'
import { pcmOf } from './wav-reading.ts'

/**
 * Tells every word and where it is, and keeps the sound. The text is data: nothing in it can end
 * its string.
 */
const script = (voice: string, text: string, lexicon: string, stretch: number, out: string) => `
(voice_${voice})
${lexicon}
(Parameter.set 'Duration_Stretch ${stretch.toFixed(4)})
(set! said (utt.synth (Utterance Text "${text}")))
(mapcar (lambda (w) (format t "%s\\t%f\\t%f\\n" (item.name w) (item.feat w "word_start") (item.feat w "word_end"))) (utt.relation.items said 'Word))
(utt.save.wave said "${out}" 'riff)
`

/**
 * Festival, one process a sentence. Its HTS voice knows one pace only; the take is brought to its
 * pace afterwards.
 */
export async function speakWithFestival(
  voice: string,
  { text, stretch }: SpeechOrder,
  signal?: AbortSignal,
): Promise<RawSpeech> {
  const folder = await mkdtemp(join(tmpdir(), 'tidy-festival-'))
  try {
    const out = join(folder, 'out.wav')
    const entries: string[] = []
    const madeUp = new Map<string, string>()
    const said = text.replace(IPA_WORD, (_all, ipa: string) => {
      const word = `zq${String.fromCharCode(97 + (entries.length % 26)).repeat(1 + Math.floor(entries.length / 26))}x`
      entries.push(
        `(lex.add.entry (list "${word}" nil (lex.syllabify.phstress '(${arpabetOf(ipa)
          .map((sound) => sound.toLowerCase().replace(/2$/, '1'))
          .join(' ')}))))`,
      )
      madeUp.set(word, `/${ipa}/`)
      return word
    })
    // Straight quotes and backslashes are all that means something inside a Scheme string.
    const plain = said
      .replace(/["\\]/g, ' ')
      .replace(/[‘’]/g, "'")
      .replace(/[“”«»]/g, ' ')
      .replace(/[–—]/g, ', ')
      .replace(/…/g, '.')
      .normalize('NFKD')
      .replace(/[^\x20-\x7e]/g, '')
    const { stdout } = await runProgram('festival', ['--pipe'], {
      input: script(voice, plain, entries.join('\n'), stretch, out),
      timeoutMs: 60_000,
      ...(signal ? { signal } : {}),
    })
    return { ...pcmOf(await readFile(out)), words: wordsOf(stdout.toString(), madeUp) }
  } finally {
    await rm(folder, { recursive: true, force: true })
  }
}

function wordsOf(told: string, madeUp: ReadonlyMap<string, string>): RawWord[] {
  return told.split('\n').flatMap((line) => {
    const [text = '', start, end] = line.split('\t')
    return end === undefined
      ? []
      : [{ text: madeUp.get(text) ?? text, start: Number(start), end: Number(end) }]
  })
}
