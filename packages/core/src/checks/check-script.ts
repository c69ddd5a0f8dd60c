import { estimateSeconds } from '../script/estimate.ts'
import { narrationOnly } from '../script/narration.ts'
import { sentencesIn } from '../script/paragraphs.ts'
import { type ParsedScript, SCENE_SECONDS_LIMIT, SPOKEN } from '../script/parse.ts'
import { roughlySpoken } from '../text/roughly-spoken.ts'
import { chapterBalance } from './chapters.ts'
import { mixedUnits, numeralsAgainstWords } from './figures.ts'
import type { Finding } from './finding.ts'
import { namesSpeltTwoWays } from './names.ts'
import { repeatedPhrases } from './repeats.ts'
import { wordsIn } from './script-words.ts'

/** Everything that can be checked without a dictionary, in the order of the script. */
export function checkScript(script: string, parsed: ParsedScript): Finding[] {
  const narration = narrationOnly(script, parsed)
  const words = wordsIn(narration, parsed)
  return [
    ...longSentences(narration),
    ...repeatedPhrases(words),
    ...namesSpeltTwoWays(words),
    ...mixedUnits(narration),
    ...numeralsAgainstWords(narration),
    ...chapterBalance(parsed),
  ].sort((a, b) => a.from - b.from)
}

export interface SentenceLength {
  from: number
  to: number
  seconds: number
}

/** Every spoken sentence with the seconds it takes, whatever scenes it is shown as. */
export function sentenceLengths(narration: string): SentenceLength[] {
  return sentencesIn(narration).flatMap(({ from, to }) => {
    const text = narration.slice(from, to)
    return SPOKEN.test(text) ? [{ from, to, seconds: estimateSeconds(roughlySpoken(text)) }] : []
  })
}

const longSentences = (narration: string): Finding[] =>
  sentenceLengths(narration).flatMap(({ from, to, seconds }): Finding[] =>
    seconds > SCENE_SECONDS_LIMIT
      ? [
          {
            kind: 'long',
            from,
            to,
            text: `This sentence takes ${seconds.toFixed(0)} s; over ${SCENE_SECONDS_LIMIT} s it is shown as several scenes.`,
          },
        ]
      : [],
  )
