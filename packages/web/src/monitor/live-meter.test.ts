import { describe, expect, it } from 'vitest'
import { liveMeter, type Metered } from './live-meter.ts'

/** A tone of 1 kHz in both channels, as a sound card hands it on: 128 samples at a time. */
function played(dbfs: number, seconds: number, meter: ReturnType<typeof liveMeter>) {
  const amplitude = 10 ** (dbfs / 20)
  for (let at = 0; at < seconds * 48_000; at += 128) {
    const block = Float32Array.from(
      { length: 128 },
      (_, i) => amplitude * Math.sin((2 * Math.PI * 1000 * (at + i)) / 48_000),
    )
    meter.add([block, block])
  }
}

describe('liveMeter', () => {
  it('reads −23 LUFS of a stereo tone of 1 kHz at −23 dBFS (EBU Tech 3341, case 1)', () => {
    let last: Metered | undefined
    const meter = liveMeter(48_000, (metered) => (last = metered))
    played(-23, 5, meter)
    for (const key of ['momentary', 'shortTerm', 'integrated'] as const)
      expect(Math.abs(last![key] + 23)).toBeLessThan(0.1)
    expect(Math.abs(last!.truePeak + 23)).toBeLessThan(0.2)
  })
  it('forgets what was before when it is cleared, and hears one channel in both', () => {
    const told: Metered[] = []
    const meter = liveMeter(48_000, (metered) => told.push(metered))
    played(-6, 4, meter)
    meter.clear()
    const loud = Float32Array.from({ length: 19_200 }, (_, i) => 0.1 * Math.sin(i / 7))
    meter.add([loud])
    expect(told.at(-1)!.integrated).toBeLessThan(-15)
    expect(told.at(-1)!.truePeak).toBeLessThan(-19)
  })
})
