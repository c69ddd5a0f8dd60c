import { itemAt } from '../faults/certain.ts'
import { findBullets } from './bullets.ts'
import { findCalls } from './calls.ts'
import { type TidyChange, withChanges } from './change.ts'
import { findCounting } from './counting.ts'
import { findDirectionLines, findDirections } from './directions.ts'
import { findDoubledWords } from './doubled-words.ts'
import { findEmoji } from './emoji.ts'
import { findHeadings } from './headings.ts'
import { unasked } from './kinds.ts'
import { findCredits, findLinks } from './links.ts'
import { findLongSentences } from './long-sentences.ts'
import { findMarkdown } from './markdown.ts'
import { findNotes } from './notes.ts'
import { Page } from './page.ts'
import { findPunctuation } from './punctuation.ts'
import { findReferences } from './references.ts'
import { findSceneNumbers } from './scene-numbers.ts'
import { findShortForms } from './short-forms.ts'
import { findSpeakers } from './speakers.ts'
import { findTables } from './tables.ts'
import { findCues, findStampedNames, findTimestamps } from './time-stamps.ts'
import { findDashes, findQuotes } from './typography.ts'

/**
 * In order: what takes whole lines before what takes words, what is taken out before what is
 * reworded.
 */
const STEPS = [
  findCues,
  findStampedNames,
  findNotes,
  findReferences,
  findTables,
  findSceneNumbers,
  findCredits,
  findDirectionLines,
  findCounting,
  findHeadings,
  findTimestamps,
  findSpeakers,
  findDirections,
  findBullets,
  findLinks,
  findEmoji,
  findMarkdown,
  findCalls,
  findQuotes,
  findDashes,
  findShortForms,
  findDoubledWords,
  findPunctuation,
  findLongSentences,
]

/**
 * Everything in a script that should not be spoken as it stands, each with its proposed change.
 *
 * @param script as `cleanScript` returns it
 * @returns changes in the order of the script, apart from each other, so that any choice of them
 *   can be
 *          carried out with `withChanges`; `[]` for a script that is fine
 * @example tidyChanges('HOST: The the sea.').map(({ kind, before, after }) => [kind, before, after])
 * // => [['speaker', 'HOST:', ''], ['doubled', 'The the', 'The']]
 */
export function tidyChanges(script: string): TidyChange[] {
  const page = new Page(script)
  for (const step of STEPS) step(page)
  return page.changes.sort((a, b) => itemAt(a.edits, 0).from - itemAt(b.edits, 0).from)
}

/**
 * The script with every proposed change carried out that need not be asked for.
 *
 * @returns the script itself where there is nothing to tidy
 */
export const tidyScript = (script: string): string =>
  withChanges(script, unasked(tidyChanges(script)))
