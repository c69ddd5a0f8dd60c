import type { Vector } from './vectors.ts'

/** One meaning of a noun. */
export interface Sense {
  /** Names it for good: WordNet's offset. */
  id: string
  /** WordNet's lexicographer file, a number that tells animals from things from places. */
  file: number
  /** Words for it, the commonest first, the noun itself among them. */
  words: readonly string[]
  /** What it means, in a sentence. */
  gloss: string
  /** Words for the next wider kinds. */
  wider: readonly string[]
  /** Words for some of its narrower kinds. */
  narrower: readonly string[]
}

/** What the words of a language are known to mean, as far as choosing pictures needs it. */
export interface Lexicon {
  /**
   * 0 = nothing to show (idea, history), 1 = a thing, animal, plant, place or person; undefined =
   * unknown word.
   */
  picturable(noun: string): number | undefined
  /** The same of one meaning. */
  picturableSense(sense: Sense): number
  /** Meanings of a noun, the commonest first. */
  senses(noun: string): readonly Sense[]
  /** Words for the same thing in its commonest sense, without the word itself. */
  synonyms(noun: string): readonly string[]
  /** Zipf frequency, about 1 (very rare) to 7 (the): how often English speakers say it. */
  frequency(word: string): number
  /** Of its vectors. */
  dimensions: number
  /** Of length 1; undefined for a word nobody knows. */
  vector(word: string): Vector | undefined
  /** Of its gists. */
  gistDimensions: number
  /**
   * What a word adds to what a text says as a whole, of length 1; undefined for a word nobody
   * knows.
   */
  gist(word: string): Vector | undefined
}

/** Knows nothing: every noun may be shown, none has a synonym. */
export const emptyLexicon: Lexicon = {
  picturable: () => undefined,
  picturableSense: () => 0.5,
  senses: () => [],
  synonyms: () => [],
  frequency: () => 3,
  dimensions: 1,
  vector: () => undefined,
  gistDimensions: 1,
  gist: () => undefined,
}
