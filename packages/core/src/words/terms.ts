import nlp from 'compromise'
import { itemAt } from '../faults/certain.ts'
import { verbLemma } from './lemma.ts'

/** A word of a text with its parts of speech, as the tagger sees them. */
export interface Term {
  text: string
  tags: ReadonlySet<string>
  /** True where a comma, stop or dash stands before it. */
  afterBreak: boolean
}

const WORD = /[\p{L}\p{N}][\p{L}\p{N}'’-]*/gu

/** The words of a text in order, hyphenated ones whole. */
export function termsOf(text: string): Term[] {
  const sentences = nlp(text).json({ terms: { tags: true } }) as {
    terms: { text: string; tags: string[]; pre: string; post: string }[]
  }[]
  let afterBreak = true
  const found = sentences.flatMap(({ terms }) =>
    terms.flatMap(({ text: raw, tags, pre, post }) => {
      const broken = afterBreak || /[,;:.–—(-]/.test(pre)
      afterBreak = /[,;:.!?–—)-]/.test(post)
      return (raw.match(WORD) ?? []).map((word, i) => ({
        text: word,
        tags: new Set(tags),
        afterBreak: broken && i === 0,
      }))
    }),
  )
  return withDeeds(
    found.map((term, i) => {
      if (isSubject(term, found[i + 1])) return { ...term, tags: new Set(['Noun', 'Plural']) }
      return i > 0 && opensAsVerb(itemAt(found, i - 1)) && !term.tags.has('Preposition')
        ? { ...term, tags: DOES }
        : term
    }),
  )
}

const DOES: ReadonlySet<string> = new Set(['Verb', 'PresentTense'])

/**
 * "The crew ducks under …", "while the city sleeps": a plural that the tagger sees right behind a
 * singular and its article, in a clause without another verb, is what that one does.
 */
function withDeeds(terms: readonly Term[]): Term[] {
  const done = [...terms]
  terms.forEach((term, i) => {
    if (isDeed(done, i)) done[i] = { ...term, tags: DOES }
  })
  return done
}

function isDeed(terms: readonly Term[], i: number): boolean {
  const [before, term, after] = [terms[i - 1], itemAt(terms, i), terms[i + 1]]
  if (!before || term.afterBreak || !term.tags.has('Plural')) return false
  // "The shop windows": some plurals are no form of a verb.
  if (verbLemma(term.text) === term.text.toLowerCase()) return false
  const isAlone = !after || after.afterBreak || !(isNoun(after) || after.text === 'of')
  if (!isAlone || !isNoun(before) || before.tags.has('Plural')) return false
  let first = i - 1
  while (first > 0 && (isNoun(itemAt(terms, first)) || isDescribing(itemAt(terms, first)))) first--
  if (!ARTICLE.test(itemAt(terms, first).text)) return false
  let end = i + 1
  while (end < terms.length && !endsClause(itemAt(terms, end))) end++
  return !terms.slice(first, end).some(({ tags }) => tags.has('Verb'))
}

const ARTICLE = /^(?:an?|the|this|that|each|every|its|his|her|their|our|my|your|no|one)$/i
const endsClause = ({ afterBreak, tags, text }: Term) =>
  afterBreak ||
  tags.has('Conjunction') ||
  /^(?:where|when|while|which|who|that|how|why)$/i.test(text)

/**
 * "Cranes lift …": no English sentence opens with the third person of a verb, so it is a plural
 * noun and the verb follows.
 */
const opensAsVerb = ({ text, tags }: Term) =>
  /^\p{Lu}.*[^s]s$/u.test(text) &&
  tags.has('PresentTense') &&
  !tags.has('Copula') &&
  !tags.has('Auxiliary')

/** A plural where a clause begins that the tagger took for a verb. */
const isSubject = (term: Term, next: Term | undefined) =>
  term.afterBreak &&
  (opensAsVerb(term) ||
    (term.tags.has('Verb') &&
      /[^s]s$/.test(term.text) &&
      Boolean(next?.tags.has('Verb')) &&
      !term.tags.has('Copula') &&
      !term.tags.has('Auxiliary')))

export const isNoun = ({ tags, text }: Term) =>
  (tags.has('Noun') && !tags.has('Pronoun') && !tags.has('Date') && !/^\d/.test(text)) ||
  tags.has('ProperNoun')
export const isDescribing = ({ tags }: Term) => tags.has('Adjective') || tags.has('Gerund')
export const isAction = ({ tags }: Term) =>
  tags.has('Verb') && !tags.has('Auxiliary') && !tags.has('Copula') && !tags.has('Modal')
