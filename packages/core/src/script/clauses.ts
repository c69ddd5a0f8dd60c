import { itemAt } from '../faults/certain.ts'
import { wordList } from '../text/pattern.ts'
import type { TextRange } from '../text/text-range.ts'

const JOINERS = new Set(
  wordList(`
    and but or so yet because although though while when where which who that if unless
    until since after before whereas
  `),
)
const SMALL = new Set(
  wordList(`
    a an the of to in on at by for from with into over under between through across about
    its his her their our your my this that these those
  `),
)

/** Scripts that put no space between words. */
const UNSPACED = /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Thai}]/u

interface Cut {
  at: number
  /** 0 = the best place to part a sentence, larger = worse. */
  cost: number
}

/**
 * Parts a sentence that would speak too long, at the ends of clauses where it has them.
 *
 * @param text    one sentence
 * @param seconds estimates how long a piece speaks
 * @param limit   seconds no piece should exceed; a single word may
 * @returns pieces in order, covering every word once; one piece when the sentence is short enough
 */
export function clausesOf(
  text: string,
  seconds: (piece: string) => number,
  limit: number,
): TextRange[] {
  const total = seconds(text)
  if (total <= limit) return [{ from: 0, to: text.length }]
  const cuts = possibleCuts(text)
  if (cuts.length === 0) return [{ from: 0, to: text.length }]
  const wanted = Math.ceil(total / limit)
  const best = bestCut(text, cuts, seconds, total / wanted, limit)
  const left = text.slice(0, best.at).trimEnd()
  const start = best.at + (text.slice(best.at).length - text.slice(best.at).trimStart().length)
  return [
    ...clausesOf(left, seconds, limit),
    ...clausesOf(text.slice(start), seconds, limit).map(({ from, to }) => ({
      from: from + start,
      to: to + start,
    })),
  ]
}

/**
 * The first cut: near an equal share of the whole, at as good a place as there is. A place worth a
 * better grade may stand a fifth of the share further away.
 */
function bestCut(
  text: string,
  cuts: Cut[],
  seconds: (piece: string) => number,
  share: number,
  limit: number,
): Cut {
  const whole = seconds(text)
  const scored = cuts.map((cut) => {
    const length = (whole * cut.at) / text.length
    const over = length > limit ? 10 : 0
    const stub = Math.min(length, whole - length) < 1.2 ? 3 : 0
    return { cut, cost: cut.cost + (Math.abs(length - share) / (share * 0.2)) * 0.5 + over + stub }
  })
  return scored.reduce((a, b) => (b.cost < a.cost ? b : a)).cut
}

function possibleCuts(text: string): Cut[] {
  const cuts: Cut[] = []
  const words = [...text.matchAll(/\S+/g)]
  if (words.length < 4 && UNSPACED.test(text)) return cutsInsideWord(text)
  words.forEach((match, i) => {
    if (i === 0) return
    const before = itemAt(words, i - 1)[0]
    const word = match[0].toLowerCase().replace(/[^\p{L}]/gu, '')
    cuts.push({ at: match.index, cost: cutCost(before, word) })
  })
  return cuts
}

function cutCost(before: string, word: string): number {
  if (/[;:—–]["”’)]*$/.test(before) || /^[—–-]+$/.test(before)) return 0
  if (/,["”’)]*$/.test(before)) return JOINERS.has(word) ? 0.3 : 1
  if (JOINERS.has(word)) return 2
  if (SMALL.has(before.toLowerCase())) return 5
  return SMALL.has(word) ? 2.5 : 3.5
}

/** Scripts without spaces: after a comma of theirs, else anywhere between two characters. */
function cutsInsideWord(text: string): Cut[] {
  const cuts: Cut[] = []
  let at = 0
  for (const char of text) {
    at += char.length
    if (at < text.length) cuts.push({ at, cost: /[、，；：]/.test(char) ? 0.5 : 4 })
  }
  return cuts
}
