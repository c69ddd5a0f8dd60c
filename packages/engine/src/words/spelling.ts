import american from 'dictionary-en'
import british from 'dictionary-en-gb'
import nspell, { type NSpell } from 'nspell'

export interface Misspelling {
  word: string
  suggestions: string[]
}

let dictionaries: NSpell[] | undefined

/**
 * British and American spelling, as the Debian-known Hunspell dictionaries have them; built at
 * first use, some tenths of a second.
 */
function load(): NSpell[] {
  dictionaries ??= [british, american].map((dictionary) =>
    nspell({ aff: Buffer.from(dictionary.aff), dic: Buffer.from(dictionary.dic) }),
  )
  return dictionaries
}

const judged = new Map<string, boolean>()

/**
 * Words that neither British nor American spelling knows, each once.
 *
 * @param words as they are written
 * @param allowed words of the channel and the film; their plurals and possessives count as known
 */
export function misspellings(words: readonly string[], allowed: readonly string[]): Misspelling[] {
  const known = new Set(allowed.map((word) => word.toLowerCase()))
  const distinct = [
    ...new Set(
      words.map((word) =>
        word.replace(/[’]/g, "'").replace(/'s$|'$|s'$/, (end) => (end === "s'" ? 's' : '')),
      ),
    ),
  ]
  return distinct
    .filter(
      (word) =>
        isWord(word) &&
        !known.has(word.toLowerCase()) &&
        !known.has(word.toLowerCase().replace(/s$/, '')) &&
        !correct(word),
    )
    .map((word) => ({ word, suggestions: suggestions(word) }))
}

/** Numbers, initials and words of one letter are no spelling matter. */
const isWord = (word: string) => /^\p{L}[\p{L}'-]+$/u.test(word) && word !== word.toUpperCase()

function correct(word: string): boolean {
  let right = judged.get(word)
  if (right === undefined) {
    if (judged.size > 100_000) judged.clear()
    right =
      load().some(
        (dictionary) => dictionary.correct(word) || dictionary.correct(word.toLowerCase()),
      ) ||
      (word.includes('-') && word.split('-').every((part) => part.length < 2 || correct(part)))
    judged.set(word, right)
  }
  return right
}

const suggestions = (word: string) =>
  [...new Set(load().flatMap((dictionary) => dictionary.suggest(word)))].slice(0, 5)
