import { wordList } from '../../text/pattern.ts'

/**
 * Words that lean on the next one: BBC guidelines part neither article nor preposition from its
 * noun.
 */
export const BOUND = new Set(
  wordList(`
    a an the of to in on at by for from with into over under and or but nor its his her
    their our your my this that these those is was are were be no not very more most as than
    dr mr mrs every each some any many few several
    one two three four five six seven eight nine ten eleven twelve fifteen twenty thirty forty
    fifty sixty seventy eighty ninety hundred thousand million billion
  `),
)

/** True where a word leans on the next one: a figure leans on what it counts. */
export const leans = (word: string): boolean =>
  BOUND.has(word.toLowerCase()) || /^[£$€]?\d[\d.,]*$/.test(word)
