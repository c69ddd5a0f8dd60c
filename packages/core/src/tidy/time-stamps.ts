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
/** Of a transcript a machine made: who speaks and when, on a line of its own. */
const STAMPED_NAME = new RegExp(
  String.raw`^\s*(?:(\p{Lu}[\p{L}\p{N}'’.-]*(?: [\p{L}\p{N}'’.-]+){0,3}?)\s*[,|–—-]?\s+[[(]?${CLOCK}[\])]?|` +
    String.raw`[[(]?${CLOCK}[\])]?\s*[|–—-]?\s+(\p{Lu}[\p{L}\p{N}'’.-]*(?: [\p{L}\p{N}'’.-]+){0,3}))\s*:?\s*$`,
  'u',
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
 * Lines that say who speaks and when, two at least: of one voice they go, of several the names stay
 * as labels.
 *
 * @returns nothing: what is found is claimed on the page, which may be none of it
 */
export function findStampedNames(page: Page) {
  const { lines } = page
  const found = lines.flatMap((line, i) => {
    const [, before, after] = STAMPED_NAME.exec(line.text) ?? []
    const name = before ?? after
    return name && lines[i + 1]?.text.trim() ? [{ line, name: name.toUpperCase() }] : []
  })
  if (found.length < 2) return
  const several = new Set(found.map(({ name }) => name)).size > 1
  for (const { line, name } of found) {
    const edit = { from: line.from, to: line.to + 1, text: several ? `${name}: ` : '' }
    page.claim(several ? 'speaker' : 'timestamp', [edit])
  }
}

/**
 * Stamps in front of lines or in brackets.
 *
 * @returns nothing: what is found is claimed on the page, which may be none of it
 */
export function findTimestamps(page: Page) {
  for (const found of page.view.matchAll(BRACKETED))
    if (stamps(found[0]) && !isInLabel(page.view, found.index, found[0]))
      page.drop('timestamp', found.index, found.index + found[0].length)
  const leading = page.lines.flatMap((line) => {
    const found = LEADING.exec(line.text)
    return found && !TOLD.test(line.text.slice(found[0].length)) ? [{ line, found }] : []
  })
  // One line that begins with a time may tell it; several, or one that spans two, are stamps.
  const sure = leading.length > 1
  for (const { line, found } of leading)
    if (sure || /^0?0:|[–—-]/.test(itemAt(found, 1))) dropLead(page, line, found[0])
}

/** "Anna [00:02]: …": the stamp goes with the label. */
const isInLabel = (view: string, at: number, stamp: string) =>
  /(?:^|\n)\s*\p{Lu}[\p{L}'’. -]{0,30}$/u.test(view.slice(Math.max(0, at - 40), at)) &&
  (stamp.trimEnd().endsWith(':') ||
    /^\s*:/.test(view.slice(at + stamp.length, at + stamp.length + 3)))

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
