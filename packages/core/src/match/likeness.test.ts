import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { Item } from '../pictures/item.ts'
import { emptyLexicon } from '../words/lexicon.ts'
import { likenessIn } from './likeness.ts'
import { pictureIndex } from './picture-index.ts'

const index = (titles: string[], hashes: (string | undefined)[] = []) =>
  pictureIndex(
    titles.map((title, i) =>
      Item.parse({ id: String(i), kind: 'photo', title, tags: title.split(' ') }),
    ),
    emptyLexicon,
    (id) => hashes[Number(id)],
  )
const alike = (
  a: string,
  b: string,
  rest: string[] = ['A cow in a field', 'Bread in an oven', 'The moon'],
) => likenessIn(index([a, b, ...rest]))(0, 1)

describe('likenessIn', () => {
  it('is 1 for the same thing at another hour, near nothing for other things', () => {
    expect(alike('Lighthouse on a rock at dawn', 'Lighthouse on a rock at dusk')).toBe(1)
    expect(alike('Lighthouse on a rock', 'Ship in a harbour')).toBe(0)
  })
  it('counts rare things in common for more than common ones', () => {
    const sea = Array.from({ length: 12 }, (_, i) => `The sea with thing${i}`)
    expect(alike('Buoy in the sea', 'Buoy with a lamp', sea)).toBeGreaterThan(
      alike('Gull above the sea', 'Raft in the sea', sea),
    )
  })
  // Hashes of 64 bits in hexadecimal; how many may differ is common practice (ten of 64).
  it('goes by the look of those that were looked at, whatever they are called', () => {
    const same = likenessIn(
      index(
        ['Lighthouse', 'Bakery', 'Moon'],
        ['ffff0000ffff0000', 'ffff0000ffff0001', '0000ffff0000ffff'],
      ),
    )
    expect(same(0, 1)).toBe(1)
    expect(same(0, 2)).toBe(0)
  })
  it('is the same both ways round and stays between 0 and 1', () => {
    const title = fc
      .array(fc.constantFrom('lamp', 'sea', 'rock', 'night', 'ship', 'rope'), {
        minLength: 1,
        maxLength: 4,
      })
      .map((words) => words.join(' '))
    fc.assert(
      fc.property(fc.array(title, { minLength: 2, maxLength: 6 }), (titles) => {
        const [one, other] = [likenessIn(index(titles)), likenessIn(index(titles))]
        expect(one(0, 1)).toBeCloseTo(other(1, 0), 9)
        expect(one(0, 1)).toBeGreaterThanOrEqual(0)
        expect(one(0, 1)).toBeLessThanOrEqual(1 + 1e-9)
      }),
    )
  })
})
