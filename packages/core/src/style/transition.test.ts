import { describe, expect, it } from 'vitest'
import { colourThrough, CUT, passed, Transition } from './transition.ts'

describe('Transition', () => {
  it.each([
    [CUT, true],
    [{ kind: 'dip', samples: 24_000, through: 'paper' }, true],
    [{ kind: 'push', samples: 24_000, way: 'up' }, true],
    [{ kind: 'cut', samples: 1 }, false],
    [{ kind: 'wipe', samples: 0 }, false],
    [{ kind: 'wipe', samples: 200_000 }, false],
    [{ kind: 'dissolve', samples: 24_000, through: 'white' }, false],
    [{ kind: 'dip', samples: 24_000, way: 'up' }, false],
  ])('%j: %s', (transition, isOne) => expect(Transition.safeParse(transition).success).toBe(isOne))
})

it('goes through black where nothing else is said', () =>
  expect(
    [undefined, 'black', 'white', 'paper'].map((one) => colourThrough(one as never, '#f6f1e7')),
  ).toEqual(['#000000', '#000000', '#ffffff', '#f6f1e7']))

describe('passed', () => {
  it('sets in and comes to rest, evenly on both sides of its middle', () => {
    expect([0, 0.5, 1].map(passed)).toEqual([0, 0.5, 1])
    for (let n = 0; n < 50; n++) {
      expect(passed(n / 100) + passed(1 - n / 100)).toBeCloseTo(1, 12)
      expect(passed((n + 1) / 100)).toBeGreaterThan(passed(n / 100))
    }
    expect(passed(0.01)).toBeLessThan(0.001)
  })
})
