import { wordList } from '../text/pattern.ts'
import type { TextRange } from '../text/text-range.ts'

/** Abbreviations that never end a sentence: a name or a number follows. */
const NEVER_LAST = new Set(
  wordList(`
    mr mrs ms mx dr prof st gen col capt lt sgt rev hon pres gov sen rep fig figs vol pp ed
    eds vs cf eg ie viz approx ca mt ft jan feb mar apr jun jul aug sep sept oct nov dec
    messrs al
  `),
)
/** Abbreviations that end a sentence when a new one seems to begin. */
const MAYBE_LAST = new Set(
  wordList(`
    etc inc ltd co corp jr sr am pm bc ad us uk eu un ave blvd rd dept est min max hr hrs
    sec lb lbs oz mi km cm mm kg ph no nos op art
  `),
)
/** "No. 4" counts; "Is it safe? No. Four ships sank." does not. */
const BEFORE_NUMBER = new Set(['no', 'nos', 'op', 'art', 'p', 'fig', 'vol', 'ch'])

const STARTERS = new Set(
  wordList(`
    the a an it its this that these those he she they we you i but and so yet or if when
    while as in on at by for from to of with without after before since until now then there
    here what who why how where which not no yes one two three every each most some many all
    today still only even once just
  `),
)
const CLOSERS = '"\'’”»)]}›」』）'
const OPENERS = '"\'‘“«([{‹「『（'
const CJK_STOPS = '。！？｡'
/** Characters of a word that are looked at: no abbreviation and no opening word is longer. */
const LONGEST_WORD = 40
const STOPS = `.!?…؟۔।${CJK_STOPS}`

/**
 * Finds the sentences of a paragraph: where each begins and ends, in order, without the space
 * between.
 *
 * Knows abbreviations, initials, decimals, quotations and ellipses, which `Intl.Segmenter` (UAX
 * #29)
 * breaks at; `sentences.test.ts` lists where the two differ and why.
 *
 * @param text one paragraph; line breaks count as spaces
 * @returns `[]` for text without anything but space
 * @example sentencesOf('Dr. Reed lit it. "Why?" she asked.') // => 'Dr. Reed lit it.' and '"Why?" she asked.'
 */
export function sentencesOf(text: string): TextRange[] {
  const sentences: TextRange[] = []
  let from = skipSpace(text, 0)
  for (let at = from; at < text.length; at++) {
    if (!STOPS.includes(text.charAt(at))) continue
    const end = closeOf(text, at)
    if (endsSentence(text, from, at, end)) {
      sentences.push({ from, to: end })
      from = skipSpace(text, end)
    }
    at = Math.max(at, end - 1)
  }
  const last = text.trimEnd().length
  if (from < last) sentences.push({ from, to: last })
  return sentences
}

function skipSpace(text: string, at: number): number {
  while (at < text.length && /\s/.test(text.charAt(at))) at++
  return at
}

/** Past the stop itself, further stops ("?!", "...") and closing quotes or brackets. */
function closeOf(text: string, at: number): number {
  let end = at + 1
  while (end < text.length && STOPS.includes(text.charAt(end))) end++
  while (end < text.length && CLOSERS.includes(text.charAt(end))) end++
  return end
}

function endsSentence(text: string, from: number, at: number, end: number): boolean {
  if (CJK_STOPS.includes(text.charAt(at))) return true
  if (end < text.length && !/\s/.test(text.charAt(end))) return false
  const next = nextWord(text, end)
  if (!next.word) return true
  if (/^\p{Ll}/u.test(next.word)) return false
  const stop = text.slice(at, end)
  if (!stop.startsWith('.') || stop.startsWith('..')) return true
  if (stop.length > 1) return true
  return endsAtPeriod(wordBefore(text, from, at), next)
}

function endsAtPeriod(word: string, next: { word: string; opened: boolean }): boolean {
  const bare = word.replace(/\./g, '').toLowerCase()
  const nextLower = next.word.toLowerCase()
  const isNumber = /^\p{N}/u.test(next.word)
  if (BEFORE_NUMBER.has(bare) && isNumber) return false
  if (NEVER_LAST.has(bare)) return false
  const initials = /^\p{Lu}(\.\p{Lu})*$/u.test(word) && word !== 'I'
  if (initials && !word.includes('.'))
    return STARTERS.has(nextLower) && nextLower !== 'a' && nextLower !== 'i'
  const dotted = word.includes('.') && /^[\p{L}.]+$/u.test(word)
  if (dotted || (MAYBE_LAST.has(bare) && !BEFORE_NUMBER.has(bare)))
    return next.opened || STARTERS.has(nextLower)
  return true
}

function wordBefore(text: string, from: number, at: number): string {
  const match = /[\p{L}\p{N}.'’-]+$/u.exec(text.slice(Math.max(from, at - LONGEST_WORD), at))
  return match ? match[0] : ''
}

function nextWord(text: string, at: number): { word: string; opened: boolean } {
  let start = skipSpace(text, at)
  let opened = false
  while (start < text.length && OPENERS.includes(text.charAt(start))) {
    start++
    opened = true
  }
  const match = /^[\p{L}\p{N}'’]+/u.exec(text.slice(start, start + LONGEST_WORD))
  return { word: match ? match[0] : '', opened }
}
