import { describe, expect, it } from 'vitest'
import { entryOf } from '../../../faults/certain.ts'
import { SAMPLE_RATE } from '../../../time/time.ts'
import { filterOf, passing } from '../biquad.ts'
import { MADE_SOUNDS, madeSound } from './made-sounds.ts'

const made = new Map(MADE_SOUNDS.map(({ id }) => [id, madeSound(id)]))
const soundOf = (id: string) => entryOf(made, id)
const power = (pcm: Float32Array) => pcm.reduce((sum, x) => sum + x * x, 0) / pcm.length
/** Share of a sound's power above a pitch. */
const above = (pcm: Float32Array, hz: number) =>
  power(filterOf(passing('high', hz, 0.7, SAMPLE_RATE))(pcm)) / power(pcm)
const largestStep = (pcm: Float32Array) =>
  pcm.reduce((most, x, i) => (i ? Math.max(most, Math.abs(x - pcm[i - 1]!)) : most), 0)
const peakOf = (pcm: Float32Array) => pcm.reduce((most, x) => Math.max(most, Math.abs(x)), 0)

describe('madeSound', () => {
  it('gives each a sound, 80 at the least, its peak at 0.7 of full scale, as long as it says', () => {
    expect(new Set(MADE_SOUNDS.map(({ id }) => id)).size).toBeGreaterThanOrEqual(80)
    for (const { id, seconds } of MADE_SOUNDS) {
      const sound = soundOf(id)
      expect(peakOf(sound), id).toBeCloseTo(0.7, 5)
      expect(power(sound), id).toBeGreaterThan(1e-5)
      expect(Math.abs(sound.length / SAMPLE_RATE - seconds), id).toBeLessThan(0.01)
    }
  })
  it('makes the same sound each time', () => {
    expect(madeSound('made-door')).toEqual(soundOf('made-door'))
    expect(madeSound('made-rain-light')).toEqual(soundOf('made-rain-light'))
  })
  it('goes round without a click: no step at the join is larger than those inside', () => {
    for (const { id, goesOn } of MADE_SOUNDS) {
      if (!goesOn) continue
      const sound = soundOf(id)
      const step = Math.abs(sound[0]! - sound.at(-1)!)
      expect(step, id).toBeLessThanOrEqual(largestStep(sound))
    }
  })
  it.each([
    ['made-rain-glass', 'made-rain-roof'],
    ['made-stream', 'made-surf'],
    ['made-bell-small', 'made-bell-large'],
    ['made-crickets', 'made-gulls'],
    ['made-mosquito', 'made-propeller'],
    ['made-thunder', 'made-thunder-far'],
  ])('is as bright or dark as its kind: %s over %s', (brighter, darker) => {
    expect(above(soundOf(brighter), 1500)).toBeGreaterThan(above(soundOf(darker), 1500))
  })
})
