import { certain } from '../faults/certain.ts'
import type { Page } from './page.ts'

const LONE_LINE = /^[^\S\n]*(?:[.,;:!?…•▪◦■●*~_–—=+|/\\"'“”-]+|\d{1,2}[.)])[^\S\n]*$/gm
/**
 * What a text of two spaces between tokens looks like; markup of our own (` | `, ` ~ `) is no
 * punctuation.
 */
const SPACE_BEFORE = /(?<=[\p{L}\p{N}”"’)])[^\S\n]+(?=[,;:!?]+(?:\s|$)|\.(?:\s|$))/gmu
const SPACE_WRONG_SIDE = /(?<=\p{L})[^\S\n]+,(?=\p{L})/gu
const REPEATED = /!{2,}|\?{2,}(?!!)|(?<!\.)\.\.(?!\.)|,{2,}|;{2,}|\.{4,}/g
const STOP_PAIR = /(?<=[\p{L}\p{N}])(?:,\.(?!\.)|\.,+(?=\s))/gu
const NO_SPACE = /(?<=\p{Ll}{2})([.!?])(?=\p{Lu}\p{Ll}+[\s,.])/gu
const NO_SPACE_COMMA = /(?<=\p{L}{2}),(?=\p{L}{2})/gu
const LONE = /(?<=[.!?]["”]?)[^\S\n]+(?!\.{3})[.,;]+(?=\s|$)/gm
const ABBREVIATED = /\b(?:e\.g|i\.e|a\.m|p\.m|etc|vs|approx|mr|mrs|dr|st|no)$/i

/**
 * Stops that a voice would stumble over.
 *
 * @returns nothing: what is found is claimed on the page, which may be none of it
 */
export function findPunctuation(page: Page) {
  for (const { index, 0: found } of page.view.matchAll(LONE_LINE))
    if (found.trim() !== '|' && found.trim() !== '~')
      page.drop('punctuation', index, index + found.length)
  for (const { index, 0: found } of page.view.matchAll(LONE))
    page.drop('punctuation', index, index + found.length)
  for (const { index, 0: found } of page.view.matchAll(SPACE_BEFORE)) {
    const { view } = page
    if (page.rules?.words.spaced?.includes(view.charAt(index + found.length))) continue
    // An ellipsis with space before it is a matter of taste.
    if (!/^\.\./.test(view.slice(index + found.length)))
      page.claim('punctuation', [{ from: index, to: index + found.length, text: '' }], {
        whole: tokenAround(view, index, index + found.length + 1),
      })
  }
  for (const { index, 0: found } of page.view.matchAll(SPACE_WRONG_SIDE))
    page.claim('punctuation', [{ from: index, to: index + found.length, text: ', ' }], {
      whole: tokenAround(page.view, index, index + found.length),
    })
  for (const { index, 0: found, input } of page.view.matchAll(STOP_PAIR)) {
    const opens = /^\s+\p{Lu}/u.test(input.slice(index + found.length))
    if (!ABBREVIATED.test(input.slice(0, index)))
      page.claim('punctuation', [
        { from: index, to: index + found.length, text: found === ',.' || opens ? '.' : ',' },
      ])
  }
  for (const { index, 0: found } of page.view.matchAll(REPEATED))
    page.claim('punctuation', [
      {
        from: index,
        to: index + found.length,
        text: found.startsWith('....') ? '…' : found.charAt(0),
      },
    ])
  for (const { index } of page.view.matchAll(NO_SPACE))
    page.claim('punctuation', [{ from: index + 1, to: index + 1, text: ' ' }], {
      whole: tokenAround(page.view, index, index + 1),
    })
  for (const { index } of page.view.matchAll(NO_SPACE_COMMA))
    page.claim('punctuation', [{ from: index + 1, to: index + 1, text: ' ' }], {
      whole: tokenAround(page.view, index, index + 1),
    })
}

function tokenAround(view: string, from: number, to: number) {
  const before = certain(/\S*$/.exec(view.slice(Math.max(0, from - 40), from)))[0].length
  return { from: from - before, to: to + certain(/^\S*/.exec(view.slice(to, to + 40)))[0].length }
}
