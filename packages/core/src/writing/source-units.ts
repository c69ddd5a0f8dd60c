import { cleanScript } from '../script/clean.ts'
import { narrationOnly } from '../script/narration.ts'
import { paragraphsOf } from '../script/paragraphs.ts'
import { parseScript } from '../script/parse.ts'
import { sentencesOf } from '../script/sentences.ts'
import { tidyScript } from '../tidy/tidy.ts'
import { lemma } from '../words/lemma.ts'
import { STOP_WORDS } from '../words/stop.ts'
import type { Source } from './brief.ts'
import { leansOnOthers } from './leaning.ts'

/** Sentences of a source that only stand together: one, and those after it that lean on it. */
export interface Unit {
  source: string
  /** Its place among all units, in reading order. */
  at: number
  sentences: string[]
  /** What the source itself calls the part it stands in; empty when it says nothing. */
  heading: string
  terms: Map<string, number>
}

/** A chain longer than this is taken apart: its rest then stands as well as it can. */
const CHAIN = 3
/**
 * Shorter ones say too little to be told by themselves, longer ones cannot be spoken in a breath;
 * by hand.
 */
const FEWEST_WORDS = 4
const MOST_WORDS = 48

/**
 * What can be taken from sources: whole sentences, tidied, with those that lean on them.
 *
 * @returns in the order of the sources; `[]` for sources without a whole sentence
 */
export function unitsOf(sources: readonly Source[]): Unit[] {
  const units: Unit[] = []
  for (const { id, text } of sources) {
    const tidy = tidyScript(cleanScript(text))
    const parsed = parseScript(tidy)
    const narration = narrationOnly(tidy, parsed)
    for (const paragraph of paragraphsOf(narration)) {
      const whole = narration.slice(paragraph.from, paragraph.to)
      let opens = true
      const heading =
        parsed.chapters.findLast(({ source }) => source.to <= paragraph.from)?.title ?? ''
      for (const { from, to } of sentencesOf(whole)) {
        const sentence = whole.slice(from, to).replace(/\s+/g, ' ').trim()
        const last = units.at(-1)
        const leans = leansOnOthers(sentence)
        if (!isUsable(sentence)) continue
        if (!opens && leans && last?.source === id && last.sentences.length < CHAIN)
          last.sentences.push(sentence)
        else
          units.push({
            source: id,
            at: units.length,
            sentences: [sentence],
            heading,
            terms: new Map(),
          })
        opens = false
      }
    }
  }
  for (const unit of units) unit.terms = termsOf(unit.sentences.join(' '))
  return units
}

/**
 * A whole sentence: a capital or figure to begin with, a stop to end with, neither a stub nor a
 * page.
 */
function isUsable(sentence: string): boolean {
  const words = sentence.split(' ').length
  return (
    words >= FEWEST_WORDS &&
    words <= MOST_WORDS &&
    /^["“‘(]?[\p{Lu}\p{N}]/u.test(sentence) &&
    /[.!?…]["”’)]?$/.test(sentence)
  )
}

/** Words of weight with how often they come; plurals and tenses count as one. */
export function termsOf(text: string): Map<string, number> {
  const terms = new Map<string, number>()
  for (const word of text.toLowerCase().match(/\p{L}[\p{L}’'-]+/gu) ?? []) {
    if (STOP_WORDS.has(word)) continue
    const term = lemma(word.replace(/['’]s$/, ''))
    if (term.length > 2) terms.set(term, (terms.get(term) ?? 0) + 1)
  }
  return terms
}
