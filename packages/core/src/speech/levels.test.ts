import { describe, expect, it } from 'vitest'
import { SAMPLE_RATE } from '../time/time.ts'
import { LEVELS_A_SECOND, speechLevels } from './levels.ts'

const sine = (seconds: number, peak: number) =>
  Float32Array.from(
    { length: seconds * SAMPLE_RATE },
    (_, i) => peak * Math.sin((2 * Math.PI * 997 * i) / SAMPLE_RATE),
  )

describe('speechLevels', () => {
  it('tells silence, a quiet and a loud voice apart, a digit a twentieth of a second', () => {
    // A sine of peak p has p / √2 as its root mean square: −17 dBFS and −43 dBFS here (arithmetic).
    const levels = speechLevels(
      Float32Array.from([...new Float32Array(SAMPLE_RATE), ...sine(1, 0.2), ...sine(1, 0.01)]),
    )
    expect(levels).toBe(
      '0'.repeat(LEVELS_A_SECOND) + '8'.repeat(LEVELS_A_SECOND) + '2'.repeat(LEVELS_A_SECOND),
    )
  })
  it('reaches to the end of what is no whole twentieth', () =>
    expect(speechLevels(new Float32Array(2401))).toHaveLength(2))
})
