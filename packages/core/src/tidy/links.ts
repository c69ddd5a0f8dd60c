import { sentencesOf } from '../script/sentences.ts'
import type { Page } from './page.ts'

const IMAGE = /!\[([^\]\n]*)\]\([^)\n]*\)/g
const LINK = /\[([^\]\n]+)\]\(([^)\s]*)(?:\s+"[^"]*")?\)/g
const REFERENCE = /\[([^\]\n]+)\]\[[^\]\n]*\]/g
const ADDRESS = /<?\b(?:https?:\/\/|www\.)[^\s<>()[\]“”"]*[^\s<>()[\]“”".,;:!?'’]>?/gi
/** "[Image: example.org]": where a picture came from. */
const CREDIT = /\[(?:image|photo|picture|source|credit|via)s?\s*:\s*(?:www\.)?[\w-]+(?:\.[\w-]+)*\.(?:com|org|net|edu|gov|info|io|co|uk|de|fr)\b[^[\]\n]*\]/gi
const POINTS_TO_IT = /^\W*(read|see|more|sources?|visit|check|find|learn|watch|full|via|links?|details|available|download|image|photo|credit|credits|original|from|get|go to|follow|support|join|shop|buy|click|tap|here)\b/i
const TAGS = /(?<![\p{L}\p{N}&#])(?:#[\p{L}_][\p{L}\p{N}_]*)(?:\s+#[\p{L}_][\p{L}\p{N}_]*)*/gu

/** Where pictures came from, before a bracket is taken for a direction. */
export function findCredits(page: Page) {
  for (const { index, 0: credit } of page.view.matchAll(CREDIT)) page.drop('link', index, index + credit.length)
}

/** Links keep their words; addresses and hashtags go, with the sentence that only points to them. */
export function findLinks(page: Page) {
  for (const { index, 0: whole, 1: words } of page.view.matchAll(IMAGE)) {
    const shown = words!.replace(/[[\]]/g, '').trim()
    page.mark(shown ? 'direction' : 'link', index, index + whole.length, shown && `[picture: ${shown}]`)
  }
  for (const pattern of [LINK, REFERENCE])
    for (const { index, 0: whole, 1: words } of page.view.matchAll(pattern)) {
      const inner = index + 1 + words!.length
      page.claim('link', [{ from: index, to: index + 1, text: '' }, { from: inner, to: index + whole.length, text: '' }])
    }
  const { view } = page
  for (const { index, 0: address } of view.matchAll(ADDRESS)) dropAddress(page, view, index, index + address.length)
  for (const { index, 0: tags } of page.view.matchAll(TAGS)) page.drop('link', index, index + tags.length)
}

function dropAddress(page: Page, view: string, from: number, to: number) {
  const open = view.slice(Math.max(0, from - 60), from).search(/\([^()\n]*$/)
  const close = view.slice(to, to + 60).search(/^[^()\n]*\)/)
  if (open >= 0 && close >= 0) return page.drop('link', Math.max(0, from - 60) + open, to + view.slice(to).indexOf(')') + 1)
  const start = view.lastIndexOf('\n', from) + 1
  const lineEnd = view.indexOf('\n', to)
  const line = view.slice(start, lineEnd < 0 ? view.length : lineEnd)
  // The dots of the address are no ends of sentences.
  const masked = line.slice(0, from - start) + 'x'.repeat(to - from) + line.slice(to - start)
  const sentence = sentencesOf(masked).find((s) => s.from <= from - start && s.to >= to - start)
  if (sentence && POINTS_TO_IT.test(line.slice(sentence.from, sentence.to))) return page.drop('link', start + sentence.from, start + sentence.to)
  return page.drop('link', from, to)
}
