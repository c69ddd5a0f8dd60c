import lemmatizer from 'wink-lemmatizer'
import { KEPT_CHARACTERS, keptByText } from '../text/kept-by-text.ts'

/** Endings that make the lemmatizer take a noun for a plural. */
const KEPT = new Set([
  'lens',
  'glass',
  'canvas',
  'gas',
  'bus',
  'atlas',
  'compass',
  'news',
  'species',
  'series',
  'physics',
  'bras',
  'class',
  'mass',
  'moss',
  'grass',
  'brass',
  'cross',
  'boss',
  'dress',
  'always',
  'less',
  'pass',
])

/** British and other spellings folded to one, so that harbour finds harbor. */
function oneSpelling(word: string): string {
  return word
    .replace(/(harb|col|neighb|lab|vap|fl|arm|rum|hon|od|vig|sav)our(?=s|$|ed|ing|y)/, '$1or')
    .replace(/(cent|met|lit|theat|fib|spect|lust|calib|kilomet|centimet)re(s?)$/, '$1er$2')
    .replace(/^gr([e])y/, 'gray')
    .replace(/^plough/, 'plow')
    .replace(/^tyre/, 'tire')
    .replace(/aeroplane/, 'airplane')
}

/** Plurals of the kept words end in -es, of which the lemmatizer takes only the s. */
function singular(word: string): string {
  const stem = word.replace(/es$/, '')
  // "bunches": the lemmatizer has a few such words with their e.
  if (/[nr]ches$/.test(word)) return stem
  return stem !== word && KEPT.has(stem) ? stem : lemmatizer.noun(word)
}

/**
 * The form a word is looked up by: lower case, singular, one spelling.
 *
 * @example lemma('Harbours') // => 'harbor'
 */
export const lemma = keptByText(KEPT_CHARACTERS, (word) => {
  const lower = word.toLowerCase().replace(/['’]s?$/, '')
  return oneSpelling(KEPT.has(lower) || lower.length < 3 ? lower : singular(lower))
})

/**
 * The form a verb is looked up by: turning, turned → turn.
 *
 * @returns the word itself, in lower case, where it is no form of a verb
 */
export function verbLemma(word: string): string {
  return oneSpelling(lemmatizer.verb(word.toLowerCase()))
}
