import fc from 'fast-check'
import { Chord as Reference, Mode as ReferenceMode, Note as ReferenceNote } from 'tonal'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../../faults/certain.ts'
import { MOODS } from '../../style/film-choices.ts'
import { INSTRUMENTATIONS } from '../../style/film-choices.ts'
import { SAMPLE_RATE } from '../../time/time.ts'
import { bedPlan, type OrderedSection } from './bed-plan.ts'
import { chordOf, isInKey, type Key, type Mode, MODES } from './chords.ts'
import { barSamples, type FilmForm, formOf } from './form.ts'
import { MOOD_MUSIC } from './moods.ts'
import { SECTION_KINDS, sectionNotes, type SectionOrder } from './section.ts'
import { parallels, voiced } from './voicing.ts'

const BEDS = MOODS.filter((mood) => mood !== 'none')
const modes = Object.keys(MODES) as Mode[]
const sorted = (pitches: readonly number[]) => [...pitches].sort((a, b) => a - b)

describe('chordOf', () => {
  it.each(modes)('builds scale, triads and sevenths of %s as tonal does', (mode) => {
    const key: Key = { tonic: 0, mode }
    const pitches = ReferenceMode.notes(mode, 'C').map((name) => ReferenceNote.chroma(name))
    expect(MODES[mode]).toEqual(pitches)
    const chords = [
      ['', ReferenceMode.triads(mode, 'C')],
      ['7', ReferenceMode.seventhChords(mode, 'C')],
    ] as const
    for (const [shape, names] of chords)
      names.forEach((name, i) => {
        const theirs = Reference.get(name).notes.map((note) => ReferenceNote.chroma(note))
        expect(sorted(chordOf(key, `${i + 1}${shape}`).pitches), name).toEqual(sorted(theirs))
      })
  })
  it('raises the third of a minor key\u2019s fifth to its leading note', () => {
    const leading = chordOf({ tonic: 9, mode: 'aeolian' }, '5M')
    const theirs = Reference.get('E').notes.map((note) => ReferenceNote.chroma(note))
    expect(sorted(leading.pitches)).toEqual(sorted(theirs))
  })
  it('refuses what is no chord', () => {
    expect(() => chordOf({ tonic: 0, mode: 'ionian' }, '8')).toThrow(RangeError)
    expect(() => chordOf({ tonic: 0, mode: 'ionian' }, '1x')).toThrow(RangeError)
  })
})

describe('voiced', () => {
  const cases = BEDS.flatMap((mood) =>
    MOOD_MUSIC[mood].progressions.map((names) => [mood, names] as const),
  )
  it.each(cases)('moves %s “%s” in all keys without parallel fifths or octaves', (mood, names) => {
    for (let tonic = 0; tonic < 12; tonic++) {
      const key = { tonic, mode: MOOD_MUSIC[mood].mode }
      const twice = [...names.split(' '), ...names.split(' ')]
      const voices = voiced(twice.map((name) => chordOf(key, name)))
      voices.forEach((voicing, i) => {
        const before = voices[i - 1]
        expect(sorted(voicing)).toEqual(voicing)
        if (!before) return
        expect(parallels(before, voicing)).toBe(0)
        const moved = voicing.reduce((sum, pitch, v) => sum + Math.abs(pitch - before[v]!), 0)
        expect(moved / 4).toBeLessThanOrEqual(5)
      })
    }
  })
  it('counts parallels where there are some', () => {
    expect(parallels([48, 55, 64, 72], [50, 57, 65, 74])).toBe(2)
    expect(parallels([48, 55, 64, 72], [48, 55, 64, 72])).toBe(0)
  })
})

const order = (set: Partial<SectionOrder>): SectionOrder => ({
  kind: 'story',
  mood: 'calm',
  instruments: 'keys',
  key: { tonic: 0, mode: 'ionian' },
  tempo: 70,
  fullness: 'usual',
  bars: 8,
  held: 1,
  lead: false,
  seed: 'test',
  ...set,
})
const everySection = BEDS.flatMap((mood) =>
  INSTRUMENTATIONS.flatMap((instruments) =>
    SECTION_KINDS.map((kind) =>
      order({
        mood,
        instruments,
        kind,
        key: { tonic: 5, mode: MOOD_MUSIC[mood].mode },
        lead: kind === 'opening',
        bars: kind === 'ending' ? 3 : 8,
      }),
    ),
  ),
)

