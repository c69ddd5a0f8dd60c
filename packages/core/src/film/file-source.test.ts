import { describe, expect, it } from 'vitest'
import type { Interest } from '../pictures/interest.ts'
import { type Item, Item as ItemSchema } from '../pictures/item.ts'
import type { Light } from '../pictures/light.ts'
import { fileSource } from './file-source.ts'

const item = (kind: Item['kind'], title = 'A boat') =>
  ItemSchema.parse({ id: 'boat', kind, title, seconds: kind === 'clip' ? 10 : null })
const PLAIN = { slip: 0, speed: 1 }
const SEEN = { seconds: 8, times: 0, kind: 'push in' } as const
/** All there is to see is in one of 32 columns. */
const inColumn = (column: number): Interest => ({
  across: Array.from({ length: 32 }, (_, i) => (Math.abs(i - column) < 2 ? '_' : 'A')).join(''),
  down: 'A'.repeat(8) + '___' + 'A'.repeat(7),
})
const light = (moments: readonly Interest[], aspect = 16 / 9): Light => {
  const cells = 'f'.repeat(32 * 18)
  return { aspect, lightest: cells, darkest: cells, interest: [...moments] }
}
const framed = (film: number, own: Light) => ({ aspect: film, lights: new Map([['boat', own]]) })
const UPRIGHT = 9 / 16

describe('fileSource', () => {
  it('sees a clip of the film’s own shape whole, and crops one of another to what it shows', () => {
    const still = light(Array.from({ length: 10 }, () => inColumn(24)))
    expect(fileSource(item('clip'), PLAIN, SEEN, framed(16 / 9, still)).move).toBeUndefined()
    const { move } = fileSource(item('clip'), PLAIN, SEEN, framed(UPRIGHT, still))
    expect(move?.from).toEqual(move?.to)
    expect(move?.from.x).toBeCloseTo(24.5 / 32, 1)
  })
  it('follows what goes across a clip, at most as fast as a calm eye', () => {
    const crossing = light(Array.from({ length: 10 }, (_, i) => inColumn(4 + 2 * i)))
    const { move } = fileSource(item('clip'), PLAIN, SEEN, framed(UPRIGHT, crossing))
    expect(move!.to.x).toBeGreaterThan(move!.from.x + 0.1)
    expect((move!.to.x - move!.from.x) / SEEN.seconds).toBeLessThanOrEqual(0.04)
  })
  it('takes of a clip only the moments that are seen', () => {
    const turns = light([0, 1, 2, 3, 4, 5, 6, 7, 8, 9].map((i) => inColumn(i < 5 ? 6 : 26)))
    const late = { ...PLAIN, slip: 6 * 48_000 }
    const { move } = fileSource(item('clip'), late, { ...SEEN, seconds: 3 }, framed(UPRIGHT, turns))
    expect(move?.from.x).toBeGreaterThan(0.7)
  })
  it('has a picture stand whole where a crop would lose what it shows, unless a person says', () => {
    const chart = framed(UPRIGHT, light([inColumn(16)]))
    const source = (how: object) =>
      fileSource(item('photo', 'A chart of the bay'), { ...PLAIN, ...how }, SEEN, chart)
    expect(source({}).isWhole).toBe(true)
    expect(source({ fit: 'fill' }).isWhole).toBeUndefined()
    const hand = { from: { x: 0.4, y: 0.5, scale: 1 }, to: { x: 0.6, y: 0.5, scale: 1 } }
    expect(source({ frame: hand })).toMatchObject({ move: hand })
    expect(source({ frame: hand }).isWhole).toBeUndefined()
    const boat = fileSource(item('photo'), { ...PLAIN, fit: 'whole' }, SEEN, chart)
    expect(boat).toMatchObject({ isWhole: true, move: { from: { scale: 1 } } })
  })
  it('moves nothing that is to be read', () => {
    const { move } = fileSource(item('photo', 'Old newspaper'), PLAIN, SEEN, {
      aspect: 16 / 9,
      lights: new Map(),
    })
    expect(move?.from).toEqual(move?.to)
  })
})
