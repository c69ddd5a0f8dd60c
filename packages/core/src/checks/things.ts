import { itemAt } from '../faults/certain.ts'
import { KEPT_CHARACTERS, keptByText } from '../text/kept-by-text.ts'
import type { Lexicon } from '../words/lexicon.ts'
import { searchWords } from '../words/search-words.ts'

export interface Things {
  /** Of each scene, what can be shown in it for the first time. */
  fresh: string[][]
  /** In 1,000 words. */
  rate: number
  /** The longest run of scenes `[first, end)` without anything new to show. */
  drought: { first: number; end: number; words: number } | null
}

/** From here on a word can be shown, by WordNet's commonest sense of it. */
const SHOWABLE = 0.5

/** A lexicon stays the same object as long as the program runs. */
const readers = new WeakMap<Lexicon, (text: string) => string[]>()

function thingsReader(lexicon: Lexicon): (text: string) => string[] {
  const known = readers.get(lexicon)
  if (known) return known
  const reader = keptByText(KEPT_CHARACTERS, (text) =>
    searchWords(text, lexicon)
      .filter(
        ({ text: word }) => !word.includes(' ') && (lexicon.picturable(word) ?? 0) >= SHOWABLE,
      )
      .map(({ text: word }) => word),
  )
  readers.set(lexicon, reader)
  return reader
}

/**
 * How often something new to show comes up.
 *
 * @returns counts by scene and the longest run without anything new; nothing new at all for no
 *   scenes
 */
export function newThings(scenes: readonly { text: string }[], lexicon: Lexicon): Things {
  const seen = new Set<string>()
  const thingsIn = thingsReader(lexicon)
  const fresh = scenes.map(({ text }) => {
    const things = thingsIn(text).filter((thing) => !seen.has(thing))
    for (const thing of things) seen.add(thing)
    return things
  })
  const counts = scenes.map(({ text }) => text.split(/\s+/).length)
  const words = counts.reduce((sum, count) => sum + count, 0)
  return {
    fresh,
    rate: words ? (seen.size * 1000) / words : 0,
    drought: longestDrought(fresh, counts),
  }
}

function longestDrought(fresh: readonly string[][], counts: readonly number[]): Things['drought'] {
  let best: Things['drought'] = null
  let first = 0
  let words = 0
  fresh.forEach((things, i) => {
    if (things.length) {
      first = i + 1
      words = 0
      return
    }
    words += itemAt(counts, i)
    if (words > (best?.words ?? 0)) best = { first, end: i + 1, words }
  })
  return best
}
