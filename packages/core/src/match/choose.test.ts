import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { chooseForFilm, LIKENESS, type ShotSlot } from './choose.ts'
import { standingCost } from './rhythm.ts'
import { SCENES_APART } from './scenes-apart.ts'

const places = (...scores: number[][]): ShotSlot[] =>
  scores.map((list, scene) => ({
    scene,
    stake: 1,
    seconds: 5,
    options: list.flatMap((score, i) => (score > 0 ? [{ i, score }] : [])),
  }))
const unlike = () => 0
/** What is chosen place by place, of scenes long enough for a picture each. */
const chosenFor = (film: readonly ShotSlot[], alike: (a: number, b: number) => number) =>
  chooseForFilm(film, alike).map(({ i }) => i)

describe('chooseForFilm', () => {
  it('takes the best for each place where none disturbs another', () =>
    expect(chosenFor(places([0.9, 0.1, 0.2], [0.3, 0.8, 0.1]), unlike)).toEqual([0, 1]))
  it('gives a picture to the place that needs it more', () => {
    // Taken one by one, the first place would get picture 0 and the second hardly anything.
    expect(chosenFor(places([0.9, 0.85], [0.9, 0.1]), unlike)).toEqual([1, 0])
  })
  it('goes back to a way that looked worse for a moment', () => {
    // A short sentence has forty pictures that suit it better than the one before, which the next,
    // with a picture of its own, must not go on with.
    const many = Array.from({ length: 60 }, (_, i) => ({ i: i + 10, score: 0.9 - i / 1000 }))
    const film: ShotSlot[] = [
      {
        scene: 0,
        stake: 1,
        seconds: 3.5,
        options: many.map(({ i, score }) => ({ i: i + 100, score })),
      },
      { scene: 1, stake: 1, seconds: 2, options: many, hold: 0.4 },
      { scene: 2, stake: 1, seconds: 4, options: [{ i: 1, score: 1 }], hold: 0 },
    ]
    expect(chooseForFilm(film, unlike).map(({ holds }) => holds)).toEqual([false, true, false])
  })
  it('keeps alike pictures apart where another is nearly as good', () => {
    const alike = (a: number, b: number) => (a + b === 1 ? 1 : 0)
    expect(chosenFor(places([0.9, 0, 0], [0, 0.6, 0.55]), alike)).toEqual([0, 2])
  })
  it('shows what is alike rather than what has nothing to do with it', () => {
    const alike = (a: number, b: number) => (a + b === 1 ? 1 : 0)
    expect(chosenFor(places([0.9, 0, 0], [0, 0.9, 0.1]), alike)).toEqual([0, 1])
  })
  it('counts pictures that are there already, before and after', () => {
    const kept: ShotSlot = { scene: 1, stake: 0, seconds: 5, options: [], kept: [0] }
    const [before, after] = [
      places([0.9, 0.5, 0.4])[0]!,
      { ...places([0.9, 0.5, 0.4])[0]!, scene: 2 },
    ]
    expect(chosenFor([before, kept, after], unlike)).toEqual([1, -1, 2])
  })
  it('has nothing for a place without options and nothing for no places', () => {
    expect(chosenFor(places([0.5], [], [0, 0.5]), unlike)).toEqual([0, -1, 1])
    expect(chosenFor([], unlike)).toEqual([])
  })
  it('shows none twice within ten scenes while another is left, whatever the scores', () => {
    const scores = fc.array(
      fc.array(fc.double({ min: 0.01, max: 1, noNaN: true }), { minLength: 14, maxLength: 14 }),
      { minLength: 1, maxLength: 30 },
    )
    fc.assert(
      fc.property(scores, (film) => {
        const chosen = chosenFor(places(...film), unlike)
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
    expect(chosenFor(places(...film), series)).toEqual([0, 3, 4, 5, 1, 7, 8, 9, 6])
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
        expect(value(film, chosenFor(places(...film), alike))).toBeCloseTo(best, 9)
      }),
      { numRuns: 40 },
    )
  })
  it('lets a picture go on over a scene too short for one of its own', () => {
    const film = places([0.9, 0.1], [0.2, 0.9], [0.1, 0.1, 0.9]).map((place, n) => ({
      ...place,
      seconds: [5, 1.4, 5][n]!,
      ...(n ? { hold: 0 } : {}),
    }))
    expect(chooseForFilm(film, unlike)).toEqual([
      { i: 0, holds: false },
      { i: -1, holds: true },
      { i: 2, holds: false },
    ])
    const cut = film.map(({ hold: _, ...place }) => place)
    expect(chooseForFilm(cut, unlike).map(({ holds }) => holds)).toEqual([false, false, false])
  })
  it('holds what shows both sentences rather than what shows one', () => {
    // The first scene is short, so it shares a picture with the second, which 1 suits as well.
    const film = places([0.9, 0.8], [0, 0.9]).map((place, n) => ({
      ...place,
      seconds: [1.5, 4][n]!,
      ...(n ? { hold: 0 } : {}),
    }))
    expect(chooseForFilm(film, unlike)).toEqual([
      { i: 1, holds: false },
      { i: -1, holds: true },
    ])
  })
  it('does not let one picture stand for ever, however well it fits', () => {
    const film = places(
      ...Array.from({ length: 12 }, (_, n) => [0.9, ...Array<number>(n).fill(0), 0.6]),
    )
    const held = film.map((place, n) => ({ ...place, ...(n ? { hold: 0.1 } : {}) }))
    const lengths: number[] = []
    for (const { holds } of chooseForFilm(held, unlike))
      if (holds) lengths[lengths.length - 1]! += 5
      else lengths.push(5)
    expect(Math.max(...lengths)).toBeLessThanOrEqual(10)
  })
  it('does not hold a clip beyond its end where another is as good', () => {
    const film = places([0.9, 0.85], [0.9, 0.88]).map((place, n) => ({
      ...place,
      seconds: [1.5, 3][n]!,
      ...(n ? { hold: 0 } : {}),
    }))
    const seen = (first: number) =>
      chooseForFilm(film, unlike, { rhythm: 'usual', lasts: (i) => (i ? 60 : first) })[0]!.i
    expect([seen(60), seen(4)]).toEqual([0, 1])
  })
  it('goes on with a picture that is there already, and counts a held one once', () => {
    const kept: ShotSlot = { scene: 0, stake: 0, seconds: 4, options: [], kept: [3] }
    const film = [kept, { ...places([0], [0.9, 0.8])[1]!, seconds: 1.5, hold: 0.1 }]
    expect(chooseForFilm(film, unlike)).toEqual([
      { i: -1, holds: false },
      { i: -1, holds: true },
    ])
  })
})

describe('standingCost', () => {
  it('is dear under 2 s and over 8, nothing between (common practice: a cut every 3 to 7 s)', () => {
    for (const rhythm of ['calm', 'usual', 'brisk'] as const) {
      expect(standingCost(1.9, rhythm)).toBeGreaterThan(1.5)
      expect(standingCost(14, rhythm)).toBeGreaterThan(1.5)
    }
    expect(standingCost(5, 'usual')).toBe(0)
    expect(standingCost(8.2, 'usual')).toBeGreaterThan(standingCost(7, 'usual'))
    expect(standingCost(3.2, 'brisk')).toBeLessThan(standingCost(3.2, 'calm'))
  })
  it('goes on rising beyond its last point', () =>
    expect(standingCost(40, 'usual')).toBeGreaterThan(standingCost(14, 'usual')))
})
