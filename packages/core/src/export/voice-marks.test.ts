import { describe, expect, it } from 'vitest'
import { WebVTTParser } from 'webvtt-parser'
import { documentFrom } from '../document/apply.ts'
import { filmOf } from '../document/film-scenes.ts'
import { timeline } from '../timeline/timeline.ts'
import { marksJson, marksTextGrid, marksVtt } from './voice-marks.ts'

const film = timeline(
  filmOf(documentFrom('-', 'The "lamp" <burns> & turns. [pause 1s]\n\nIn 1822, it shone.')),
  [],
  [30, 1],
)
const words = film.scenes.flatMap((scene) => scene.words)

describe('marks of the voice', () => {
  it('as JSON: every word with its seconds', () => {
    const scenes = JSON.parse(marksJson(film)) as {
      words: { word: string; start: number; end: number }[]
    }[]
    expect(scenes.flatMap((scene) => scene.words.map(({ word }) => word))).toEqual(
      words.map(({ text }) => text),
    )
    scenes
      .flatMap((scene) => scene.words)
      .forEach(({ start, end }, i) => {
        expect(start).toBeCloseTo(words[i]!.start / 48_000, 3)
        expect(end).toBeCloseTo(words[i]!.end / 48_000, 3)
      })
  })
  it('as WebVTT: without an error in a reference parser, a timestamp before every word after the first', () => {
    const { errors, cues } = new WebVTTParser().parse(marksVtt(film), 'subtitles')
    expect(errors).toEqual([])
    expect(cues).toHaveLength(film.scenes.length)
    const stamps = (marksVtt(film).match(/<\d\d:\d\d:\d\d\.\d{3}>/g) ?? []).length
    expect(stamps).toBe(words.length - film.scenes.length)
  })
  it('as TextGrid: intervals that tile each tier, quotes doubled', () => {
    const text = marksTextGrid(film)
    for (const tier of text.split('class = "IntervalTier"').slice(1)) {
      const intervals = [
        ...tier.matchAll(/xmin = ([\d.]+)\n\s+xmax = ([\d.]+)\n\s+text = "((?:[^"]|"")*)"/g),
      ].map(([, from, to, said]) => ({ from: Number(from), to: Number(to), said: said! }))
      expect(intervals).toHaveLength(Number(/intervals: size = (\d+)/.exec(tier)![1]))
      expect(intervals[0]!.from).toBe(0)
      expect(intervals.at(-1)!.to).toBeCloseTo(film.samples / 48_000, 9)
      intervals.slice(1).forEach(({ from }, i) => expect(from).toBe(intervals[i]!.to))
    }
    expect(text).toContain('text = """lamp"""')
  })
})
