import { describe, expect, it } from 'vitest'
import { Item } from '../pictures/item.ts'
import { emptyLexicon } from '../words/lexicon.ts'
import { pictureIndex } from './picture-index.ts'
import { withoutUnwanted } from './unwanted.ts'

const items = ['Street lamp at dusk', 'Lamp of a lighthouse', 'An empty street'].map((title, i) =>
  Item.parse({ id: `${i}`, kind: 'photo', title, tags: [], author: 'Ann', source: 'Stock' }),
)
const index = pictureIndex(items, emptyLexicon)
const kept = (...not: string[]) => [
  ...withoutUnwanted(index, not, new Float32Array(items.length).fill(1)),
]

describe('withoutUnwanted', () => {
  it('takes from what shows all of a thing that is not wanted, in any number of it', () => {
    const [street, lighthouse, empty] = kept('street lamps')
    expect(street).toBeLessThan(0.5)
    expect([lighthouse, empty]).toEqual([1, 1])
  })
  it('minds each thing by itself, and nothing that says no thing', () => {
    expect(kept('lighthouse', 'of the').map((left) => left < 1)).toEqual([false, true, false])
    expect(kept()).toEqual([1, 1, 1])
  })
})
