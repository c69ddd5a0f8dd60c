import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { frameOf, isInside } from './frame.ts'
import { snapped } from './snap.ts'

const FRAME = frameOf(1920, 1080)
const box = (x: number, y: number, width = 200, height = 100) => ({ x, y, width, height })

describe('snapped', () => {
  it('draws the middle of a box to the middle and the thirds of the picture', () => {
    expect(snapped(box(868, 494), FRAME)).toEqual({ box: box(860, 490), x: 960, y: 540 })
    expect(snapped(box(545, 314), FRAME)).toMatchObject({ x: 640, y: 360 })
  })
  it('draws its edges to the margins, and holds it inside them', () => {
    expect(snapped(box(100, -400), FRAME)).toEqual({ box: box(96, 54), x: 96, y: 54 })
    expect(snapped(box(5000, 5000), FRAME)).toEqual({ box: box(1624, 926), x: 1824, y: 1026 })
  })
  it('leaves it where it is between the lines', () => {
    expect(snapped(box(300, 200), FRAME)).toEqual({
      box: box(300, 200),
      x: undefined,
      y: undefined,
    })
  })
  it('keeps any box that fits inside the safe area, at its size, and is settled at once', () => {
    fc.assert(
      fc.property(
        fc.record({
          x: fc.integer({ min: -4000, max: 4000 }),
          y: fc.integer({ min: -4000, max: 4000 }),
          width: fc.integer({ min: 1, max: 1700 }),
          height: fc.integer({ min: 1, max: 950 }),
        }),
        (any) => {
          const once = snapped(any, FRAME)
          expect(isInside(once.box, FRAME.safe)).toBe(true)
          expect(once.box).toMatchObject({ width: any.width, height: any.height })
          expect(snapped(once.box, FRAME)).toEqual(once)
        },
      ),
    )
  })
})