describe('sectionNotes', () => {
  it('keeps every note in its key, but for the leading note of a minor one, which steps home', () => {
    for (const one of everySection)
      for (const { part, pitch, at } of sectionNotes(one)) {
        if (part === 'percussion' || isInKey(one.key, pitch)) continue
        expect((pitch - one.key.tonic + 120) % 12, `${one.mood} ${part} at ${at}`).toBe(11)
        expect(['aeolian', 'phrygian']).toContain(one.key.mode)
      }
  })
  it('plays notes an instrument has, within its bars, and ends on the key\u2019s own chord', () => {
    for (const one of everySection) {
      const notes = sectionNotes(one)
      expect(notes.length, one.mood).toBeGreaterThan(3)
      for (const { pitch, at, beats, force } of notes) {
        expect(pitch).toBeGreaterThanOrEqual(28)
        expect(pitch).toBeLessThanOrEqual(96)
        expect(at).toBeGreaterThanOrEqual(0)
        expect(at).toBeLessThan(one.bars * 4)
        expect(beats).toBeGreaterThan(0)
        expect(force).toBeGreaterThanOrEqual(1)
        expect(force).toBeLessThanOrEqual(127)
      }
      if (one.kind !== 'ending') continue
      const last = notes.filter(({ at, part }) => at > 7.5 && part === 'bass')
      expect(itemAt(last, 0).pitch % 12).toBe(one.key.tonic)
    }
  })
  it('is the same for the same seed and another for another', () => {
    expect(sectionNotes(order({ lead: true }))).toEqual(sectionNotes(order({ lead: true })))
    expect(sectionNotes(order({ lead: true }))).not.toEqual(
      sectionNotes(order({ lead: true, seed: 'other' })),
    )
  })
  it('leaves the lead out where somebody speaks, and grows fuller from story to build', () => {
    const count = (kind: SectionOrder['kind']) => sectionNotes(order({ kind })).length
    expect(sectionNotes(order({})).some(({ part }) => part === 'lead')).toBe(false)
    expect(count('rest')).toBeLessThan(count('story'))
    expect(count('story')).toBeLessThan(count('build'))
  })
})

const form = fc
  .record({
    chapters: fc.array(fc.double({ min: 1, max: 240, noNaN: true }), { maxLength: 12 }),
    lead: fc.double({ min: 0, max: 12, noNaN: true }),
    tail: fc.double({ min: 0.2, max: 12, noNaN: true }),
  })
  .map(({ chapters, lead, tail }): FilmForm => {
    let at = lead
    const starts = chapters.map((seconds) => {
      at += seconds
      return Math.round(at * SAMPLE_RATE)
    })
    const spokenEnd = Math.round((at + 5) * SAMPLE_RATE)
    return {
      chapters: starts,
      spokenStart: Math.round(lead * SAMPLE_RATE),
      spokenEnd,
      samples: spokenEnd + Math.round(tail * SAMPLE_RATE),
    }
  })

describe('formOf', () => {
  it('fills any film with whole bars, one section after another, and comes home once', () => {
    fc.assert(
      fc.property(form, fc.integer({ min: 56, max: 124 }), (film, tempo) => {
        const bar = barSamples(tempo)
        const sections = formOf(film, tempo)
        const ends = sections.filter(({ kind }) => kind === 'ending')
        expect(ends).toEqual([sections.at(-1)])
        sections.forEach(({ at, bars }, i) => {
          const next = sections[i + 1]
          expect(at).toBeGreaterThanOrEqual(0)
          expect(bars).toBeGreaterThanOrEqual(1)
          // Never over the next one, never more than a bar of silence before it.
          if (!next) return
          const gap = next.at - (at + bars * bar)
          expect(gap).toBeGreaterThanOrEqual(0)
          expect(gap).toBeLessThan(bar)
        })
      }),
    )
  })
  it('begins a section with every chapter that has room for four bars', () => {
    fc.assert(
      fc.property(form, (film) => {
        const bar = barSamples(80)
        const begins = new Set(formOf(film, 80).map(({ at }) => at))
        film.chapters.forEach((at, i) => {
          const before = film.chapters[i - 1] ?? 0
          const isLong = at - before >= 4 * bar && film.spokenEnd - at >= 4 * bar
          const isMerged = film.chapters
            .slice(0, i)
            .some((other) => at - other < 8 * bar && !begins.has(other))
          if (isLong && !isMerged) expect(begins.has(at)).toBe(true)
        })
      }),
    )
  })
  it('brings its last chord with the end of the last word and holds it to the end', () => {
    const film = {
      samples: 100 * SAMPLE_RATE,
      chapters: [],
      spokenStart: 0,
      spokenEnd: 95 * SAMPLE_RATE,
    }
    const last = itemAt(formOf(film, 60).slice(-1), 0)
    const bar = barSamples(60)
    expect(last.at + (last.bars - 1) * bar).toBe(film.spokenEnd)
    expect(last.held * bar).toBeGreaterThanOrEqual(film.samples - film.spokenEnd)
  })
})

describe('bedPlan', () => {
  const film: FilmForm = {
    samples: 1500 * SAMPLE_RATE,
    chapters: [200, 407, 613, 900, 1210].map((at) => at * SAMPLE_RATE),
    spokenStart: 0,
    spokenEnd: 1496 * SAMPLE_RATE,
  }
  it('chooses a tempo of its mood, and makes few sections for a long film', () => {
    for (const mood of BEDS) {
      const plan = bedPlan({ mood, seed: 'a' }, film)
      const [slowest, fastest] = MOOD_MUSIC[mood].tempo
      expect(plan.tempo).toBeGreaterThanOrEqual(slowest)
      expect(plan.tempo).toBeLessThanOrEqual(fastest)
      expect(plan.sections.length).toBeLessThanOrEqual(14)
      expect(plan.placed.length).toBeGreaterThan(20)
    }
  })
  it('is the same for the same film, and changes nothing before a chapter that grew', () => {
    const asked = { mood: 'warm' as const, seed: 'b' }
    expect(bedPlan(asked, film)).toEqual(bedPlan(asked, film))
    const leads = (set: Partial<OrderedSection>) =>
      bedPlan({ ...asked, ...set }, film).sections[0]?.order
    expect(leads({ without: ['bass'] })).toMatchObject({ without: ['bass'] })
    expect(leads({ instruments: 'strings' })).toMatchObject({ instruments: 'strings' })
  })
})
