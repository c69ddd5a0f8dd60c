import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { parseScript } from '../script/parse.ts'
import type { FrameRate } from '../time.ts'
import { soundSamples, timeline } from './timeline.ts'

const RATES: FrameRate[] = [[24, 1], [25, 1], [30, 1], [24000, 1001], [30000, 1001], [50, 1], [60, 1]]
const parsed = parseScript('# One\nThe lamp burns. The sea, deep and cold, is calm. '.repeat(40))

describe('timeline', () => {
  it('tiles the film without gap or overlap, within half a frame of the sound, for any takes and rate', () => {
    const lengths = fc.array(fc.integer({ min: 3000, max: 600_000 }), { minLength: parsed.scenes.length, maxLength: parsed.scenes.length })
    fc.assert(fc.property(lengths, fc.constantFrom(...RATES), (samples, fps) => {
      const shot = { item: null, by: 'match' as const }
      const scenes = parsed.scenes.map(({ text }, i) => ({ id: `s${i}`, text, shots: [shot, shot] }))
      const film = timeline({ scenes, speed: 1 }, parsed, samples.map((s) => ({ samples: s, pauses: [] })), fps)
      let [frame, sample] = [0, 0]
      for (const scene of film.scenes) {
        expect([scene.startFrame, scene.startSample]).toEqual([frame, sample])
        expect(Math.abs(scene.endFrame - (scene.endSample / 48_000) * (fps[0] / fps[1]))).toBeLessThanOrEqual(0.5 + 1e-9)
        expect(scene.shots[0]!.startFrame).toBe(scene.startFrame)
        scene.shots.forEach((s, i) => expect(s.endFrame).toBe(scene.shots[i + 1]?.startFrame ?? scene.endFrame))
        ;[frame, sample] = [scene.endFrame, scene.endSample]
      }
      expect(film.frames).toBe(frame)
      expect(Math.abs(soundSamples(film) - film.samples)).toBeLessThanOrEqual((48_000 * fps[1]) / fps[0])
    }), { numRuns: 40 })
  })
})
