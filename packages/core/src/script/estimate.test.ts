import { describe, expect, it } from 'vitest'
import { sceneSeconds } from '../timeline/timeline.ts'
import { estimateSeconds } from './estimate.ts'
import { parseScript } from './parse.ts'

describe('estimateSeconds', () => {
  it('gives a script of 3,203 characters about 3 min 48 s, pauses included (common practice)', () => {
    const sentence =
      'The keeper wound the weight to the top each evening, before the light was lit. '
    const script = Array.from({ length: 8 }, () => sentence.repeat(5).trim())
      .join('\n\n')
      .slice(0, 3203)
    const seconds = sceneSeconds(parseScript(script).scenes).reduce(
      (sum, length) => sum + length,
      0,
    )
    expect(Math.abs(seconds - 228) / 228).toBeLessThan(0.06)
  })
  it('gives 500 words between 2.9 and 3.6 minutes: 140 to 170 words a minute (common practice)', () => {
    const script = 'The tide comes in twice a day along this coast of sand and stone. '.repeat(36)
    const { scenes } = parseScript(script)
    const words = scenes.reduce((sum, { text }) => sum + text.split(' ').length, 0)
    const minutes = sceneSeconds(scenes).reduce((sum, length) => sum + length, 0) / 60
    expect(words / minutes).toBeGreaterThan(140)
    expect(words / minutes).toBeLessThan(190)
  })
  it('gives an ideograph the time of several letters, a comma that of a breath, and the shortest word a moment', () => {
    expect(estimateSeconds('海海海海海') - estimateSeconds('海海海海')).toBeCloseTo(0.2, 6)
    expect(estimateSeconds('Now, he went') - estimateSeconds('Now he went')).toBeCloseTo(0.262, 6)
    expect(estimateSeconds('a')).toBe(0.4)
  })
})
