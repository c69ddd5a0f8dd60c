import { UNITS } from '../english-measures.ts'
import { cardinal, decimal, ordinal, type Variant } from '../numbers.ts'

/** What is looked for, and what is said instead of its groups; undefined leaves it as it is. */
export type Rule = [pattern: RegExp, say: (...groups: string[]) => string | undefined]

/** Whether a number as it was written is the one that takes a singular. */
export const isOne = (n: string) => n === '1'

/** Numbers in words, as one variant of English has them. */
export interface InWords {
  variant: Variant
  cardinal: (n: number) => string
  ordinal: (n: number) => string
  /** @param n as written: digits, commas between thousands, a point */
  decimal: (n: string) => string
}

/**
 * How one variant of English says numbers.
 *
 * @example inWords('british').decimal('2.5') // => 'two point five'
 */
export const inWords = (variant: Variant): InWords => ({
  variant,
  cardinal: (n) => cardinal(n, variant),
  ordinal: (n) => ordinal(n, variant),
  decimal: (n) => decimal(n, variant),
})

export const MONTHS =
  'January|February|March|April|May|June|July|August|September|October|November|December'
export const MONTH_NAMES = MONTHS.split('|')
export const NUMBER = String.raw`\d{1,3}(?:,\d{3})+(?:\.\d+)?|\d+(?:\.\d+)?`
export const SCALE = '(hundred|thousand|million|billion|trillion)'
export const UNIT = Object.keys(UNITS)
  .sort((a, b) => b.length - a.length)
  .map((u) => u.replace(/[/.]/g, '\\$&'))
  .join('|')
/** Before a measure they tell that it says of what kind the next word is: a three-kilometre walk. */
export const DETERMINER =
  "an?|the|this|that|each|every|another|his|her|its|their|our|my|your|[a-z]+'s|[a-z]+’s"
/** Behind a measure they tell that it stands for itself: the three kilometres of the coast. */
export const NO_NOUN =
  'of|in|on|at|to|from|by|with|for|and|or|but|nor|per|than|then|as|is|are|was|were|be|been|will|' +
  'would|has|have|had|do|does|did|that|which|who|where|when|while|until|between|above|below|' +
  'behind|before|after|across|along|around|into|over|under|through|up|down|out|off|away|apart|' +
  'ago|later|earlier|more|less|further|deep|north|south|east|west|it|he|she|they|we|you|a|an|the|' +
  'this|these|those|if|so|because|only|alone|together|each|every|high|low|long|wide|tall|thick|' +
  'can|could|may|might|must|should|shall|about|also|still|just|even|not|without|within|towards?'
export const BEFORE_NOUN = String.raw`(?=\s+(?!(?:${NO_NOUN})\b)\p{Ll})`
/** Said of a measure that leads to a noun: a two-metre-tall door. */
export const BEFORE_SIZED = String.raw`(?=\s+(?:high|long|wide|tall|thick|deep)\s+\p{Ll})`
