import { describe, expect, it } from 'vitest'
import { truePeakMeter } from './true-peak.ts'

const db = (peak: number) => 20 * Math.log10(peak)
function peakOf(pcm: Float32Array, pieces = 1) {
  const meter = truePeakMeter(1)
  const size = Math.ceil(pcm.length / pieces)
  for (let at = 0; at < pcm.length; at += size) meter.add([pcm.subarray(at, at + size)])
  // What comes last is looked at when its neighbours are there.
  meter.add([new Float32Array(64)])
  return meter.peak()
}
/** A tone that comes and goes softly, so that its ends add nothing of their own. */
const tone = (share: number, phase: number) =>
  Float32Array.from(
    { length: 4800 },
    (_, i) =>
      0.5 *
      Math.sin(Math.PI * Math.min(1, i / 400, (4799 - i) / 400) * 0.5) ** 2 *
      Math.sin(2 * Math.PI * share * i + phase),
  )

describe('truePeakMeter', () => {
  it.each([
    [1 / 4, 0],
    [1 / 4, Math.PI / 4],
    [1 / 6, Math.PI / 3],
    [1 / 8, Math.PI / 8],
  ])(
    'reads −6 dBTP ± 0.2 of a tone at %d of the rate, wherever its samples fall (EBU Tech 3341, signals 15 to 18, from memory)',
    (share, phase) => {
      const read = db(peakOf(tone(share, phase)))
      expect(read).toBeGreaterThan(-6.02 - 0.4)
      expect(read).toBeLessThan(-6.02 + 0.2)
    },
  )
  it('reads the same in one piece and in many, and 0 of silence', () => {
    const pcm = tone(1 / 4, Math.PI / 4)
    expect(peakOf(pcm, 37)).toBeCloseTo(peakOf(pcm), 6)
    expect(peakOf(new Float32Array(1000))).toBe(0)
  })
})
