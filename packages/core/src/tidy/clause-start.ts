import { certain, itemAt } from '../faults/certain.ts'
import { pattern, wordList } from '../text/pattern.ts'
const PRONOUN = pattern(
  'i',
  String.raw`^(?:it|he|she|they|we|you|i|this|that|these|those|there|nobody|nothing|everybody|`,
  String.raw`everything|somebody|something|no one|everyone|someone|one|each|all|most|many|some|`,
  String.raw`both)\b`,
)
/** Words that open a clause before its subject: "from that moment on", "when the tide turned,". */
const OPENER = pattern(
  'i',
  String.raw`^(?:in|on|at|by|from|for|with|without|after|before|until|since|during|over|under|`,
  String.raw`within|as|when|if|today|then|now|soon|later|once|even|still|only|perhaps|instead|`,
  String.raw`sometimes|eventually|finally|suddenly)\b`,
)
/** Words of an opening clause that are looked at; by hand. */
const OPENER_WORDS = 12
const NOUN_START = pattern(
  'u',
  String.raw`^(?:the|a|an|its|their|our|his|her|your|my|every|each|no|some|many|most|all|both|`,
  String.raw`one|two|three|four|five|several|few|another|any|such|whoever|whatever|what|`,
  String.raw`\p{Lu}\p{L}+)\b`,
)
const FINITE = new Set(
  wordList(`
    is are was were has have had can could will would must may might shall should does did
    do goes went gets got made makes came comes took takes gave gives saw sees knew knows
    stood stands fell falls ran runs kept keeps held holds left leaves lay lies rose rises
    cut cuts put puts set sets let lets lost loses found finds felt feels began begins
    became becomes broke breaks brought brings built builds bought carries cost costs drew
    drives drove drifts grew grows heard hears hit hits led leads met meets needs needed
    paid pays said says sank sinks sat sits sent sends shone shines shows sold sang slept
    spoke spends spent spread stuck struck swung taught thought threw told turned turns
    understood used uses wanted wants went won wrote works worked happens happened means
    meant seems seemed stays stayed never always cannot isn’t wasn’t aren’t weren’t doesn’t
    didn’t don’t won’t can’t couldn’t wouldn’t
  `),
)
const BE = /n['’]t$/
/** A verb by its shape; nouns in -s and adjectives in -ed are told apart by what precedes them. */
const SHAPED = /^\p{Ll}{2,}(?:ed|es|s)$/u
const PREPOSITION =
  /^(?:of|for|in|on|with|to|by|at|from|under|over|into|between|through|after|before|about)$/i
const NO_VERB = new Set(
  'its his this us as thus across its towards perhaps besides whereas yes'.split(' '),
)
/** "under which the third party grants": a clause, but none that stands by itself. */
const RELATIVE = /^(?:\p{L}+\s+)?(?:which|whom|whose|who)\b/iu
const NOT_VERBS = /(?:ss|us|is|ous|ness|less|ings)$/

/**
 * Whether a stretch begins with a clause that can stand as a sentence: a subject, and soon a finite
 * verb.
 *
 * @example startsClause('the keeper slept badly') // => true
 * @example startsClause('three barrels of oil') // => false
 */
export function startsClause(text: string): boolean {
  if (RELATIVE.test(text)) return false
  if (!OPENER.test(text)) return begins(text)
  const ends = [...text.matchAll(/\s+/g)]
    .slice(0, OPENER_WORDS)
    .map(({ index, 0: space }) => index + space.length)
  return ends.some((at) => begins(text.slice(at)))
}

function begins(text: string): boolean {
  const words = (certain(/^[^,;:.!?–—]*/.exec(text))[0].match(/[\p{L}’'-]+/gu) ?? []).slice(0, 9)
  if (PRONOUN.test(text)) return hasVerb(words, 1, 4)
  return NOUN_START.test(text) && hasVerb(words, 2, 9)
}

function hasVerb(words: readonly string[], from: number, to: number): boolean {
  return words.slice(from, to).some((word, i) => {
    if (FINITE.has(word) || BE.test(word)) return true
    // After a preposition a word in -s or -ed may as well be a noun or an adjective.
    if (NO_VERB.has(word) || words.slice(0, from + i).some((one) => PREPOSITION.test(one)))
      return false
    const before = itemAt(words, from + i - 1)
    return (
      SHAPED.test(word) &&
      !NOT_VERBS.test(word) &&
      !/^(?:the|a|an|of|its|their|our|his|her|in|on|and|or|by|with|from|to|at|for)$/i.test(before)
    )
  })
}

const SUBORDINATE = pattern(
  'i',
  String.raw`^["“(]?(?:(?:but|and|so|yet|then|even|only|just)\s+)?(?:if|when|whenever|while|`,
  String.raw`because|although|though|as|since|once|before|after|unless|until|where|wherever|`,
  String.raw`whether|provided|whoever|whatever|for example, if|in case|however, if)\b`,
)
/** The first half of a pair that the second half must stand with. */
const HALF_OPEN: [RegExp, RegExp][] = [
  [/\beither\b/i, /\bor\b/i],
  [/\bneither\b/i, /\bnor\b/i],
  [/\bboth\b/i, /\band\b/i],
  [/\bnot only\b/i, /\bbut\b/i],
  [/\bwhether\b/i, /\bor\b/i],
  [/\bbetween\b/i, /\band\b/i],
]

/**
 * Whether the beginning of a sentence says something whole by itself: no "if" still waiting for its
 * "then", no "either" for its "or".
 *
 * @example standsAlone('If the wind turns') // => false
 * @example standsAlone('If the wind turns, the ship must wait') // => true
 */
export function standsAlone(text: string): boolean {
  if (
    HALF_OPEN.some(([open, close]) => open.test(text) && !close.test(text.slice(text.search(open))))
  )
    return false
  if (!SUBORDINATE.test(text)) return true
  return [...text.matchAll(/,\s+(?:then\s+)?/g)].some(
    ({ index, 0: comma }) => index > 8 && startsClause(text.slice(index + comma.length)),
  )
}

/**
 * Whether a stretch begins with a subject nobody can take for part of a list: "it was", "nobody
 * knew".
 */
export const startsWithPronoun = (text: string) =>
  /^(?:it|he|she|they|we|you|there|nobody|nothing|everybody|everything|somebody)\s/i.test(text) &&
  startsClause(text)
