import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { PLAIN_MIXING } from '../../style/film-choices.ts'
import { SAMPLE_RATE } from '../../time/time.ts'
import {
  type BedLevels,
  bedLoudness,
  curveMoments,
  fadeOf,
  musicCurve,
  musicGains,
  onCurve,
  SPEECH_LUFS,
  type SpokenSpan,
} from './mix.ts'

const flat: BedLevels = {
  loopSamples: 60 * SAMPLE_RATE,
  lufs: -30,
  levels: Array.from({ length: 120 }, () => -32),
}
const seconds = (at: number) => Math.round(at * SAMPLE_RATE)
const said = (...spans: [number, number][]): SpokenSpan[] =>
  spans.map(([start, end]) => ({ start: seconds(start), end: seconds(end), lufs: SPEECH_LUFS }))

/** Random films: sentences with pauses between them, and a bed that is now loud and now soft. */
const film = fc
  .record({
    parts: fc.array(
      fc.record({
        pause: fc.double({ min: 0, max: 6, noNaN: true }),
        length: fc.double({ min: 0.2, max: 9, noNaN: true }),
        level: fc.double({ min: -1, max: 1, noNaN: true }),
      }),
      { minLength: 1, maxLength: 30 },
    ),
    tail: fc.double({ min: 0, max: 5, noNaN: true }),
    levels: fc.array(fc.double({ min: -70, max: -15, noNaN: true }), {
      minLength: 1,
      maxLength: 200,
    }),
    below: fc.double({ min: 6, max: 40, noNaN: true }),
    rise: fc.double({ min: 0, max: 15, noNaN: true }),
  })
  .map(({ parts, tail, levels, below, rise }) => {
    let at = 0
    const spoken = parts.map(({ pause, length, level }) => {
      const start = at + seconds(pause)
      at = start + seconds(length)
      return { start, end: at, lufs: SPEECH_LUFS + level }
    })
    const bed = { loopSamples: (levels.length * SAMPLE_RATE) / 2, lufs: -28, levels }
    const length = at + seconds(tail)
    return { spoken, bed, length, below, curve: musicCurve(length, spoken, bed, { below, rise }) }
  })

