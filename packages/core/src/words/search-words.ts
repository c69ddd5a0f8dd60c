import nlp from 'compromise'
import type { Lexicon } from './lexicon.ts'
import { lemma, verbLemma } from './lemma.ts'
import { STOP_WORDS } from './stop.ts'

/** One thing to look for, `[0, 1]` heavy; a phrase of several words is kept whole beside its words. */
export interface SearchWord {
  /** As it is looked up: lower case, lemma, words parted by a space. */
  text: string
  weight: number
  /** As it stands in the narration, for underlining; empty when it was borrowed. */
  written: string
}

interface Term {
  text: string
  tags: Set<string>
}

const WORD = /[\p{L}\p{N}][\p{L}\p{N}'’-]*/gu

/**
 * What a sentence has to show: its nouns and noun phrases, then its actions, heaviest first.
 *
 * A noun weighs by how picturable WordNet's commonest sense of it is and by how rarely people say it
 * (a rare word says more); a verb or adjective weighs a fifth of it.
 *
 * @returns `[]` when nothing in the sentence can be looked for
 * @example searchWords('The lighthouse stands on a rock.', lexicon)[0].text // => 'lighthouse'
 */
export function searchWords(text: string, lexicon: Lexicon): SearchWord[] {
  const found = new Map<string, SearchWord>()
  const add = (word: SearchWord) => {
    const known = found.get(word.text)
    if (!known || known.weight < word.weight) found.set(word.text, word)
  }
  for (const run of nounRuns(termsOf(text))) {
    for (const term of run) add(weighed(term, lexicon))
    if (run.length > 1 && run.length < 4) add(phraseOf(run, lexicon))
  }
  for (const term of termsOf(text)) {
    const verb = verbLemma(term.text)
    if (isAction(term) && !STOP_WORDS.has(verb)) add({ text: verb, weight: 0.2, written: term.text })
  }
  return [...found.values()].filter((word) => word.weight > 0.02).sort((a, b) => b.weight - a.weight)
}

function termsOf(text: string): Term[] {
  const sentences = nlp(text).json({ terms: { tags: true } }) as { terms: { text: string; tags: string[] }[] }[]
  return sentences.flatMap(({ terms }) =>
    terms.flatMap(({ text: raw, tags }) => (raw.match(WORD) ?? []).map((word) => ({ text: word, tags: new Set(tags) }))),
  )
}

/** Neighbouring nouns, with the adjectives before them: "whale oil", "bright lamp". */
function nounRuns(terms: Term[]): Term[][] {
  const runs: Term[][] = []
  let run: Term[] = []
  const close = () => {
    while (run.length && !isNoun(run.at(-1)!)) run.pop()
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

const isNoun = ({ tags, text }: Term) =>
  (tags.has('Noun') && !tags.has('Pronoun') && !tags.has('Date') && !/^\d/.test(text)) || tags.has('ProperNoun')
const isDescribing = ({ tags }: Term) => tags.has('Adjective') || tags.has('Gerund')
const isAction = ({ tags }: Term) => tags.has('Verb') && !tags.has('Auxiliary') && !tags.has('Copula') && !tags.has('Modal')

function weighed(term: Term, lexicon: Lexicon): SearchWord {
  const text = lemma(term.text)
  const noun = isNoun(term)
  const shown = lexicon.picturable(text) ?? (term.tags.has('ProperNoun') ? 0.6 : 0.5)
  const rarity = Math.min(1, Math.max(0.35, (6.2 - lexicon.frequency(text)) / 3))
  const weight = STOP_WORDS.has(text) ? 0 : (noun ? 0.15 + 0.85 * shown : 0.2) * rarity
  return { text, weight, written: term.text }
}

function phraseOf(run: Term[], lexicon: Lexicon): SearchWord {
  const words = run.map((term) => weighed(term, lexicon))
  const heaviest = Math.max(...words.map((word) => word.weight))
  return {
    text: words.map((word) => word.text).join(' '),
    weight: Math.min(1, heaviest * 1.1),
    written: run.map((term) => term.text).join(' '),
  }
}
