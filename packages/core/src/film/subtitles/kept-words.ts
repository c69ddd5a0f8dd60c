import type { KeptWords } from '../../document/subtitling.ts'
import { itemAt, lastOf } from '../../faults/certain.ts'
import type { CueWord } from './cues.ts'

/** A stretch of what is said, `[from, to)`, that is shown in other words. */
interface KeptPlace {
  from: number
  to: number
  kept: KeptWords
}

/** A word of what is shown, and whether a line break stands before it. */
interface Token {
  text: string
  breaks: boolean
}

/** @example tokensOf('13.8 billion\nyears').map(({ breaks }) => breaks) // => [false, false, true] */
export function tokensOf(text: string): Token[] {
  return text
    .split('\n')
    .flatMap((line) =>
      line
        .split(/\s+/)
        .filter(Boolean)
        .map((word, i) => ({ text: word, breaks: i === 0 })),
    )
    .map((token, i) => ({ ...token, breaks: i > 0 && token.breaks }))
}

/**
 * Words as they are shown: those that are kept in other words in place of what is said there.
 *
 * @param words as they are said
 * @returns every word that is said once, in order, in `said` or as its own text
 */
export function shownWords(words: readonly CueWord[], kept: readonly KeptWords[]): CueWord[] {
  if (!kept.length) return [...words]
  const places = new Map(keptPlaces(words, kept).map((place) => [place.from, place]))
  const shown: CueWord[] = []
  /** Said, and shown by nothing yet. */
  let waiting: string[] = []
  for (let i = 0; i < words.length;) {
    const place = places.get(i)
    const put = place ? replaced(words.slice(place.from, place.to), place.kept) : [itemAt(words, i)]
    const said = place ? place.kept.words : []
    i = place ? place.to : i + 1
    const [first, ...rest] = put
    if (!first) {
      waiting.push(...said)
      const before = shown.pop()
      if (before)
        shown.push({ ...before, endsScene: before.endsScene || itemAt(words, i - 1).endsScene })
      continue
    }
    shown.push(
      waiting.length ? { ...first, said: [...waiting, ...(first.said ?? [first.text])] } : first,
      ...rest,
    )
    waiting = []
  }
  const last = waiting.length ? shown.pop() : undefined
  if (last) shown.push({ ...last, said: [...(last.said ?? [last.text]), ...waiting] })
  return shown
}

/** What is shown in place of a stretch, each word with its share of the time. */
function replaced(stretch: readonly CueWord[], kept: KeptWords): CueWord[] {
  const tokens = tokensOf(kept.shown)
  const isWordForWord = tokens.length === stretch.length
  const [start, end] = [itemAt(stretch, 0).start, lastOf(stretch).end]
  const letters = tokens.reduce((sum, { text }) => sum + text.length, 0)
  let passed = 0
  const share = () => Math.round(start + ((end - start) * passed) / letters)
  return tokens.map(({ text, breaks }, i): CueWord => {
    const from = share()
    passed += text.length
    const own = isWordForWord ? itemAt(stretch, i) : { start: from, end: share() }
    return {
      text,
      start: own.start,
      end: own.end,
      endsScene: i === tokens.length - 1 && lastOf(stretch).endsScene,
      said: i === 0 ? kept.words : [],
      kept,
      ...(i > 0 ? { isBound: true } : {}),
      ...(breaks ? { breaks: true } : {}),
    }
  })
}

/**
 * Where each of what is kept belongs: where the same words are said, beside one of the words it was
 * written beside; wherever they are said, where that is wanted or they are said but once.
 */
function keptPlaces(words: readonly CueWord[], kept: readonly KeptWords[]): KeptPlace[] {
  const at = new Map<string, number[]>()
  words.forEach(({ text }, i) => {
    const there = at.get(text)
    if (there) there.push(i)
    else at.set(text, [i])
  })
  const isThere = (one: KeptWords) => (from: number) =>
    one.words.every((word, i) => words[from + i]?.text === word)
  const likeness = ({ beside, words: said }: KeptWords, from: number) =>
    Number(beside?.before === (words[from - 1]?.text ?? '')) +
    Number(beside?.after === (words[from + said.length]?.text ?? ''))
  const all = kept.flatMap((one) => {
    const places = (at.get(itemAt(one.words, 0)) ?? []).filter(isThere(one))
    const most = Math.max(...places.map((from) => likeness(one, from)))
    const isMeant = (from: number) =>
      one.beside === null || places.length === 1 || (most > 0 && likeness(one, from) === most)
    return places.filter(isMeant).map((from) => ({
      from,
      to: from + one.words.length,
      kept: one,
      like: one.beside ? 1 + likeness(one, from) : 0,
    }))
  })
  // What was written beside just these words goes before what holds everywhere; longer stretches first.
  all.sort((a, b) => b.like - a.like || b.to - b.from - (a.to - a.from) || a.from - b.from)
  const taken = new Uint8Array(words.length)
  return all.filter(({ from, to }) => {
    if (taken.subarray(from, to).some(Boolean)) return false
    taken.fill(1, from, to)
    return true
  })
}
