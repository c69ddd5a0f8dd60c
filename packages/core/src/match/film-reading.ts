import { certain, entryOf, itemAt } from '../faults/certain.ts'
import { lemma } from '../words/lemma.ts'
import type { Lexicon } from '../words/lexicon.ts'
import { leaningOn, standsFor, type Topic, topicsOf } from '../words/pronouns.ts'
import { type SearchWord, searchWords, searchWordsOf } from '../words/search-words.ts'
import { type Term, termsOf } from '../words/terms.ts'
import { addTo, type Vector } from '../words/vectors.ts'
import type { SceneToMatch } from './scene-to-match.ts'
import { rarityOf } from './senses.ts'

/** What a film says, sentence by sentence and as a whole. */
export interface FilmReading {
  scenes: SceneReading[]
  /**
   * The film's things by how often they return, the heaviest at 1; those of its title count most.
   */
  subject: ReadonlyMap<string, number>
  /** What the title names. */
  title: readonly SearchWord[]
}

export interface SceneReading {
  /** What it names itself. */
  words: SearchWord[]
  /** What its pronoun stands for, likeliest first; empty where it rests on none. */
  standing: SearchWord[]
  /** What its chapter is about, the heaviest at 1. */
  chapter: ReadonlyMap<string, number>
  /** How little it can show of its own: 0 = enough, 1 = nothing. */
  need: number
}

/** So much of its own weight a sentence needs to stand by itself. */
const ENOUGH = 0.8
/** Words that stand for what a film is about; by hand. */
const SUBJECTS = 8
/** Words of the title and the headings, against a word in the narration. */
const TITLE = 2.5
/** A word must weigh so much of the film's heaviest to be meant wherever it stands. */
const CENTRAL = 0.55

/**
 * Reads a film: what each sentence names, what its pronouns stand for, what chapter and film are
 * about.
 */
export function readFilm(
  scenes: readonly SceneToMatch[],
  title: string,
  general: Lexicon,
): FilmReading {
  const said = scenes.map((scene) => termsOf(scene.picture ?? scene.text))
  const lexicon = lexiconOfFilm(said, general)
  const named = title ? searchWords(title, lexicon).filter(({ names }) => names === 'thing') : []
  const titled = named.map((word) => ({ ...word, weight: word.weight * TITLE }))
  const first = subjectOf([titled, ...said.map((terms) => searchWordsOf(terms, lexicon))])
  const meant = new Set([...first].filter(([, weight]) => weight > CENTRAL).map(([text]) => text))
  const own = said.map((terms) => searchWordsOf(terms, lexicon, meant))
  const chapters = new Map<number, Map<string, number>>()
  for (const { chapter, chapterTitle } of scenes) {
    if (chapters.has(chapter)) continue
    const heading = chapterTitle ? [searchWordsOf(termsOf(chapterTitle), lexicon, meant)] : []
    chapters.set(
      chapter,
      subjectOf([...own.filter((_, i) => itemAt(scenes, i).chapter === chapter), ...heading]),
    )
  }
  let before: Topic[] = []
  const read = scenes.map((scene, i): SceneReading => {
    const words = itemAt(own, i)
    const terms = itemAt(said, i)
    const pronoun = scene.picture ? undefined : leaningOn(terms)
    const sameChapter = i > 0 && itemAt(scenes, i - 1).chapter === scene.chapter
    const standing =
      pronoun && before.length
        ? standsFor(
            pronoun,
            sameChapter
              ? before
              : before.map((topic) => ({ ...topic, weight: topic.weight * 0.5 })),
            lexicon,
          ).slice(0, 4)
        : []
    const topics = topicsOf(terms, words)
    const carried = standing.slice(0, 2).map((word): Topic => ({
      ...word,
      place: 'subject',
      many: certain(before.find(({ text }) => text === word.text)).many,
    }))
    before = [...carried, ...topics]
    const strength = words.reduce(
      (sum, word) => sum + (word.text.includes(' ') ? 0 : word.weight),
      0,
    )
    return {
      words,
      standing,
      chapter: entryOf(chapters, scene.chapter),
      need: scene.picture ? 0 : Math.max(0, 1 - strength / ENOUGH),
    }
  })
  return { scenes: read, subject: subjectOf([titled, ...own]), title: named }
}

/**
 * Each doubling of the sentences that have a word makes it so much rarer elsewhere (on the Zipf
 * scale).
 */
const RETURNING = 0.8

/**
 * A common word that returns through a film is what it is about: it tells as much as a rare one.
 */
function lexiconOfFilm(said: readonly (readonly Term[])[], lexicon: Lexicon): Lexicon {
  const counts = new Map<string, number>()
  for (const terms of said)
    for (const word of new Set(terms.map((term) => lemma(term.text))))
      counts.set(word, (counts.get(word) ?? 0) + 1)
  return {
    ...lexicon,
    frequency: (word) => lexicon.frequency(word) - RETURNING * Math.log2(counts.get(word) ?? 1),
  }
}

/** What a stretch of film is about: its words by how often they return, the heaviest at 1. */
function subjectOf(stretches: readonly SearchWord[][]): Map<string, number> {
  const totals = new Map<string, number>()
  for (const words of stretches)
    for (const { text, weight } of words)
      if (!text.includes(' ')) totals.set(text, (totals.get(text) ?? 0) + weight)
  const top = [...totals].sort((a, b) => b[1] - a[1]).slice(0, SUBJECTS)
  const heaviest = top[0]?.[1] ?? 1
  return new Map(top.map(([text, weight]) => [text, weight / heaviest]))
}

/** Where weighted words point together. */
export function directionOf(
  words: Iterable<readonly [text: string, weight: number]>,
  lexicon: Lexicon,
  without?: string,
): Vector {
  const sum = new Float32Array(lexicon.dimensions)
  for (const [text, weight] of words) {
    for (const word of text.split(' ')) {
      const vector = word === without ? undefined : lexicon.vector(word)
      if (vector) addTo(sum, vector, weight * rarityOf(word, lexicon))
    }
  }
  return sum
}
