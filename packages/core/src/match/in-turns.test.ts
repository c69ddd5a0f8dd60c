import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { inTurns } from './in-turns.ts'

const order = (...titles: string[]) =>
  inTurns(titles.map((title, i) => ({ id: String(i), title })))
    .map(({ id }) => id)
    .join('')

describe('inTurns', () => {
  it('brings the second of a series after the first of everything else', () =>
    expect(
      order(
        'Lighthouse at night',
        'Lighthouse at dawn',
        'Lighthouse, grey sky',
        'Harbour',
        'Lighthouse stairs',
      ),
    ).toBe('03412'))
  it('leaves pictures of different things in their order, those without a name too', () =>
    expect(order('Rope', '', 'Knot', '', '…')).toBe('01234'))
  it('keeps every picture once, and those of a thing in their order', () =>
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom('Quay', 'Quay at dusk', 'Crane', 'Tide', '')),
        (titles) => {
          const turned = inTurns(titles.map((title, i) => ({ id: String(i), title })))
          expect(turned.map(({ id }) => Number(id)).sort((a, b) => a - b)).toEqual(
            titles.map((_, i) => i),
          )
          for (const thing of [/^Quay/, /^Crane/, /^Tide/]) {
            const numbers = turned
              .filter(({ title }) => thing.test(title))
              .map(({ id }) => Number(id))
            expect(numbers).toEqual([...numbers].sort((a, b) => a - b))
          }
        },
      ),
    ))
})
