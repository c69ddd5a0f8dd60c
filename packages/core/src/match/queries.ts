import { entryOf, itemAt } from '../faults/certain.ts'
import type { Lexicon } from '../words/lexicon.ts'
import { type SearchWord, weightShown } from '../words/search-words.ts'
import { addTo, type Vector } from '../words/vectors.ts'
import { directionOf, type FilmReading, readFilm, type SceneReading } from './film-reading.ts'
import { gistOf } from './gist.ts'
import type { SceneToMatch } from './scene-to-match.ts'
import { type Meaning, meaningIn, meantDirection, rarityOf } from './senses.ts'

export interface SceneQuery {
  /** The scene's own words, then what it borrowed; heaviest first. */
  words: SearchWord[]
  /** Everything looked for with its weight, synonyms and wider kinds included. */
  terms: Map<string, number>
  /** The same word by word: each with others that may stand for it, of which the best counts. */
  concepts: Concept[]
  /** What is meant by those of them that could mean several things. */
  meanings: Map<string, Meaning>
  /** Where its words and what stands around them point. */
  direction: Vector
  /** What it says as a whole, in its chapter and film. */
  gist: Vector
  /** What the film is about, and its chapter: words with their weights, the heaviest at 1. */
  subject: ReadonlyMap<string, number>
  chapterSubject: ReadonlyMap<string, number>
  /** Where the film as a whole points, and its chapter. */
  film: Vector
  chapter: Vector
  /** How little it can show of its own: 0 = enough, 1 = nothing. */
  need: number
  /**
   * How much hangs on showing just this: 1 for a sentence that names a thing, less for one that
   * leans on others.
   */
  stake: number
  /** What its pronoun stands for, likeliest first; empty where it rests on none. */
  standing: readonly SearchWord[]
  /** True when it rests on a pronoun: what its other words name stands beside its subject. */
  resting: boolean
}

/** A word and what may stand for it, with weights. */
export interface Concept {
  /** The word itself. */
  text: string
  weight: number
  others: ReadonlyMap<string, number>
  /** True for what the scene does not say itself. */
  borrowed: boolean
}

/** A sense pinned for the whole film, by noun: WordNet's offset. */
export type PinnedSenses = ReadonlyMap<string, string>

/** How much of a word's weight goes to others; worked out on the tuned half of the labelled set. */
const SHARE = {
  synonym: 0.46,
  kind: 0.16,
  narrower: 0.18,
  /** Of what a pronoun stands for, and of the sentence's own words beside that. */
  standing: 0.8,
  besideStanding: 0.55,
  ownStrength: 0.4,
  /**
   * Of the sentence before, after, and two before, of chapter and film, for what a sentence cannot
   * show itself; of the title always.
   */
  before: 0.6,
  after: 0.41,
  twoBefore: 0.27,
  chapter: 0.5,
  film: 0.4,
  title: 0.24,
  /**
   * What is left of the stake of a sentence that shows nothing of its own, and of one whose subject
   * stands elsewhere.
   */
  stakeNeed: 0.68,
  stakeStanding: 1.08,
}
/** A wider kind that people say so often tells nothing: thing, place, group. */
const TOO_GENERAL = 4.9

/**
 * Turns a film into weighted queries: a scene's own words in the sense the film gives them, what
 * its pronouns stand for, synonyms and kinds, and what sentences around, chapter and film are
 * about; the less it can show of its own, the more it borrows.
 */
export function queriesOf(
  scenes: readonly SceneToMatch[],
  lexicon: Lexicon,
  title = '',
  pinned: PinnedSenses = new Map(),
): SceneQuery[] {
  const reading = readFilm(scenes, title, lexicon)
  const said = new Map<string, number>()
  for (const { words } of reading.scenes)
    for (const word of words)
      if (word.names === 'thing') said.set(word.text, (said.get(word.text) ?? 0) + word.weight)
  const film = subjectDirection(reading.subject, said, lexicon, pinned)
  const chapters = new Map(
    reading.scenes.map(({ chapter }) => [
      chapter,
      subjectDirection(chapter, said, lexicon, pinned),
    ]),
  )
  return scenes.map((scene, i) => {
    const { chapter, standing } = itemAt(reading.scenes, i)
    return queryOf(
      scene,
      i,
      reading,
      scenes,
      {
        film,
        chapter: entryOf(chapters, chapter),
        gist: gistOf(textsOf(scene, standing, title), lexicon),
      },
      lexicon,
      pinned,
    )
  })
}

