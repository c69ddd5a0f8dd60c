import { sentencesOf } from '../script/sentences.ts'
import { pattern } from '../text/pattern.ts'
import type { Page } from './page.ts'

const IMAGE = /!\[([^\]\n]{0,500})\]\([^)\n]{0,2000}\)/g
const LINK = /\[([^\]\n]{1,500})\]\(([^)\s]{0,2000})(?:\s+"[^"]{0,500}")?\)/g
const REFERENCE = /\[([^\]\n]{1,500})\]\[[^\]\n]{0,500}\]/g
const ADDRESS = /<?\b(?:https?:\/\/|www\.)[^\s<>()[\]“”"]*[^\s<>()[\]“”".,;:!?'’]>?/gi
/** "[Image: example.org]": where a picture came from. */
const CREDIT = pattern(
  'gi',
  String.raw`\[(?:image|photo|picture|source|credit|via)`,
  String.raw`s?\s*:\s*(?:www\.)?[\w-]+(?:\.[\w-]+)*\.(?:com|org|net|edu|gov|info|io|co|uk|de|fr)`,
  String.raw`\b[^[\]\n]*\]`,
)
/** Who took a picture: on a line of its own, or in round brackets. */
const PHOTO_BY = pattern(
  'gimu',
  String.raw`^[^\S\n]*(?:photo|image|picture|illustration|video)s?\s*(?:credits?\b|courtesy\b|`,
  String.raw`by\s\p{Lu}|:\s*(?:www\.|https?:|©))[^\n]*[^.!?\n]$|\((?:photo|image|picture|`,
  String.raw`illustration|credit)s?\s*(?:credits?|courtesy|by|from|:)[^()\n]*\)`,
)
/** "Home > Guides > Harbours" */
const CRUMBS = /^[^\S\n]*\p{L}[\p{L} ]{1,30}(?:\s*[>›»]\s*\p{L}[\p{L} ]{1,40}){2,}[^\S\n]*$/gmu
const MAIL = /(?<![\w.+-])[\w.+-]+@[\w-]+(?:\.[\w-]+)+/g
const POINTS_TO_IT = pattern(
  'i',
  String.raw`^\W*(read|see|more|sources?|visit|check|find|learn|watch|full|via|links?|details|`,
  String.raw`available|download|image|photo|credit|credits|original|from|get|go to|follow|`,
  String.raw`support|join|shop|buy|click|tap|here)\b`,
)
const TAGS = /(?<![\p{L}\p{N}&#])(?:#[\p{L}_][\p{L}\p{N}_]*)(?:\s+#[\p{L}_][\p{L}\p{N}_]*)*/gu

/**
 * Where pictures came from, before a bracket is taken for a direction.
 *
 * @returns nothing: what is found is claimed on the page, which may be none of it
 */
export function findCredits(page: Page) {
  for (const pattern of [CREDIT, PHOTO_BY, CRUMBS])
    for (const { index, 0: credit } of page.view.matchAll(pattern))
      page.drop('link', index, index + credit.length)
}

/**
 * Links keep their words; addresses and hashtags go, with the sentence that only points to them.
 *
 * @returns nothing: what is found is claimed on the page, which may be none of it
 */
export function findLinks(page: Page) {
  for (const { index, 0: whole, 1: words = '' } of page.view.matchAll(IMAGE)) {
    const shown = words.replace(/[[\]]/g, '').trim()
    page.mark(
      shown ? 'direction' : 'link',
      index,
      index + whole.length,
      shown && `[picture: ${shown}]`,
    )
  }
  for (const pattern of [LINK, REFERENCE])
    for (const { index, 0: whole, 1: words = '' } of page.view.matchAll(pattern)) {
      const inner = index + 1 + words.length
      // "[Read more](…)" by itself says nothing without its address.
      if (
        POINTS_TO_IT.test(words) &&
        words.split(' ').length <= 4 &&
        isAlone(page.view, index, index + whole.length)
      ) {
        page.drop('link', index, index + whole.length)
        continue
      }
      page.claim('link', [
        { from: index, to: index + 1, text: '' },
        { from: inner, to: index + whole.length, text: '' },
      ])
    }
  const { view } = page
  for (const { index, 0: address } of view.matchAll(ADDRESS))
    dropAddress(page, view, index, index + address.length)
  for (const { index, 0: mail } of page.view.matchAll(MAIL))
    dropAddress(page, page.view, index, index + mail.length, true)
  for (const { index, 0: tags } of page.view.matchAll(TAGS))
    page.drop('link', index, index + tags.length)
}

const isAlone = (view: string, from: number, to: number) =>
  /(^|\n|[.!?]\s)\s*$/.test(view.slice(Math.max(0, from - 80), from)) &&
  /^[.!]?\s*(\n|$)/.test(view.slice(to, to + 80))

/** A sentence that holds an address and says no more than how to reach somebody. */
const asksToWrite = (sentence: string) =>
  sentence.trim().split(/\s+/).length <= 9 || /\b(?:us|me|our|my)\b/i.test(sentence)

/**
 * @param isMail a sentence that asks for mail goes, with the short question before it; in any other
 *   the address is told
 */
function dropAddress(page: Page, view: string, from: number, to: number, isMail = false) {
  const open = view.slice(Math.max(0, from - 60), from).search(/\([^()\n]*$/)
  const close = view.slice(to, to + 60).search(/^[^()\n]*\)/)
  if (open >= 0 && close >= 0)
    return page.drop('link', Math.max(0, from - 60) + open, to + view.slice(to).indexOf(')') + 1)
  const start = view.lastIndexOf('\n', from) + 1
  const lineEnd = view.indexOf('\n', to)
  const line = view.slice(start, lineEnd < 0 ? view.length : lineEnd)
  // The dots of the address are no ends of sentences.
  const masked = line.slice(0, from - start) + 'x'.repeat(to - from) + line.slice(to - start)
  const sentence = sentencesOf(masked).find((s) => s.from <= from - start && s.to >= to - start)
  const asked =
    sentence &&
    /(?:^|\s)(?:questions|comments|ideas|feedback|got (?:a )?questions?|any questions)\?\s*$/i.exec(
      line.slice(0, sentence.from),
    )
  if (sentence && isMail && !asksToWrite(line.slice(sentence.from, sentence.to))) return false
  if (sentence && isMail)
    return page.drop('link', start + (asked ? asked.index : sentence.from), start + sentence.to)
  if (sentence && POINTS_TO_IT.test(line.slice(sentence.from, sentence.to)))
    return page.drop('link', start + sentence.from, start + sentence.to)
  return page.drop('link', from, to)
}
