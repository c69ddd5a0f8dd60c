import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { ShotSlot } from './choose.ts'
import { chooseWithMix } from './mix.ts'

/** Even numbers are stills. Every place has four of each kind that no other place has. */
const still = (i: number) => i % 2 === 0
const film = (scores: readonly number[][]): ShotSlot[] =>
  scores.map((list, scene) => ({
    scene,
    stake: 1,
    seconds: 5,
    options: list.map((score, k) => ({ i: scene * 8 + k, score })),
  }))
const share = (chosen: readonly number[]) => chosen.filter(still).length / chosen.length
const unlike = () => 0
const chosenFor = (...asked: Parameters<typeof chooseWithMix>) =>
  chooseWithMix(...asked).map(({ i }) => i)
const scores = fc.array(
  fc.array(fc.double({ min: 0.05, max: 1, noNaN: true }), { minLength: 8, maxLength: 8 }),
  { minLength: 20, maxLength: 30 },
)

describe('chooseWithMix', () => {
  it('comes near any share of stills that is wished, where there are both kinds', () =>
    fc.assert(
      fc.property(
        scores,
        fc.double({ min: 0, max: 1, noNaN: true }),
        (list, wished) =>
          Math.abs(share(chosenFor(film(list), unlike, still, wished)) - wished) <= 0.1,
      ),
      { numRuns: 20 },
    ))
  it('leaves it to what fits where nothing is wished', () =>
    expect(
      chosenFor(
        film([
          [0.9, 0.1],
          [0.2, 0.8],
        ]),
        unlike,
        still,
        null,
      ),
    ).toEqual([0, 9]))
  it('gives up what fits least for it', () =>
    expect(
      chosenFor(
        film([
          [0.9, 0.1],
          [0.9, 0.85],
        ]),
        unlike,
        still,
        0.5,
      ),
    ).toEqual([0, 9]))
  it('counts what stands there already', () => {
    const kept: ShotSlot = { scene: 2, stake: 0, seconds: 5, options: [], kept: [1001] }
    expect(chosenFor([...film([[0.9, 0.88]]), kept], unlike, still, 0.5)).toEqual([0, -1])
  })
  it('takes clips where there are no stills', () =>
    expect(
      chosenFor(
        [
          {
            scene: 0,
            stake: 1,
            seconds: 5,
            options: [
              { i: 1, score: 0.4 },
              { i: 3, score: 0.6 },
            ],
          },
          { scene: 1, stake: 1, seconds: 5, options: [] },
        ],
        unlike,
        still,
        1,
      ),
    ).toEqual([3, -1]))
})
