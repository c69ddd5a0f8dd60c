import nlp from 'compromise'
import { itemAt } from '../faults/certain.ts'

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
  return found.map((term, i) => {
    if (isSubject(term, found[i + 1])) return { ...term, tags: new Set(['Noun', 'Plural']) }
    return i > 0 && opensAsVerb(itemAt(found, i - 1)) && !term.tags.has('Preposition')
      ? { ...term, tags: new Set(['Verb', 'PresentTense']) }
      : term
  })
}

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
