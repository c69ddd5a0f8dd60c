import { lemma } from '../words/lemma.ts'
import type { Lexicon } from '../words/lexicon.ts'
import { addTo, unit, type Vector } from '../words/vectors.ts'

/** A word that makes up so much of English counts half. */
const COMMON = 1e-3

/**
 * What texts say together, whatever the words they say it with: the sum of their words, common ones
 * hardly counting ("smooth inverse frequency", Arora, Liang & Ma 2017, from memory). All their
 * words count, verbs and adjectives too.
 *
 * @param texts with weights
 * @returns of length 1; nothing where no word is known
 */
export function gistOf(
  texts: Iterable<readonly [text: string, weight: number]>,
  lexicon: Lexicon,
): Vector {
  const sum = new Float32Array(lexicon.gistDimensions)
  for (const [text, weight] of texts) {
    for (const written of text.toLowerCase().match(/\p{L}+/gu) ?? []) {
      const known = lexicon.gist(written)
      const word = known ? written : lemma(written)
      const gist = known ?? lexicon.gist(word)
      if (gist) addTo(sum, gist, (weight * COMMON) / (COMMON + shareOf(word, lexicon)))
    }
  }
  return unit(sum)
}

/**
 * Of all words said, how many are this one: the Zipf scale counts them in a thousand million (van
 * Heuven et al. 2014, from memory).
 */
const shareOf = (word: string, lexicon: Lexicon) => 10 ** (lexicon.frequency(word) - 9)
