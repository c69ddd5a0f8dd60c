import { describe, expect, it } from 'vitest'
import { integratedLoudness } from './loudness.ts'

const sine = (hz: number, db: number, seconds: number) =>
  Float32Array.from(
    { length: seconds * 48_000 },
    (_, i) => 10 ** (db / 20) * Math.sin((2 * Math.PI * hz * i) / 48_000),
  )

describe('integratedLoudness', () => {
  it('reads −23.0 ± 0.1 LUFS of a stereo 1 kHz sine at −23 dBFS (EBU Tech 3341, from memory)', () => {
    const tone = sine(1000, -23, 20)
    expect(Math.abs(integratedLoudness([tone, tone], 48_000) + 23)).toBeLessThanOrEqual(0.1)
  })
  it('reads −3.01 LKFS of 997 Hz at 0 dBFS in one channel (ITU-R BS.1770-4, from memory)', () => {
    expect(integratedLoudness([sine(997, 0, 5)], 48_000)).toBeCloseTo(-3.01, 1)
  })
  it('leaves silence out of the mean (gates at −70 and −10 LU)', () => {
    const tone = sine(1000, -23, 20)
    const gapped = new Float32Array(tone.length * 2)
    gapped.set(tone)
    expect(Math.abs(integratedLoudness([gapped, gapped], 48_000) + 23)).toBeLessThanOrEqual(0.15)
    expect(integratedLoudness([new Float32Array(48_000)], 48_000)).toBe(-Infinity)
  })
})
