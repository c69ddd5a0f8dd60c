import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { barsOf, unlike } from './bars.ts'
import { beatsOf } from './beats.ts'
import { HEARD_RATE, heardFrames } from './heard-frames.ts'
import { type HeardMusic, heardMusic, sectionsOf } from './heard-music.ts'
import { ownCuts } from './own-cuts.ts'

/** Equal temperament, A4 = 440 Hz (ISO 16). */
const hz = (pitch: number) => 440 * 2 ** ((pitch - 69) / 12)

/**
 * Chords that are struck at each beat, the first of a bar with a low note and a harmony of its own;
 * where its beats are is known to the sample.
 */
function struck(
  tempo: number,
  metre: number,
  chords: readonly (readonly number[])[],
  late = 0,
): Float32Array {
  const beat = (60 * HEARD_RATE) / tempo
  const mono = new Float32Array(Math.ceil(beat * metre * chords.length + late * HEARD_RATE))
  chords.forEach((chord, bar) => {
    for (let n = 0; n < metre; n++) {
      const start = Math.round(late * HEARD_RATE + (bar * metre + n) * beat)
      const notes = n === 0 ? [...chord, chord[0]! - 24] : chord
      for (let i = 0; i < beat && start + i < mono.length; i++)
        for (const pitch of notes)
          mono[start + i]! +=
            0.1 * Math.exp((-6 * i) / beat) * Math.sin((2 * Math.PI * hz(pitch) * i) / HEARD_RATE)
    }
  })
  return mono
}
const C = [60, 64, 67]
const F = [60, 65, 69]
const G = [59, 62, 67]
const AM = [57, 60, 64]
const EM = [59, 64, 67]
const verse = [C, AM, F, G, C, AM, F, G]
const other = [F, G, EM, AM, F, G, EM, AM].map((chord) => chord.map((pitch) => pitch + 12))

describe('beats and bars', () => {
  it.each([
    [72, 4],
    [96, 4],
    [118, 4],
    [90, 3],
    [144, 3],
  ])('are found at %i a minute with %i in a bar, within 30 ms', (tempo, metre) => {
    const frames = heardFrames(struck(tempo, metre, [...verse, ...other, ...verse], 0.37))
    const beats = beatsOf(frames.onsets)
    const { firsts, metre: found } = barsOf(frames, beats)
    expect(found).toBe(metre)
    const bar = (60 * metre) / tempo
    for (const first of firsts.slice(1, -1)) {
      const bars = (beats[first]! / 100 - 0.37) / bar
      expect(Math.abs(bars - Math.round(bars)) * bar).toBeLessThan(0.03)
    }
    expect(firsts.length).toBeGreaterThan(20)
  })
  it('are none in silence and in a tone that stands', () => {
    expect(heardMusic(new Float32Array(20 * HEARD_RATE), 960_000).bars).toEqual([])
    const tone = Float32Array.from({ length: 20 * HEARD_RATE }, (_, i) =>
      Math.sin((2 * Math.PI * 220 * i) / HEARD_RATE),
    )
    expect(heardMusic(tone, 960_000).bars).toEqual([])
  })
  it('tell sections apart where what is played changes', () => {
    const mono = struck(96, 4, [...verse, ...other, ...verse], 0.37)
    const { sections, bars, likeness } = heardMusic(mono, 4 * mono.length)
    // Bars of two and a half seconds.
    const places = sections.map((bar) => (bars[bar]! / 48_000 - 0.37) / 2.5)
    for (const place of [8, 16])
      expect(places.some((one) => Math.abs(one - place) < 0.03)).toBe(true)
    // The first and the third are the same.
    const [a, b] = [1, 17].map((bar) => Float32Array.from(likeness[bar]!))
    expect(unlike(a!, b!)).toBeLessThan(0.3)
  })
  it('of music that never changes are one section', () => {
    expect(sectionsOf(Array.from({ length: 20 }, () => Float32Array.of(1, 2)))).toEqual([0])
  })
})

/** Music of so many bars of two seconds, that comes round every eight of them. */
const rounds = (bars: number): HeardMusic => ({
  samples: bars * 96_000 + 48_000,
  tempo: 120,
  metre: 4,
  bars: [...Array.from({ length: bars }, (_, i) => i * 96_000), bars * 96_000 + 48_000],
  sections: Array.from({ length: Math.ceil(bars / 8) }, (_, i) => i * 8),
  likeness: Array.from({ length: bars }, (_, i) => [2 * (i % 8), i === bars - 1 ? 9 : 0]),
})

describe('ownCuts', () => {
  const music = rounds(48)
  it('play music as it is where that is the length', () => {
    expect(ownCuts(music, music.samples)).toEqual([
      { from: 0, length: music.samples, at: 0, fades: [0, 0] },
    ])
  })
  it('cut and go round at bar lines, and keep the beginning and the ending', () => {
    fc.assert(
      fc.property(fc.integer({ min: 20, max: 1500 }), (seconds) => {
        const wanted = seconds * 48_000
        const cuts = ownCuts(music, wanted)
        expect(cuts[0]?.from).toBe(0)
        const last = cuts.at(-1)!
        expect(last.from + last.length).toBe(music.samples)
        // Three bars less at the most, and never over.
        const end = last.at + last.length
        expect(end).toBeLessThanOrEqual(wanted)
        expect(end).toBeGreaterThan(wanted - 4.5 * 96_000)
        cuts.slice(1).forEach((cut, i) => {
          const before = cuts[i]!
          const [join] = cut.fades
          expect(before.fades[1]).toBe(join)
          expect((cut.from + join / 2) % 96_000).toBe(0)
          expect((before.from + before.length - join / 2) % 96_000).toBe(0)
          expect(before.at + before.length - join).toBe(cut.at)
          // From one phrase of four bars to another.
          expect(((cut.from + join / 2) / 96_000) % 4).toBeCloseTo(0)
        })
      }),
      { numRuns: 15 },
    )
  })
  it('fade only where no ending can be reached', () => {
    const [only, ...more] = ownCuts(rounds(8), 3 * 48_000)
    expect(more).toEqual([])
    expect(only?.fades[1]).toBeGreaterThan(0)
    expect(only?.length).toBe(3 * 48_000)
  })
  it('join slowly what has no bars, the ending kept', () => {
    const flat = { ...rounds(1), samples: 40 * 48_000, bars: [], sections: [], likeness: [] }
    for (const seconds of [15, 25, 40, 90, 300]) {
      const cuts = ownCuts(flat, seconds * 48_000)
      const last = cuts.at(-1)!
      expect(last.from + last.length).toBe(flat.samples)
      expect(last.at + last.length).toBeLessThanOrEqual(seconds * 48_000)
      expect(last.at + last.length).toBeGreaterThan((seconds - 40) * 48_000)
    }
  })
})
