import { certain } from '../faults/certain.ts'
import type { Edit } from './change.ts'
import type { Page } from './page.ts'

const CURLY_PAIR = /[“„]([^“”„\n]*)[”“]/g
const STRAIGHT_PAIR = /(?<![\p{N}])"([^"\n]*)"/gu
const CURLY_SINGLE = /(?<![\p{L}\p{N}])‘([^‘’\n]*)’(?!\p{L})/gu
const STRAIGHT_SINGLE = /(?<![\p{L}\p{N}])'(?=\p{L})([^'\n]{2,60})'(?![\p{L}\p{N}])/gu
const APOSTROPHE = { curly: /(?<=\p{L})’(?=\p{L})/gu, straight: /(?<=\p{L})'(?=\p{L})/gu }
const DASHES = /(?<=[\p{L}\p{N},;.!?”"’)])([^\S\n]*)--+([^\S\n]*)(?=[\p{L}\p{N}“"‘(]|\n|$)/gu
const HYPHEN = /(?<=[\p{L},”"’)])([^\S\n]+)-([^\S\n]+)(?=[\p{L}“"‘(])/gu

/**
 * Where two kinds of quotation marks or apostrophes are mixed, the rarer become like the others.
 *
 * @returns nothing: what is found is claimed on the page, which may be none of it
 */
export function findQuotes(page: Page) {
  const { view } = page
  evenPairs(page, [...view.matchAll(CURLY_PAIR)], [...view.matchAll(STRAIGHT_PAIR)], '“”', '"')
  evenPairs(page, [...view.matchAll(CURLY_SINGLE)], [...view.matchAll(STRAIGHT_SINGLE)], '‘’', "'")
  const round = [...view.matchAll(APOSTROPHE.curly)]
  const upright = [...view.matchAll(APOSTROPHE.straight)]
  if (!round.length || !upright.length) return
  const [rarer, mark] = round.length < upright.length ? [round, "'"] : [upright, '’']
  for (const { index } of rarer)
    page.claim('quotes', [edit(index, mark)], { whole: wordAround(view, index) })
}

function evenPairs(
  page: Page,
  curly: RegExpExecArray[],
  straight: RegExpExecArray[],
  round: string,
  upright: string,
) {
  if (!curly.length || !straight.length) return
  const [rarer, open, close] =
    curly.length < straight.length
      ? [curly, upright, upright]
      : [straight, round.charAt(0), round.charAt(1)]
  for (const { index, 0: whole } of rarer)
    page.claim('quotes', [edit(index, open), edit(index + whole.length - 1, close)])
}

const edit = (at: number, text: string): Edit => ({ from: at, to: at + 1, text })

function wordAround(view: string, at: number) {
  const from = at - certain(/\p{L}*$/u.exec(view.slice(Math.max(0, at - 40), at)))[0].length
  return { from, to: at + 1 + certain(/^\p{L}*/u.exec(view.slice(at + 1, at + 41)))[0].length }
}

/**
 * Hyphens in a dash's place become the script's own dash.
 *
 * @returns nothing: what is found is claimed on the page, which may be none of it
 */
export function findDashes(page: Page) {
  const { view } = page
  const dash = view.includes('–') && !view.includes('—') ? '–' : '—'
  for (const { index, 0: whole, 1: before = '', 2: after = '' } of view.matchAll(DASHES)) {
    // With an en dash there is always space around it.
    const space = dash === '–' && !before ? ' ' : ''
    page.claim('dash', [
      {
        from: index + before.length,
        to: index + whole.length - after.length,
        text: `${space}${dash}${after ? '' : space}`,
      },
    ])
  }
  for (const { index, 1: before = '' } of view.matchAll(HYPHEN))
    page.claim('dash', [{ from: index + before.length, to: index + before.length + 1, text: dash }])
}
