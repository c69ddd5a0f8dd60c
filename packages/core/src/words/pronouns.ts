import { lemma } from './lemma.ts'
import type { Lexicon } from './lexicon.ts'
import type { SearchWord } from './search-words.ts'
import { isNoun, type Term } from './terms.ts'

const ONE = new Set(['it', 'its', 'this', 'that', 'itself'])
const MANY = new Set([
  'they',
  'them',
  'their',
  'theirs',
  'these',
  'those',
  'both',
  'some',
  'none',
  'each',
  'others',
  'themselves',
])
const LIVING = new Set(['he', 'him', 'his', 'she', 'her', 'hers', 'himself', 'herself'])
/** WordNet's files of what is called he or she here: persons and animals. */
const LIVING_FILES = new Set([5, 18])
/**
 * What a sentence is about stands before its verb; what follows a preposition is mentioned in
 * passing.
 */
const PLACE = { subject: 1, object: 0.7, aside: 0.45 }
/**
 * What is left of a thing as the meaning of "they" when it is one, or of "it" when it is many; by
 * hand.
 */
const OTHER_NUMBER = 0.4
/** The same of a lifeless thing as the meaning of "she" or "he". */
const LIFELESS = 0.15
/** Nobody calls a person so. */
const IT = new Set(['it', 'its', 'itself'])
const PERSON = 18
const NEVER = 0.15

/** A thing a sentence speaks of, that a later pronoun may stand for. */
export interface Topic extends SearchWord {
  many: boolean
  place: keyof typeof PLACE
}

/**
 * The pronoun a sentence rests on: one that comes before the first thing it names itself.
 *
 * @returns undefined for a sentence that stands by itself
 */
export function leaningOn(terms: readonly Term[]): string | undefined {
  const isFronted = terms[0]?.tags.has('Preposition')
  for (const [i, term] of terms.entries()) {
    const word = term.text.toLowerCase()
    const next = terms[i + 1]
    const pointing = [
      'this',
      'that',
      'these',
      'those',
      'some',
      'both',
      'each',
      'none',
      'its',
      'their',
      'his',
      'her',
    ].includes(word)
    // "These widen": the tagger takes what follows for a noun though no noun can stand there in the
    // singular.
    const owns =
      next && isNoun(next) && !(['these', 'those'].includes(word) && !next.tags.has('Plural'))
    if (LIVING.has(word) || ONE.has(word) || MANY.has(word)) {
      if (!pointing || !owns || ['its', 'their', 'his', 'her'].includes(word))
        return word === 'that' && i > 0 ? undefined : word
      // "At night they look …": what stands before the subject says when or where.
    } else if (isFronted ? term.tags.has('Verb') : isNoun(term)) return undefined
  }
  return undefined
}

/** What a sentence speaks of, with the place it gives to each thing. */
export function topicsOf(terms: readonly Term[], words: readonly SearchWord[]): Topic[] {
  const weights = new Map(words.map((word) => [word.text, word]))
  let place: Topic['place'] = 'subject'
  const topics: Topic[] = []
  for (const term of terms) {
    if (term.tags.has('Verb') && place === 'subject' && topics.length) place = 'object'
    if (term.tags.has('Preposition'))
      place = place === 'subject' && !topics.length ? 'subject' : 'aside'
    if (term.afterBreak && place === 'aside') place = 'object'
    const word = weights.get(lemma(term.text))
    if (word && isNoun(term)) topics.push({ ...word, place, many: term.tags.has('Plural') })
  }
  return topics
}

/**
 * What a pronoun stands for, likeliest first, weighing from 0 to 1.
 *
 * @param before topics of the sentence before
 */
export function standsFor(
  pronoun: string,
  before: readonly Topic[],
  lexicon: Lexicon,
): SearchWord[] {
  const fits = (topic: Topic) => {
    const living = lexicon
      .senses(topic.text)
      .slice(0, 4)
      .some(({ file }) => LIVING_FILES.has(file))
    const isPerson = lexicon.senses(topic.text)[0]?.file === PERSON
    if (IT.has(pronoun) && isPerson) return NEVER
    const number = ONE.has(pronoun) === !topic.many || LIVING.has(pronoun) ? 1 : OTHER_NUMBER
    return number * (LIVING.has(pronoun) && !living ? LIFELESS : 1)
  }
  return before
    .map((topic): SearchWord => ({
      text: topic.text,
      written: '',
      names: topic.names,
      ...(topic.rarity ? { rarity: topic.rarity } : {}),
      weight: Math.max(0.45, topic.weight) * PLACE[topic.place] * fits(topic),
    }))
    .sort((a, b) => b.weight - a.weight)
}
