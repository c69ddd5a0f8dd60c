import { itemAt } from '../faults/certain.ts'
import type { Line, Page } from './page.ts'

const CLOCK = String.raw`\d{1,2}:\d\d(?::\d\d)?(?:[.,]\d{1,3})?`
const SPAN = String.raw`${CLOCK}(?:\s*(?:[–—-]+>?|→|to)\s*${CLOCK})?`
const CUE = new RegExp(
  String.raw`^(?:\s{0,40}WEBVTT.*\n)?(?:\s{0,40}\d+\s{0,40}\n)?\s{0,40}${CLOCK}\s{0,40}-->\s{0,40}${CLOCK}.*(?:\n|$)`,
  'gm',
)
const BRACKETED = new RegExp(String.raw`[[(]\s*${SPAN}\s*[\])](?:\s*[–—:-](?=\s))?`, 'g')
const LEADING = new RegExp(
  String.raw`^\s*(?:\*\*)?(${SPAN})(?:\*\*)?(?:\s*[–—|:-](?=\s)|(?=\s|$))\s*`,
)
/** "6:30 in the morning", "11:40 was too late": a time that is told. */
const TOLD = /^\s*(a\.?m|p\.?m|o'?clock|in the|on the|at night|is\b|was\b|sharp|and\b|or\b)/i

/**
 * Numbers and times of subtitles.
 *
 * @returns nothing: what is found is claimed on the page, which may be none of it
 */
export function findCues(page: Page) {
  for (const found of page.view.matchAll(CUE))
    page.drop('timestamp', found.index, found.index + found[0].length)
}

/**
 * Stamps in front of lines or in brackets.
 *
 * @returns nothing: what is found is claimed on the page, which may be none of it
 */
export function findTimestamps(page: Page) {
  for (const found of page.view.matchAll(BRACKETED))
    if (stamps(found[0])) page.drop('timestamp', found.index, found.index + found[0].length)
  const leading = page.lines.flatMap((line) => {
    const found = LEADING.exec(line.text)
    return found && !TOLD.test(line.text.slice(found[0].length)) ? [{ line, found }] : []
  })
  // One line that begins with a time may tell it; several, or one that spans two, are stamps.
  const sure = leading.length > 1
  for (const { line, found } of leading)
    if (sure || /^0?0:|[–—-]/.test(itemAt(found, 1))) dropLead(page, line, found[0])
}

/** A single time in round brackets inside a sentence is told: "the last train (23:40)". */
const stamps = (found: string) =>
  found.startsWith('[') ||
  /^\(\s*0/.test(found) ||
  /[–—-]/.test(found) ||
  /^\(\s*\d:\d\d\s*\)$/.test(found)

const dropLead = (page: Page, line: Line, lead: string) =>
  page.drop(
    'timestamp',
    line.from + (lead.length - lead.trimStart().length),
    line.from + lead.length,
  )
