import {} from '../faults/certain.ts'
import { pattern } from '../text/pattern.ts'
const ASIDES: [RegExp, string][] = [
  [/\s*\((?![^)]*\d{4}\s*[–-])[^()]{3,120}\)/g, ''],
  [/\s+[–—]\s+[^–—]{3,90}\s+[–—]\s+/g, ' '],
  [
    pattern(
      'gi',
      String.raw`,\s+(?:of course|for example|for instance|in fact|indeed|however|moreover|`,
      String.raw`to be sure|as we have seen|as it were|so to speak|on the whole|by the way|`,
      String.raw`incidentally),\s+`,
    ),
    ' ',
  ],
  [
    pattern(
      '',
      String.raw`^(?:However|Moreover|Furthermore|In addition|Additionally|Indeed|In fact|Of course|`,
      String.raw`Nevertheless|Consequently|Overall|Interestingly|Notably|It should be noted that|`,
      String.raw`It is worth noting that|Note that),?\s+`,
    ),
    '',
  ],
  [/\b(?:in order to)\b/g, 'to'],
  [/\bdue to the fact that\b/g, 'because'],
  [/\b(?:a large number of|a great many)\b/g, 'many'],
  [/\bat this point in time\b/g, 'now'],
  [/\bis able to\b/g, 'can'],
  [/\bthe fact that\b/g, 'that'],
]

/** A sentence without its asides and padding; nothing is put in that was not there. */
export function shortened(sentence: string): string {
  const short = ASIDES.reduce((text, [pattern, by]) => text.replace(pattern, by), sentence)
    .replace(/\s+/g, ' ')
    .replace(/ ([,.;:!?])/g, '$1')
    .trim()
  return short ? short.charAt(0).toUpperCase() + short.slice(1) : sentence
}

/** Longer sentences than these are not joined; by hand. */
const JOINED_WORDS = 7
const LOWERED = pattern(
  '',
  String.raw`^(?:It|He|She|They|We|You|The|A|An|This|That|These|Those|There|Its|Their|His|Her|`,
  String.raw`Some|Most|Many|All|Each|Every|No|Nobody|Nothing)\b`,
)

/**
 * Two short statements as one, where that can be done without changing either; undefined otherwise.
 */
export function joined(first: string, second: string): string | undefined {
  if (!/\w\.$/.test(first) || !/\w\.$/.test(second) || /[;:,]/.test(first + second))
    return undefined
  if (
    [first, second].some((sentence) => sentence.split(' ').length > JOINED_WORDS) ||
    !LOWERED.test(second)
  )
    return undefined
  return `${first.slice(0, -1)}, and ${second.charAt(0).toLowerCase()}${second.slice(1)}`
}
