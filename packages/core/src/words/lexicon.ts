/** What the words of a language are known to mean, as far as choosing pictures needs it. */
export interface Lexicon {
  /** 0 = nothing to show (idea, history), 1 = a thing, animal, plant, place or person; undefined = unknown word. */
  picturable(noun: string): number | undefined
  /** Words for the same thing in its commonest sense, without the word itself. */
  synonyms(noun: string): readonly string[]
  /** Words for the next wider kind: lighthouse → tower. */
  kinds(noun: string): readonly string[]
  /** Zipf frequency, about 1 (very rare) to 7 (the): how often English speakers say it. */
  frequency(word: string): number
}

/** Knows nothing: every noun may be shown, none has a synonym. */
export const emptyLexicon: Lexicon = {
  picturable: () => undefined,
  synonyms: () => [],
  kinds: () => [],
  frequency: () => 3,
}
