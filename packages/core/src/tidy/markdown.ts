import { pattern } from '../text/pattern.ts'
import type { Page } from './page.ts'

const RULE = /^[^\S\n]*(?:(?:[-*_=~][^\S\n]?){3,}|[#~=]{2,})[^\S\n]*$/gm
const FENCE = /^[^\S\n]*```.*$/gm
const QUOTE = /^[^\S\n]*>+[^\S\n]?/gm
const COMMENT = /<!--[\s\S]{0,5000}?-->/g
const TAG = pattern(
  'gi',
  String.raw`</?(?:p|br|hr|b|i|u|em|strong|span|div|h[1-6]|a|ul|ol|li|sup|sub|blockquote|code|`,
  String.raw`pre|table|tr|td|th|tbody|thead|img|font|center|small|mark|section|article|figure|`,
  String.raw`figcaption|script|style)\b[^<>]*>`,
)
const ENTITY = pattern(
  'gi',
  String.raw`&(nbsp|amp|lt|gt|quot|apos|mdash|ndash|hellip|rsquo|lsquo|ldquo|rdquo|#\d{2,6}|`,
  String.raw`#x[\da-f]{2,5});`,
)
const ENTITIES: Record<string, string> = {
  nbsp: ' ',
  amp: 'and',
  lt: '',
  gt: '',
  quot: '"',
  apos: "'",
  mdash: '—',
  ndash: '–',
  hellip: '…',
  rsquo: '’',
  lsquo: '‘',
  ldquo: '“',
  rdquo: '”',
}
const STRUCK = /~~(?=\S)[^~\n]+~~/g
const EMPHASIS = [
  /(\*\*\*|\*\*|___|__)(?=\S)([^\n]*?\S)\1/g,
  /(?<![\p{L}\p{N}*_\\])([*_])(?=[^\s*_])([^\n*_]*?[^\s*_])\1(?![\p{L}\p{N}*_])/gu,
  /(`{1,3})(?=\S)([^`\n]+)\1/g,
]
const STRAY = /(?<!\*)\*\*(?!\*)|(?<=^|\s)#{1,6}(?=\s*$)/gm
const ESCAPED = /\\(?=[*_#[\]()>`~.!-])/g

/**
 * What markup of other kinds leaves behind.
 *
 * @returns nothing: what is found is claimed on the page, which may be none of it
 */
export function findMarkdown(page: Page) {
  for (const pattern of [FENCE, RULE, COMMENT, QUOTE, TAG, STRUCK, ESCAPED])
    for (const { index, 0: found } of page.view.matchAll(pattern))
      page.drop('markdown', index, index + found.length)
  for (const { index, 0: whole, 1: name = '' } of page.view.matchAll(ENTITY))
    page.claim('markdown', [{ from: index, to: index + whole.length, text: entity(name) }])
  for (const pattern of EMPHASIS)
    for (const { index, 0: whole, 1: mark = '' } of page.view.matchAll(pattern)) {
      const end = index + whole.length
      page.claim('markdown', [
        { from: index, to: index + mark.length, text: '' },
        { from: end - mark.length, to: end, text: '' },
      ])
    }
  for (const { index, 0: found } of page.view.matchAll(STRAY))
    page.drop('markdown', index, index + found.length)
}

function entity(name: string): string {
  if (!name.startsWith('#')) return ENTITIES[name.toLowerCase()] ?? ''
  const code = /^#x/i.test(name) ? Number.parseInt(name.slice(2), 16) : Number(name.slice(1))
  return code > 31 && code <= 0x10ffff ? String.fromCodePoint(code) : ''
}
