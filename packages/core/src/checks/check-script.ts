import { SCENE_SECONDS_LIMIT, type ParsedScript } from '../script/parse.ts'
import { estimateSeconds } from '../script/estimate.ts'
import { paragraphsOf } from '../script/paragraphs.ts'
import { sentencesOf } from '../script/sentences.ts'
import { spokenText } from '../speech/spoken.ts'
import { chapterBalance } from './chapters.ts'
import { mixedUnits, numeralsAgainstWords } from './figures.ts'
import type { Finding } from './finding.ts'
import { namesSpeltTwoWays } from './names.ts'
import { repeatedPhrases } from './repeats.ts'
import { scriptWords } from './script-words.ts'

/** Everything that can be checked without a dictionary, in the order of the script. */
export function checkScript(script: string, parsed: ParsedScript): Finding[] {
  const words = scriptWords(script, parsed)
  const narration = narrationOnly(script, parsed)
  return [...longSentences(narration), ...repeatedPhrases(words), ...namesSpeltTwoWays(words), ...mixedUnits(narration), ...numeralsAgainstWords(narration), ...chapterBalance(parsed)].sort((a, b) => a.from - b.from)
}

/** The script with everything that is not spoken blanked, letter positions kept. */
export function narrationOnly(script: string, { scenes }: Pick<ParsedScript, 'scenes'>): string {
  let out = ''
  const blank = (text: string) => text.replace(/[^\n]/g, ' ')
  for (const { source, marked } of scenes) {
    // Scenes of one sentence overlap in nothing, but a direction may stand before its scene.
    out += blank(script.slice(out.length, source.from))
    let text = script.slice(out.length, source.to)
    const at = out.length
    for (const { from, to } of marked) if (from >= at && to <= source.to) text = text.slice(0, from - at) + blank(script.slice(from, to)) + text.slice(to - at)
    out += text
  }
  return out + blank(script.slice(out.length))
}

export interface SentenceLength {
  from: number
  to: number
  seconds: number
}

/** Every spoken sentence with the seconds it takes, whatever scenes it is shown as. */
export function sentenceLengths(narration: string): SentenceLength[] {
  return paragraphsOf(narration).flatMap((paragraph) => {
    const whole = narration.slice(paragraph.from, paragraph.to)
    return sentencesOf(whole).flatMap(({ from, to }) => {
      const text = whole.slice(from, to)
      return /[\p{L}\p{N}]/u.test(text) ? [{ from: paragraph.from + from, to: paragraph.from + to, seconds: estimateSeconds(spokenText(text)) }] : []
    })
  })
}

const longSentences = (narration: string): Finding[] =>
  sentenceLengths(narration).flatMap(({ from, to, seconds }): Finding[] => (seconds > SCENE_SECONDS_LIMIT ? [{ kind: 'long', from, to, text: `This sentence takes ${seconds.toFixed(0)} s; over ${SCENE_SECONDS_LIMIT} s it is shown as several scenes.` }] : []))
