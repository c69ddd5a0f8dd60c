import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { chooseForFilm, LIKENESS, type ShotSlot } from './choose.ts'
import { SCENES_APART } from './scenes-apart.ts'

const places = (...scores: number[][]): ShotSlot[] =>
  scores.map((list, scene) => ({
    scene,
    stake: 1,
    options: list.flatMap((score, i) => (score > 0 ? [{ i, score }] : [])),
  }))
const unlike = () => 0

describe('chooseForFilm', () => {
  it('takes the best for each place where none disturbs another', () =>
    expect(chooseForFilm(places([0.9, 0.1, 0.2], [0.3, 0.8, 0.1]), unlike)).toEqual([0, 1]))
  it('gives a picture to the place that needs it more', () => {
    // Taken one by one, the first place would get picture 0 and the second hardly anything.
    expect(chooseForFilm(places([0.9, 0.85], [0.9, 0.1]), unlike)).toEqual([1, 0])
  })
  it('keeps alike pictures apart where another is nearly as good', () => {
    const alike = (a: number, b: number) => (a + b === 1 ? 1 : 0)
    expect(chooseForFilm(places([0.9, 0, 0], [0, 0.6, 0.55]), alike)).toEqual([0, 2])
  })
  it('shows what is alike rather than what has nothing to do with it', () => {
    const alike = (a: number, b: number) => (a + b === 1 ? 1 : 0)
    expect(chooseForFilm(places([0.9, 0, 0], [0, 0.9, 0.1]), alike)).toEqual([0, 1])
  })
  it('counts pictures that are there already, before and after', () => {
    const kept: ShotSlot = { scene: 1, stake: 0, options: [], kept: [0] }
    const [before, after] = [
      places([0.9, 0.5, 0.4])[0]!,
      { ...places([0.9, 0.5, 0.4])[0]!, scene: 2 },
    ]
    expect(chooseForFilm([before, kept, after], unlike)).toEqual([1, -1, 2])
  })
  it('has nothing for a place without options and nothing for no places', () => {
    expect(chooseForFilm(places([0.5], [], [0, 0.5]), unlike)).toEqual([0, -1, 1])
    expect(chooseForFilm([], unlike)).toEqual([])
  })
  it('shows none twice within ten scenes while another is left, whatever the scores', () => {
    const scores = fc.array(
      fc.array(fc.double({ min: 0.01, max: 1, noNaN: true }), { minLength: 14, maxLength: 14 }),
      { minLength: 1, maxLength: 30 },
    )
    fc.assert(
      fc.property(scores, (film) => {
        const chosen = chooseForFilm(places(...film), unlike)
        chosen.forEach((i, n) =>
          expect(chosen.slice(Math.max(0, n - SCENES_APART), n)).not.toContain(i),
        )
      }),
      { numRuns: 30 },
    )
  })
  it('shows no third picture of a series within ten scenes where another is nearly as good', () => {
    // 0, 1 and 2 are one thing at three hours; 3 to 6 are others, the last nearly as good as the
    // third hour.
    const series = (a: number, b: number) => (a < 3 && b < 3 ? 0.9 : 0)
    const film = [
      [0.9],
      [0, 0, 0, 0.9],
      [0, 0, 0, 0, 0.9],
      [0, 0, 0, 0, 0, 0.9],
      [0, 0.9],
      [0, 0, 0, 0, 0, 0, 0, 0.9],
      [0, 0, 0, 0, 0, 0, 0, 0, 0.9],
      [0, 0, 0, 0, 0, 0, 0, 0, 0, 0.9],
      [0, 0, 0.9, 0, 0, 0, 0.8],
    ]
    expect(chooseForFilm(places(...film), series)).toEqual([0, 3, 4, 5, 1, 7, 8, 9, 6])
  })
  it('finds what trying every way finds, on films small enough to try', () => {
    const alike = (a: number, b: number) => ((a + b) % 2 ? 0 : 0.8)
    const value = (film: number[][], way: number[]) =>
      way.reduce((sum, i, n) => {
        if (way.slice(0, n).includes(i)) return -Infinity
        const worth = (film[n]![i]! / Math.max(...film[n]!)) ** LIKENESS.loyal
        return (
          sum +
          worth -
          [LIKENESS.one, LIKENESS.two, LIKENESS.three].reduce(
            (loss, weight, back) =>
              loss + (n - 1 - back < 0 ? 0 : weight * alike(i, way[n - 1 - back]!) * worth),
            0,
          ) -
          LIKENESS.series *
            worth *
            Math.max(
              0,
              way.slice(0, n).filter((other) => alike(i, other) > LIKENESS.seriesFrom).length - 1,
            )
        )
      }, 0)
    const ways = (n: number): number[][] =>
      n === 0 ? [[]] : ways(n - 1).flatMap((way) => [0, 1, 2, 3, 4].map((i) => [...way, i]))
    const scores = fc.array(
      fc.array(fc.double({ min: 0.01, max: 1, noNaN: true }), { minLength: 5, maxLength: 5 }),
      { minLength: 4, maxLength: 4 },
    )
    fc.assert(
      fc.property(scores, (film) => {
        const best = Math.max(...ways(4).map((way) => value(film, way)))
        expect(value(film, chooseForFilm(places(...film), alike))).toBeCloseTo(best, 9)
      }),
      { numRuns: 40 },
    )
  })
})
