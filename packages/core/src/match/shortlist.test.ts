import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { Item } from '../pictures/item.ts'
import { LOOKED_THROUGH, shortlist } from './shortlist.ts'

const WORDS = ['lamp', 'sea', 'ship', 'tower', 'rock', 'field', 'bread', 'clock', 'river', 'bridge']
const item = (id: number, title: string): Item => Item.parse({ id: `i${id}`, kind: 'photo', title })
const long = Array.from({ length: LOOKED_THROUGH + 2000 }, (_, i) =>
  item(i, `${WORDS[i % 10]} ${WORDS[(i * 7 + 3) % 10]} ${i}`),
).concat(item(9_000_001, 'A whale asleep'), item(9_000_002, 'Two whales and a ship'))

describe('shortlist', () => {
  it('leaves a short list as it is', () => {
    const short = long.slice(0, 100)
    expect(shortlist(short, ['whale'])).toBe(short)
  })
  it('has what the searches name, the rare before the common', () => {
    const found = shortlist(long, ['whale', 'a ship at sea'])
    expect(found.length).toBeLessThan(200)
    expect(found.map(({ title }) => title)).toEqual(
      expect.arrayContaining(['A whale asleep', 'Two whales and a ship']),
    )
  })
  it('is not filled by one picture a thousand times over', () => {
    const same = [
      ...Array.from({ length: LOOKED_THROUGH }, (_, i) => item(i, 'A lamp')),
      item(77_777, 'A lamp at dusk'),
      item(77_778, 'Lamps'),
    ]
    expect(
      shortlist(same, ['lamp'])
        .map(({ title }) => title)
        .sort(),
    ).toEqual(['A lamp', 'A lamp', 'A lamp at dusk', 'Lamps'])
  })
  it('has nothing that no search names, and everything once', () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(...WORDS, 'nothing', ''), { maxLength: 4 }),
        (searches) => {
          const found = shortlist(long, searches)
          expect(new Set(found.map(({ id }) => id)).size).toBe(found.length)
          for (const { title } of found)
            expect(searches.some((search) => search && title.includes(search))).toBe(true)
        },
      ),
      { numRuns: 30 },
    )
  })
})