describe('musicCurve', () => {
  it('is never above its place while anybody speaks, with the speech’s band taken out', () => {
    fc.assert(
      fc.property(film, ({ spoken, bed, below, curve }) => {
        for (const span of spoken)
          for (const share of [0, 0.01, 0.5, 0.99, 1]) {
            const { db, dip } = onCurve(curve, span.start + share * (span.end - span.start))
            expect(db).toBeLessThanOrEqual(span.lufs - below - bedLoudness(bed, span) + 1e-6)
            expect(dip).toBe(1)
          }
      }),
      { numRuns: 200 },
    )
  })
  it('moves as often as there are pauses over 1.5 s, and at the film’s ends', () => {
    fc.assert(
      fc.property(film, ({ spoken, curve, length }) => {
        const pauses = spoken.filter(
          ({ start }, i) => i > 0 && start - spoken[i - 1]!.end >= seconds(1.5),
        ).length
        const steps = 2000
        const open = Array.from(
          { length: steps + 1 },
          (_, i) => onCurve(curve, (length * i) / steps).dip < 1,
        )
        const rises = open.filter((isOpen, i) => isOpen && i > 0 && !open[i - 1]).length
        expect(rises).toBeLessThanOrEqual(pauses + 1)
      }),
      { numRuns: 100 },
    )
  })
  it('goes from place to place over a third of a second at the least', () => {
    fc.assert(
      fc.property(film, ({ curve, length }) => {
        for (let at = 0; at < length; at += seconds(0.05)) {
          const step = onCurve(curve, at + seconds(0.05)).db - onCurve(curve, at).db
          expect(Number.isFinite(step)).toBe(true)
          const range =
            Math.max(...curve.map(({ db }) => db)) - Math.min(...curve.map(({ db }) => db))
          // Half a cosine over 0.35 s moves by 22 % of its range in 50 ms at its steepest.
          expect(Math.abs(step)).toBeLessThanOrEqual(0.23 * range + 1e-6)
        }
      }),
      { numRuns: 40 },
    )
  })
  it('is aside before the first syllable and back 0.9 s after the last, risen by what is asked', () => {
    const curve = musicCurve(seconds(20), said([2, 5], [5.5, 8], [14, 18]), flat, PLAIN_MIXING)
    const under = SPEECH_LUFS - 22 + 32
    const open = SPEECH_LUFS - 22 + 30 + 9
    expect(onCurve(curve, seconds(1)).db).toBeCloseTo(open)
    expect(onCurve(curve, seconds(1.94)).db).toBeCloseTo(under)
    expect(onCurve(curve, seconds(5.25))).toEqual({ db: under, dip: 1 })
    expect(onCurve(curve, seconds(9.1)).db).toBeCloseTo(open)
    expect(onCurve(curve, seconds(9.1)).dip).toBe(0)
    expect(onCurve(curve, seconds(13.94)).db).toBeCloseTo(under)
    expect(onCurve(curve, seconds(19.5)).db).toBeCloseTo(open)
  })
  it('rises half way in a pause that is just long enough', () => {
    const curve = musicCurve(seconds(20), said([2, 5], [6.55, 18]), flat, PLAIN_MIXING)
    const { db } = onCurve(curve, seconds(6.1))
    expect(db).toBeGreaterThan(SPEECH_LUFS - 22 + 32 + 3)
    expect(db).toBeLessThan(SPEECH_LUFS - 22 + 30 + 7)
  })
  it('lies nearer to the voice where it is asked to, and below each sentence by that much less', () => {
    const nearer = fc.array(fc.constantFrom(-8, 0, 4), { minLength: 1, maxLength: 6 })
    fc.assert(
      fc.property(film, nearer, ({ spoken, bed, length, below }, asked) => {
        const step = length / asked.length
        const levels = asked.map((value, i) => ({ from: i * step, to: (i + 1) * step, value }))
        const curve = musicCurve(length, spoken, bed, { below, rise: 9 }, levels)
        curve.slice(1).forEach((point, i) => expect(point.at).toBeGreaterThanOrEqual(curve[i]!.at))
        for (const span of spoken) {
          const more = levels.find(({ from, to }) => span.start >= from && span.start < to)!.value
          for (const share of [0.01, 0.5, 0.99]) {
            const { db } = onCurve(curve, span.start + share * (span.end - span.start))
            expect(db).toBeLessThanOrEqual(span.lufs - below + more - bedLoudness(bed, span) + 1e-6)
          }
        }
      }),
      { numRuns: 100 },
    )
    const louder = [{ from: seconds(10), to: seconds(20), value: 6 }]
    const said2 = said([2, 5], [5.5, 9.9], [10.1, 18])
    const curve = musicCurve(seconds(20), said2, flat, PLAIN_MIXING, louder)
    const difference = onCurve(curve, seconds(14)).db - onCurve(curve, seconds(7)).db
    expect(difference).toBeCloseTo(6)
  })
  it('stays where it is when nobody speaks', () => {
    const curve = musicCurve(seconds(20), [], flat, PLAIN_MIXING)
    expect(onCurve(curve, 0)).toEqual(onCurve(curve, seconds(20)))
  })
})

describe('musicGains', () => {
  it('begin and end in silence, and share the bed between its two forms', () => {
    const curve = musicCurve(seconds(20), said([2, 18]), flat, PLAIN_MIXING)
    expect(musicGains(curve, seconds(20), 0).plain).toBeLessThan(1e-6)
    expect(musicGains(curve, seconds(20), seconds(20)).plain).toBeCloseTo(0)
    expect(musicGains(curve, seconds(20), seconds(10))).toEqual({
      plain: 0,
      dipped: 10 ** ((SPEECH_LUFS - 22 + 32) / 20),
    })
  })
  it('are within half a decibel of straight lines between their moments', () => {
    fc.assert(
      fc.property(film, ({ curve, length }) => {
        fc.pre(length > seconds(6))
        const moments = curveMoments(curve, length, seconds(0.025))
        const gain = (at: number) => {
          const { plain, dipped } = musicGains(curve, length, at)
          return plain + dipped
        }
        const loudest = Math.max(...moments.map(gain))
        moments.slice(1).forEach((to, i) => {
          const from = moments[i]!
          const [line, own] = [(gain(from) + gain(to)) / 2, gain((from + to) / 2)]
          const most = Math.max(gain(from), gain(to))
          expect(Math.abs(line - own)).toBeLessThanOrEqual(0.06 * most + 0.001 * loudest)
        })
      }),
      { numRuns: 40 },
    )
  })
  it('rise and fall within a film of a tenth of a second', () => {
    for (const at of [0, 1000, 2400, 4800]) expect(fadeOf(4800, at)).toBeLessThanOrEqual(1)
    expect(fadeOf(4800, 2000)).toBeGreaterThan(0.5)
  })
})
