import { describe, expect, it } from 'vitest'
import { retimed, withPauses } from './pauses.ts'

const RATE = 48_000
const tone = (seconds: number, hz: number) => Array.from({ length: seconds * RATE }, (_, i) => 0.5 * Math.sin((2 * Math.PI * hz * i) / RATE))
const silence = (seconds: number) => Array.from({ length: seconds * RATE }, () => 0)
/** A second, half a second of silence, a second, a gap inside a word, a second. */
const pcm = Float32Array.from([...tone(1, 200), ...silence(0.5), ...tone(1, 300), ...silence(0.1), ...tone(1, 400)])
const pauses: [number, number][] = [[RATE, 1.5 * RATE], [2.5 * RATE, 2.6 * RATE]]

describe('withPauses', () => {
  it.each([0.4, 1, 1.7])('makes silences %s times as long and leaves every sound as it is', (factor) => {
    const { pcm: out, pauses: now, at } = withPauses(pcm, pauses, factor)
    const longer = 0.5 * factor * RATE
    expect(out.length).toBe(pcm.length - 0.5 * RATE + longer)
    expect(now).toEqual([[RATE, RATE + longer], [2 * RATE + longer, 2.1 * RATE + longer]])
    expect(out.slice(0, RATE)).toEqual(pcm.slice(0, RATE))
    expect(out.slice(RATE + longer)).toEqual(pcm.slice(1.5 * RATE))
    expect([0, RATE, 1.5 * RATE, 3 * RATE].map(at)).toEqual([0, RATE, RATE + longer, 2.5 * RATE + longer])
  })
})

describe('retimed', () => {
  it('can take a stretch out altogether, without a click at the join', () => {
    const { pcm: out, at } = retimed(pcm, [{ from: RATE, to: 2.6 * RATE, length: 0 }])
    expect(out.length).toBe(pcm.length - 1.6 * RATE)
    expect(at(2 * RATE)).toBe(RATE)
    const steps = [...out].map((x, i) => Math.abs(x - (out[i - 1] ?? 0)))
    // A 400 Hz tone of this level steps by at most 2π·400/48000·0.5.
    expect(Math.max(...steps.slice(RATE - 2000, RATE + 2000))).toBeLessThanOrEqual(((2 * Math.PI * 400) / RATE) * 0.5 + 1e-4)
  })
  it('gives back what it was given when nothing changes', () => expect(retimed(pcm, [{ from: 5, to: 10, length: 5 }]).pcm).toBe(pcm))
})