function queryOf(
  scene: SceneToMatch,
  i: number,
  reading: FilmReading,
  scenes: readonly SceneToMatch[],
  worlds: Pick<SceneQuery, 'film' | 'chapter' | 'gist'>,
  lexicon: Lexicon,
  pinned: PinnedSenses,
): SceneQuery {
  const { words, standing, chapter, need } = itemAt(reading.scenes, i)
  const near = (k: number) => (scenes[k]?.chapter === scene.chapter ? reading.scenes[k] : undefined)
  const around = [
    [near(i - 1), SHARE.before],
    [near(i + 1), SHARE.after],
    [near(i - 2), SHARE.twoBefore],
  ] as const
  const terms = new Map<string, number>()
  const meanings = new Map<string, Meaning>()
  const concepts: Concept[] = []
  const heavier = (into: Map<string, number>, text: string, weight: number) =>
    into.set(text, Math.max(into.get(text) ?? 0, weight))
  const add = (
    text: string,
    weight: number,
    others = new Map<string, number>(),
    borrowed = false,
  ) => {
    concepts.push({ text, weight, others, borrowed })
    for (const [word, share] of [[text, weight] as const, ...others]) heavier(terms, word, share)
  }
  const context = (without: string) =>
    contextOf(reading, itemAt(reading.scenes, i), around, lexicon, without)
  const share = standing.length ? SHARE.besideStanding : 1
  for (const word of words) addWithKin(word, scene.picture ? 1.5 : share)
  const strength = words.reduce((sum, word) => sum + (word.names === 'thing' ? word.weight : 0), 0)
  for (const word of standing)
    addWithKin(word, SHARE.standing * (1 - SHARE.ownStrength * Math.min(1, strength)))
  const direction = directionOf(
    [...terms].filter(([text]) => !text.includes(' ')),
    lexicon,
  )
  if (!scene.picture) {
    const borrow = (text: string, weight: number) => add(text, weight, undefined, true)
    for (const [other, weight] of around)
      for (const word of other?.words ?? [])
        if (word.names === 'thing') borrow(word.text, word.weight * weight)
    for (const [text, weight] of chapter) borrow(text, weight * SHARE.chapter)
    for (const [text, weight] of reading.subject) borrow(text, weight * SHARE.film)
    for (const word of reading.title) add(word.text, word.weight * SHARE.title)
  }
  const borrowed = need > 0.4
  return {
    words: borrowed ? withBorrowed(words, terms) : words,
    terms,
    concepts: strongest(concepts),
    meanings,
    subject: reading.subject,
    chapterSubject: chapter,
    direction,
    ...worlds,
    need,
    standing,
    resting: standing.length > 0,
    stake: (1 - (1 - SHARE.stakeNeed) * need) * (standing.length ? SHARE.stakeStanding : 1),
  }

  function addWithKin(word: SearchWord, times: number) {
    if (word.names !== 'thing') return add(word.text, word.weight * times)
    const senses = lexicon.senses(word.text)
    const meaning = meaningIn(word.text, context(word.text), lexicon, pinned.get(word.text))
    const weight = times * (meaning ? weightIn(word, meaning, lexicon) : word.weight)
    if (meaning) meanings.set(word.text, meaning)
    const others = new Map<string, number>()
    senses.forEach((sense, k) => {
      const likely = meaning ? itemAt(meaning.likely, k) : 1
      if (likely < 0.3) return
      const stand = (text: string, share: number) =>
        text !== word.text && heavier(others, text, weight * share * likely)
      for (const other of sense.words.slice(0, 5)) stand(other, SHARE.synonym)
      if (lexicon.picturableSense(sense) < 0.3) return
      for (const other of sense.wider)
        if (lexicon.frequency(other) < TOO_GENERAL) stand(other, SHARE.kind)
      for (const other of sense.narrower) stand(other, SHARE.narrower)
    })
    add(word.text, weight, others)
  }
}

