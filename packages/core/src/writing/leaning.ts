import { pattern } from '../text/pattern.ts'
const LEANS = pattern(
  'i',
  String.raw`^(?:it|its|he|she|they|them|their|his|her|this|that|these|those|such|both|here|`,
  String.raw`there|so|but|and|or|yet|then|however|instead|also|therefore|thus|still|even so|`,
  String.raw`for example|for instance|as a result|in other words|on the other hand|similarly|`,
  String.raw`finally|later|afterwards|one of them|another|the (?:other|former|latter|second|`,
  String.raw`third|same|result|answer|reason))\b`,
)

/**
 * Whether a sentence needs the one before it.
 *
 * @returns true for one that begins with a pronoun or goes on from the one before
 */
export const leansOnOthers = (sentence: string) => LEANS.test(sentence)
