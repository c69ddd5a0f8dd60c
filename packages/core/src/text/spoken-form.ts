import { itemAt } from '../faults/certain.ts'
import { piecesOf } from './pieces.ts'
import { pronounced, type Pronunciation } from './pronunciation.ts'
import { TracedText } from './traced-text.ts'
import { wordsOf } from './written-words.ts'

/** A word as it is spoken. */
export interface SaidWord {
  text: string
  /** Which of the written words (`wordsOf`) it stands for. */
  written: number
}

export interface SpokenForm {
  /** What a voice is given. */
  text: string
  /** Its words in order; each written word that is spoken has one or more. */
  words: SaidWord[]
}

/** What decides how a text is spoken. */
export interface SpokenRules {
  /** Numbers, units and signs of one language in words. */
  inWords: (text: TracedText) => TracedText
  /** What a person asked to be said otherwise. */
  pronunciations: readonly Pronunciation[]
}

/** A text as it is spoken by the rules of one language; no words for a text without any. */
export function spokenBy(written: string, rules: SpokenRules): SpokenForm {
  const pieces = piecesOf(written)
  if (pieces.length <= 1) return spokenPiece(written, rules)
  const texts: string[] = []
  const words: SaidWord[] = []
  let before = 0
  for (const { from, to } of pieces) {
    const piece = written.slice(from, to)
    // A word parted in its midst is the same word on both sides.
    const first =
      from > 0 && /^\S/.test(piece) && /\S/.test(written.charAt(from - 1)) ? before - 1 : before
    const spoken = spokenPiece(piece, rules)
    if (spoken.text) texts.push(spoken.text)
    for (const word of spoken.words) words.push({ ...word, written: first + word.written })
    before = first + wordsOf(piece).length
  }
  return { text: texts.join(' '), words }
}

function spokenPiece(written: string, rules: SpokenRules): SpokenForm {
  let said = TracedText.of(written).replace(/\p{Extended_Pictographic}\ufe0f?/gu, ([sign]) =>
    /[\d#*]/.test(sign) ? sign : ' ',
  )
  said = pronounced(said, rules.pronunciations)
  said = rules.inWords(said)
  said = said
    .replace(/(?<=\p{L})\/(?=\p{L})/gu, () => ' ')
    // A typewriter's dash is a breath, not two signs.
    .replace(/\s?--+\s?/g, () => ', ')
    .replace(/[*_`|<>{}\\^~#]/g, () => ' ')
    .replace(/\s+([.,;:!?])/g, ([, mark]) => mark)
    .replace(/\s+/g, () => ' ')
    .replace(/^ | $/g, () => '')
  return { text: said.text, words: saidWords(written, said) }
}

function saidWords(written: string, said: TracedText): SaidWord[] {
  const ends = [...written.matchAll(/\S+/g)].map((match) => match.index + match[0].length)
  let at = 0
  return [...said.text.matchAll(/\S+/g)].map((match) => {
    const origin = said.originOf(match.index)
    while (at < ends.length - 1 && itemAt(ends, at) <= origin) at++
    return { text: match[0], written: at }
  })
}
