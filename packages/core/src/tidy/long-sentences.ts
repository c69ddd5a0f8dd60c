import { estimateSeconds } from '../script/estimate.ts'
import { sentencePiecesIn } from '../script/paragraphs.ts'
import { SCENE_SECONDS_LIMIT } from '../script/parse.ts'
import { roughlySpoken } from '../text/roughly-spoken.ts'
import type { Edit } from './change.ts'
import { standsAlone, startsClause, startsWithPronoun } from './clause-start.ts'
import type { Page } from './page.ts'

/** Each half of a parted sentence has so many words; fewer sound cut off. */
const LEAST_WORDS = 5

interface Cut {
  from: number
  to: number
  /** What stands between the two sentences; the word after it gets a capital. */
  text: string
  /** 0 = the best place, larger = worse. */
  cost: number
}

/** `bare`: without a comma, and so only before a subject that cannot be part of a list. */
const JOINS: {
  pattern: RegExp
  bare?: true
  cut: (word: string) => { text: string; cost: number }
}[] = [
  { pattern: /;\s+(?:and |but )?/g, cut: () => ({ text: '. ', cost: 0 }) },
  { pattern: /,\s+and\s+(?:so\s+)?/g, cut: () => ({ text: '. ', cost: 0.2 }) },
  {
    pattern: /,\s+(but|so|yet)\s+(?!that\b|as\b|far\b|long\b|much\b|many\b)/g,
    cut: (word) => ({ text: `. ${word.charAt(0).toUpperCase()}${word.slice(1)} `, cost: 0.1 }),
  },
  { pattern: /\s+[–—]\s+|—/g, cut: () => ({ text: '. ', cost: 0.5 }) },
  { pattern: /,\s+because\s+/g, cut: () => ({ text: '. That is because ', cost: 0.6 }) },
  { pattern: /,\s+which means(?: that)?\s+/g, cut: () => ({ text: '. That means ', cost: 0.3 }) },
  { pattern: /,\s+which is why\s+/g, cut: () => ({ text: '. That is why ', cost: 0.3 }) },
  { pattern: /,\s+while\s+/g, cut: () => ({ text: '. Meanwhile, ', cost: 0.6 }) },
  { pattern: /:\s+/g, cut: () => ({ text: '. ', cost: 0.8 }) },
  { pattern: /\s+but\s+/g, bare: true, cut: () => ({ text: '. But ', cost: 0.9 }) },
  { pattern: /\s+and\s+/g, bare: true, cut: () => ({ text: '. ', cost: 1.2 }) },
]

/**
 * Sentences over the limit, parted where a new clause with its own subject and verb begins.
 *
 * @returns nothing: what is found is claimed on the page, which may be none of it
 */
export function findLongSentences(page: Page) {
  const { view } = page
  for (const sentence of sentencePiecesIn(view)) {
    const text = view.slice(sentence.from, sentence.to).replace(/\n/g, ' ')
    const edits = cutsOf(text).flatMap((cut) => editsOf(text, cut, sentence.from))
    if (edits.length) page.claim('long', edits, { whole: sentence })
  }
}

const secondsOf = (text: string) => estimateSeconds(roughlySpoken(text.replace(/\s+/g, ' ')))

/** The cuts that bring a sentence under the limit, as far as there are places for them. */
function cutsOf(text: string, offset = 0): Cut[] {
  const seconds = secondsOf(text)
  if (seconds <= SCENE_SECONDS_LIMIT) return []
  const best = possibleCuts(text)
    .map((cut) => ({ cut, cost: cut.cost + Math.abs(cut.from / text.length - 0.5) * 2 }))
    .sort((a, b) => a.cost - b.cost)[0]?.cut
  if (!best) return []
  const moved = { ...best, from: best.from + offset, to: best.to + offset }
  return [
    ...cutsOf(text.slice(0, best.from), offset),
    moved,
    ...cutsOf(text.slice(best.to), offset + best.to),
  ]
}

function possibleCuts(text: string): Cut[] {
  return JOINS.flatMap(({ pattern, bare, cut }) =>
    [...text.matchAll(pattern)].flatMap((found): Cut[] => {
      const from = found.index
      const to = from + found[0].length
      if (wordCount(text.slice(0, from)) < LEAST_WORDS || wordCount(text.slice(to)) < LEAST_WORDS)
        return []
      if (
        enclosed(text, from) ||
        !standsAlone(text.slice(0, from)) ||
        !(bare ? startsWithPronoun : startsClause)(text.slice(to))
      )
        return []
      return [{ from, to, ...cut(found[1] ?? '') }]
    }),
  )
}

const wordCount = (text: string) => text.match(/[\p{L}\p{N}]+/gu)?.length ?? 0

/** Inside a quotation or brackets nothing is parted. */
function enclosed(text: string, at: number): boolean {
  const before = text.slice(0, at)
  const count = (pattern: RegExp) => before.match(pattern)?.length ?? 0
  return count(/"/g) % 2 === 1 || count(/[“(]/g) > count(/[”)]/g)
}

function editsOf(text: string, { from, to, text: between }: Cut, offset: number): Edit[] {
  const first = text.charAt(to)
  const raised = between.endsWith('. ') ? first.toUpperCase() : first
  return [{ from: offset + from, to: offset + to + 1, text: between + raised }]
}
