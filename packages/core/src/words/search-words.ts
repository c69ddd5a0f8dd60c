import { entryOf, lastOf } from '../faults/certain.ts'
import { figuresOf } from './figures.ts'
import { lemma, verbLemma } from './lemma.ts'
import type { Lexicon } from './lexicon.ts'
import { STOP_WORDS } from './stop.ts'
import { isAction, isDescribing, isNoun, type Term, termsOf } from './terms.ts'

/**
 * One thing to look for, `[0, 1]` heavy; a phrase of several words is kept whole beside its words.
 */
export interface SearchWord {
  /** As it is looked up: lower case, lemma, words parted by a space. */
  text: string
  weight: number
  /** As it stands in the narration, for underlining; empty when it was borrowed. */
  written: string
  /** What it names: a thing (one noun), a phrase of several words, something done, or a quality. */
  names: 'thing' | 'phrase' | 'action' | 'quality'
  /** For a thing: what it would weigh if it could be shown perfectly. */
  rarity?: number
}

/** How much of a word's weight is left where it is not meant as it stands. */
const FIGURATIVE = { idiom: 0.02, likeness: 0.1, measure: 0.2 }

/**
 * What a sentence has to show: its nouns and noun phrases, then its actions, heaviest first.
 *
 * A noun weighs by how picturable WordNet's commonest sense of it is and by how rarely people say
 * it (a rare word says more); a verb or adjective weighs a fifth of it. A word that stands in a
 * figure of speech hardly counts.
 *
 * @returns `[]` when nothing in the sentence can be looked for
 * @example searchWords('The lighthouse stands on a rock.', lexicon)[0].text // => 'lighthouse'
 */
export const searchWords = (text: string, lexicon: Lexicon): SearchWord[] =>
  searchWordsOf(termsOf(text), lexicon)

/**
 * The same of a text whose terms are known.
 *
 * @param meant words that are meant whatever phrase they stand in: what the film is about
 */
export function searchWordsOf(
  terms: readonly Term[],
  lexicon: Lexicon,
  meant: ReadonlySet<string> = new Set(),
): SearchWord[] {
  const shares = literalShares(terms, meant)
  const found = new Map<string, SearchWord>()
  const add = (word: SearchWord, share: number) => {
    const known = found.get(word.text)
    if (!known || known.weight < word.weight * share)
      found.set(word.text, {
        ...word,
        weight: word.weight * share,
        ...(word.rarity === undefined ? {} : { rarity: word.rarity * share }),
      })
  }
  for (const run of nounRuns(terms)) {
    const share = Math.min(...run.map((term) => entryOf(shares, term)))
    for (const term of run) add(weighed(term, lexicon), entryOf(shares, term))
    if (run.length > 1 && run.length < 4) add(phraseOf(run, lexicon), share)
  }
  for (const term of terms) {
    const verb = verbLemma(term.text)
    if (isAction(term) && !STOP_WORDS.has(verb))
      add(
        { text: verb, weight: ACTION, written: term.text, names: 'action' },
        entryOf(shares, term),
      )
  }
  return [...found.values()]
    .filter((word) => word.weight > 0.02)
    .sort((a, b) => b.weight - a.weight)
}

/** Weight of a deed beside the thing that does it; tuned half. */
const ACTION = 0.2

/** 1 for a word that is meant as it stands, less for one in a figure of speech. */
function literalShares(terms: readonly Term[], meant: ReadonlySet<string>): Map<Term, number> {
  const shares = new Map(terms.map((term) => [term, 1]))
  for (const { from, to, kind } of figuresOf(terms)) {
    for (const term of terms.slice(from, to)) {
      if (kind !== 'likeness' && meant.has(lemma(term.text))) continue
      shares.set(term, Math.min(entryOf(shares, term), FIGURATIVE[kind]))
    }
  }
  return shares
}

/** Neighbouring nouns, with the adjectives before them: "whale oil", "bright lamp". */
function nounRuns(terms: readonly Term[]): Term[][] {
  const runs: Term[][] = []
  let run: Term[] = []
  const close = () => {
    while (run.length && !isNoun(lastOf(run))) run.pop()
    if (run.length) runs.push(run)
    run = []
  }
  for (const term of terms) {
    const usable = !STOP_WORDS.has(term.text.toLowerCase()) && term.text.length > 1
    if (usable && (isNoun(term) || isDescribing(term))) run.push(term)
    else close()
  }
  close()
  return runs
}

/** What a noun weighs by how well it can be shown, 0 to 1, before its rarity. */
export const weightShown = (shown: number) => 0.15 + 0.85 * shown

function weighed(term: Term, lexicon: Lexicon): SearchWord {
  const text = lemma(term.text)
  const noun = isNoun(term)
  const shown = lexicon.picturable(text) ?? (term.tags.has('ProperNoun') ? 0.6 : 0.5)
  const rarity = Math.min(1, Math.max(0.35, (6.2 - lexicon.frequency(text)) / 3))
  const weight = STOP_WORDS.has(text) ? 0 : (noun ? weightShown(shown) : 0.2) * rarity
  return { text, weight, written: term.text, names: noun ? 'thing' : 'quality', rarity }
}

function phraseOf(run: Term[], lexicon: Lexicon): SearchWord {
  const words = run.map((term) => weighed(term, lexicon))
  const heaviest = Math.max(...words.map((word) => word.weight))
  return {
    text: words.map((word) => word.text).join(' '),
    weight: Math.min(1, heaviest * 1.1),
    written: run.map((term) => term.text).join(' '),
    names: 'phrase',
  }
}
