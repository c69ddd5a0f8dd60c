import { describe, expect, it } from 'vitest'
import {
  integrated,
  integratedLoudness,
  loudnessMeter,
  loudnessRange,
  momentary,
  shortTerm,
} from './loudness.ts'

/** Weighting is defined for any rate; a low one is quick. */
const RATE = 16_000
const sine = (hz: number, db: number, seconds: number, rate = 48_000) =>
  Float32Array.from(
    { length: seconds * rate },
    (_, i) => 10 ** (db / 20) * Math.sin((2 * Math.PI * hz * i) / rate),
  )
/** Powers of a stereo tone of 1 kHz, so many seconds at each level. */
function toneOf(parts: readonly (readonly [db: number, seconds: number])[]) {
  const meter = loudnessMeter(RATE, 2)
  for (const [db, seconds] of parts) {
    const tone = sine(1000, db, seconds, RATE)
    meter.add([tone, tone])
  }
  return meter.powers()
}

describe('integrated loudness', () => {
  it('reads −23.0 ± 0.1 LUFS of a stereo 1 kHz sine at −23 dBFS (EBU Tech 3341, from memory)', () => {
    const tone = sine(1000, -23, 20)
    expect(Math.abs(integratedLoudness([tone, tone], 48_000) + 23)).toBeLessThanOrEqual(0.1)
  })
  it('reads −3.01 LKFS of 997 Hz at 0 dBFS in one channel (ITU-R BS.1770-4, from memory)', () => {
    expect(integratedLoudness([sine(997, 0, 5)], 48_000)).toBeCloseTo(-3.01, 1)
  })
  it.each([
    ['2', [[-33, 20]], -33],
    [
      '3',
      [
        [-36, 10],
        [-23, 60],
        [-36, 10],
      ],
      -23,
    ],
    [
      '4',
      [
        [-72, 10],
        [-36, 10],
        [-23, 60],
        [-36, 10],
        [-72, 10],
      ],
      -23,
    ],
    [
      '5',
      [
        [-26, 20],
        [-20, 20.1],
        [-26, 20],
      ],
      -23,
    ],
  ] as const)('reads signal %s of EBU Tech 3341 (from memory) within 0.1 LU', (_n, parts, lufs) =>
    expect(Math.abs(integrated(toneOf(parts)) - lufs)).toBeLessThanOrEqual(0.1),
  )
  it('is −Infinity of silence', () =>
    expect(integratedLoudness([new Float32Array(48_000)], 48_000)).toBe(-Infinity))
})

describe('momentary and short-term loudness', () => {
  it('follow a tone that is there for 3 s and gone for 3 s (after EBU Tech 3341, from memory)', () => {
    const powers = toneOf([
      [-23, 3],
      [-90, 3],
      [-23, 3],
    ])
    expect(Math.max(...shortTerm(powers))).toBeCloseTo(-23, 1)
    expect(Math.max(...momentary(powers))).toBeCloseTo(-23, 1)
    expect(Math.min(...momentary(powers))).toBeLessThan(-80)
    expect(momentary(powers)).toHaveLength(90 - 3)
  })
})

describe('loudnessRange', () => {
  it.each([
    [
      '1',
      [
        [-20, 20],
        [-30, 20],
      ],
      10,
    ],
    [
      '2',
      [
        [-20, 20],
        [-15, 20],
      ],
      5,
    ],
    [
      '3',
      [
        [-40, 20],
        [-20, 20],
      ],
      20,
    ],
    [
      '4',
      [
        [-50, 20],
        [-35, 20],
        [-20, 20],
        [-35, 20],
        [-50, 20],
      ],
      15,
    ],
  ] as const)('reads signal %s of EBU Tech 3342 (from memory) within 1 LU', (_n, parts, lu) =>
    expect(Math.abs(loudnessRange(toneOf(parts)) - lu)).toBeLessThanOrEqual(1),
  )
  it('is 0 of silence', () => expect(loudnessRange([])).toBe(0))
})
