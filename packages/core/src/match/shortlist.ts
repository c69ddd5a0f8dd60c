import { itemAt } from '../faults/certain.ts'
import type { Item } from '../pictures/item.ts'
import { lemma } from '../words/lemma.ts'
import { STOP_WORDS } from '../words/stop.ts'
import { type Bm25, bm25 } from './bm25.ts'

/** A list no longer than this is looked through in full. */
export const LOOKED_THROUGH = 5000
/**
 * Items of one search that go on to be weighed in full; of those that are called the same, so many.
 */
const PER_SEARCH = 32
/** Pictures of one title on the shortlist: a series may not fill it; by hand. */
const SAME_TITLE = 2

const indexes = new WeakMap<readonly Item[], Bm25>()

function wordsOf(text: string): string[] {
  return (text.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? []).flatMap((word) => {
    if (STOP_WORDS.has(word)) return []
    return [lemma(word)]
  })
}

/**
 * Of a long list, the items that searches bring: a rough look that minds words alone, for what is
 * weighed in full after it. The list is made ready once, as long as it is the same list.
 *
 * @param searches words to look for, as a library would be asked
 * @returns items of the list, each once, in its order; all of a short list
 */
export function shortlist(items: readonly Item[], searches: readonly string[]): readonly Item[] {
  if (items.length <= LOOKED_THROUGH) return items
  let index = indexes.get(items)
  if (!index)
    indexes.set(
      items,
      (index = bm25(
        items.map(({ title, tags, description }) => [
          { weight: 2.5, words: wordsOf(title) },
          { weight: 1.2, words: wordsOf(tags.join(' ')) },
          { weight: 0.8, words: wordsOf(description) },
        ]),
      )),
    )
  const chosen = new Set<number>()
  for (const search of searches) for (const i of best(index, items, wordsOf(search))) chosen.add(i)
  return [...chosen].sort((a, b) => a - b).map((i) => itemAt(items, i))
}

function best(index: Bm25, items: readonly Item[], words: readonly string[]): number[] {
  const scores = new Map<number, number>()
  for (const word of words) {
    const { documents, scores: added } = index.added(word)
    for (let k = 0; k < documents.length; k++)
      scores.set(documents[k]!, (scores.get(documents[k]!) ?? 0) + added[k]!)
  }
  const ordered = [...scores].sort((a, b) => b[1] - a[1])
  const titles = new Map<string, number>()
  const taken: number[] = []
  for (const [i] of ordered) {
    const { title } = itemAt(items, i)
    const called = (titles.get(title) ?? 0) + 1
    titles.set(title, called)
    if (called <= SAME_TITLE) taken.push(i)
    if (taken.length >= PER_SEARCH) break
  }
  return taken
}
