import { describe, expect, it } from 'vitest'
import { paced, retimed } from './pauses.ts'

const RATE = 48_000
const tone = (seconds: number, hz: number) =>
  Array.from({ length: seconds * RATE }, (_, i) => 0.5 * Math.sin((2 * Math.PI * hz * i) / RATE))
const silence = (seconds: number) => Array.from({ length: seconds * RATE }, () => 0)
/** A second, half a second of silence, a second, a gap inside a word, a second. */
const pcm = Float32Array.from([
  ...tone(1, 200),
  ...silence(0.5),
  ...tone(1, 300),
  ...silence(0.1),
  ...tone(1, 400),
])
const pauses: [number, number][] = [
  [RATE, 1.5 * RATE],
  [2.5 * RATE, 2.6 * RATE],
]

describe('paced', () => {
  it.each([0.4, 1, 1.7])(
    'makes silences %s times as long and leaves every sound as it is',
    (factor) => {
      const { pcm: out, pauses: now, at } = paced(pcm, pauses, [], { factor, longest: undefined })
      const longer = 0.5 * factor * RATE
      expect(out.length).toBe(pcm.length - 0.5 * RATE + longer)
      expect(now).toEqual([
        [RATE, RATE + longer],
        [2 * RATE + longer, 2.1 * RATE + longer],
      ])
      expect(out.slice(0, RATE)).toEqual(pcm.slice(0, RATE))
      expect(out.slice(RATE + longer)).toEqual(pcm.slice(1.5 * RATE))
      expect([0, RATE, 1.5 * RATE, 3 * RATE].map(at)).toEqual([
        0,
        RATE,
        RATE + longer,
        2.5 * RATE + longer,
      ])
    },
  )
})

describe('paced, tightened', () => {
  it('leaves no silence longer than asked, and takes out what is no speech with it', () => {
    const tight = paced(pcm, pauses, [], { factor: 1, longest: 0.2 * RATE })
    expect(tight.pcm.length).toBe(pcm.length - 0.3 * RATE)
    const breath = paced(pcm, pauses, [[1.2 * RATE, 1.3 * RATE]], {
      factor: 1,
      longest: 0.1 * RATE,
    })
    // 0.2 s and 0.2 s of silence around a tenth of breath: a tenth and a tenth are left.
    expect(breath.pcm.length).toBe(pcm.length - 0.3 * RATE)
    expect(breath.at(1.5 * RATE)).toBe(1.2 * RATE)
  })
  it('leaves breaths where silences may be as long as they are', () => {
    expect(
      paced(pcm, pauses, [[1.2 * RATE, 1.3 * RATE]], { factor: 1, longest: undefined }).pcm,
    ).toBe(pcm)
  })
})

describe('retimed', () => {
  it('can take a stretch out altogether, without a click at the join', () => {
    const { pcm: out, at } = retimed(pcm, [{ from: RATE, to: 2.6 * RATE, length: 0 }])
    expect(out.length).toBe(pcm.length - 1.6 * RATE)
    expect(at(2 * RATE)).toBe(RATE)
    const steps = [...out].map((x, i) => Math.abs(x - (out[i - 1] ?? 0)))
    // A 400 Hz tone of this level steps by at most 2π·400/48000·0.5.
    expect(Math.max(...steps.slice(RATE - 2000, RATE + 2000))).toBeLessThanOrEqual(
      ((2 * Math.PI * 400) / RATE) * 0.5 + 1e-4,
    )
  })
  it('gives back what it was given when nothing changes', () =>
    expect(retimed(pcm, [{ from: 5, to: 10, length: 5 }]).pcm).toBe(pcm))
})