/**
 * What a scene is to be read by as a whole: its direction alone where it has one, else what it
 * says, where, and what its pronoun stands for.
 */
const textsOf = (
  { text, picture, chapterTitle = '' }: SceneToMatch,
  standing: readonly SearchWord[],
  title: string,
): [string, number][] =>
  picture
    ? [[picture, 1]]
    : [text, chapterTitle, title, ...standing.slice(0, 2).map((word) => word.text)].map((part) => [
        part,
        1,
      ])

/** Each word once, as heavy as it is anywhere. */
function strongest(concepts: readonly Concept[]): Concept[] {
  const best = new Map<string, Concept>()
  for (const concept of concepts)
    if ((best.get(concept.text)?.weight ?? -1) < concept.weight) best.set(concept.text, concept)
  return [...best.values()]
}

/** Where a film or chapter points: its words in what they mean there. */
function subjectDirection(
  subject: ReadonlyMap<string, number>,
  said: ReadonlyMap<string, number>,
  lexicon: Lexicon,
  pinned: PinnedSenses,
): Vector {
  const plain = directionOf(subject, lexicon)
  const sum = new Float32Array(plain.length)
  for (const [text, weight] of subject) {
    const meaning = meaningIn(text, directionOf(said, lexicon, text), lexicon, pinned.get(text))
    const direction = meaning
      ? meantDirection(text, meaning, lexicon, plain.length)
      : lexicon.vector(text)
    if (direction) addTo(sum, direction, weight * rarityOf(text, lexicon))
  }
  return sum
}

/** What a noun weighs by how well it can be shown in the meanings it may have here. */
function weightIn(word: SearchWord, { senses, likely }: Meaning, lexicon: Lexicon): number {
  const shown = likely.reduce(
    (sum, p, k) => sum + p * lexicon.picturableSense(itemAt(senses, k)),
    0,
  )
  return Math.max(word.weight * 0.6, weightShown(shown) * (word.rarity ?? word.weight))
}

/**
 * What stands around a word: the rest of its sentence, the sentences beside it, chapter and film.
 */
function contextOf(
  { subject }: FilmReading,
  scene: SceneReading,
  around: readonly (readonly [SceneReading | undefined, number])[],
  lexicon: Lexicon,
  without: string,
): Vector {
  const pairs = (words: readonly SearchWord[]) =>
    words
      .filter(({ text }) => !text.includes(' '))
      .map(({ text, weight }) => [text, weight] as const)
  const sum = directionOf(pairs(scene.words), lexicon, without)
  for (const [other, weight] of around)
    if (other) addTo(sum, directionOf(pairs(other.words), lexicon, without), weight)
  addTo(sum, directionOf(scene.chapter, lexicon, without), 0.5)
  addTo(sum, directionOf(subject, lexicon, without), 0.8)
  return sum
}

function withBorrowed(own: SearchWord[], terms: Map<string, number>): SearchWord[] {
  const known = new Set(own.map((word) => word.text))
  const more = [...terms]
    .filter(([text]) => !known.has(text))
    .sort((a, b) => b[1] - a[1])
    .slice(0, 3)
  return [
    ...own,
    ...more.map(([text, weight]) => ({ text, weight, written: '', names: 'thing' as const })),
  ]
}

/**
 * Words to send to a library's search, narrow first: the heaviest words and phrases of its own,
 * then the heaviest of all.
 */
export function searchesOf({ words, terms }: SceneQuery): string[] {
  const own = words.slice(0, 4).map((word) => word.text)
  const broad = [...terms]
    .sort((a, b) => b[1] - a[1])
    .slice(0, 4)
    .map(([text]) => text)
  return [...new Set([...own, ...broad])].slice(0, 6)
}
