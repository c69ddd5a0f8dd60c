import { describe, expect, it } from 'vitest'
import { Item } from '@tidy-reel/core/pictures/item'
import { withFinds } from './found-for.ts'

const items = ['Boat in a lock', 'Old key in a lock', 'Two boats at sea'].map((title, i) =>
  Item.parse({ id: `${i}`, kind: 'photo', title, tags: [], author: 'Ann', source: 'Stock' }),
)
/** Takes any word for enough, as many libraries do. */
function library() {
  const asked: string[] = []
  return {
    asked,
    search: ({ words }: { words: string }) => {
      asked.push(words)
      return Promise.resolve({ items, faults: [] })
    },
  }
}
const signal = new AbortController().signal

describe('withFinds', () => {
  it('leaves out words that find nothing and counts what the others find, each picture once', async () => {
    const found = await withFinds(
      [
        { see: 'a boat in a lock', search: ['lock boat', 'boat', 'paddle gear'], not: ['key'] },
        { see: 'a whale', search: ['whale'], not: [] },
        null,
      ],
      library(),
      signal,
    )
    expect(found).toEqual([
      { see: 'a boat in a lock', search: ['lock boat', 'boat'], not: ['key'], finds: 2 },
      { see: 'a whale', search: [], not: [], finds: 0 },
      null,
    ])
  })
  it('goes by what is to be seen where no words came, and asks for the same words once', async () => {
    const shelf = library()
    const bare = { see: 'boats', search: [], not: [] }
    const found = await withFinds([bare, bare], shelf, signal)
    expect(found.map((one) => one!.finds)).toEqual([2, 2])
    expect(shelf.asked).toEqual(['boats'])
  })
})
