import { certain, itemAt } from '../../faults/certain.ts'
import type { Mood } from '../../style/film-choices.ts'
import { type Fullness, type Instrumentation, type MusicPart } from '../../style/film-choices.ts'
import { randomness } from '../../text/randomness.ts'
import { type Chord, chordOf, degreePitch, isInKey, type Key } from './chords.ts'
import { MOOD_MUSIC } from './moods.ts'
import { DRUMS, type Note } from './parts.ts'
import { voiced, type Voicing } from './voicing.ts'

/** What a stretch of a bed is for. */
export const SECTION_KINDS = ['opening', 'story', 'other', 'build', 'rest', 'ending'] as const
export type SectionKind = (typeof SECTION_KINDS)[number]

/** All that a section's notes follow from. */
export interface SectionOrder {
  kind: SectionKind
  mood: Exclude<Mood, 'none'>
  instruments: Instrumentation
  key: Key
  /** Quarters a minute. */
  tempo: number
  bars: number
  /** Bars its last chord is held for, of an ending. */
  held: number
  /** Whether the lead may play: nobody speaks over it. */
  lead: boolean
  /** How much moves in it. */
  fullness: Fullness
  seed: string
}

export const BEATS_A_BAR = 4

/** Parts that play in each section, beside the one that leads. */
const PLAYING: Record<SectionKind, readonly MusicPart[]> = {
  opening: ['pad'],
  story: ['pad', 'bass'],
  other: ['pad', 'bass', 'strings'],
  build: ['pad', 'bass', 'strings', 'percussion'],
  rest: ['pad'],
  ending: ['pad', 'bass'],
}
/** Sections in which the leading part rests. */
const STILL = new Set<SectionKind>(['rest'])
/** How much of its movement the leading part shows, from the calmest to the fullest. */
const FULLNESS: Record<SectionKind, number> = {
  opening: 0,
  story: 0.34,
  other: 0.67,
  build: 1,
  rest: 0,
  ending: 0,
}
/** More or less of it by choice. */
const FULLER: Record<Fullness, number> = { calmer: -0.4, usual: 0, fuller: 0.4 }
const fullnessOf = ({ kind, fullness }: Pick<SectionOrder, 'kind' | 'fullness'>) =>
  Math.min(1, Math.max(0, FULLNESS[kind] + FULLER[fullness]))
const FORCE: Record<MusicPart, number> = {
  pad: 52,
  keys: 60,
  plucked: 62,
  strings: 46,
  bass: 58,
  percussion: 38,
  lead: 58,
}

/** Chords of a section, one a bar; a short one ends as the whole would. */
function chordsOf({ kind, mood, key, bars, seed }: SectionOrder): Chord[] {
  const { progressions } = MOOD_MUSIC[mood]
  if (kind === 'ending') return ending(key, bars).map((name) => chordOf(key, name))
  const which = { opening: 0, story: 0, other: 1, build: 2, rest: 1 }[kind]
  const turned = Math.floor(randomness(`${seed} turn`)() * progressions.length)
  const names = itemAt(progressions, (which + turned) % progressions.length).split(' ')
  return Array.from({ length: bars }, (_, bar) =>
    chordOf(key, itemAt(names, bar === bars - 1 ? names.length - 1 : bar % names.length)),
  )
}

/** The way home: the last bar is the key's own chord. */
function ending({ mode }: Key, bars: number): string[] {
  const dominant = mode === 'aeolian' || mode === 'phrygian' ? '5M' : '5'
  return ['4', '2', dominant, '1'].slice(-Math.max(1, bars)).slice(0, bars)
}

/**
 * The notes of a section: chords in four voices, a bass that steps to its next root, the leading
 * part's broken chords, and what its kind asks for. The same order makes the same notes.
 */
export function sectionNotes(order: SectionOrder): Note[] {
  const chords = chordsOf(order)
  const voices = voiced(chords)
  const playing = new Set<MusicPart>(PLAYING[order.kind])
  if (!STILL.has(order.kind)) playing.add(order.instruments)
  if (order.lead) playing.add('lead')
  const random = randomness(`${order.seed} ${order.kind} ${order.bars}`)
  const bars = chords.map((chord, bar) => ({
    chord,
    next: chords[bar + 1],
    voicing: itemAt(voices, bar),
    at: bar * BEATS_A_BAR,
    beats: isLast(order, bar) ? BEATS_A_BAR * Math.max(1, order.held) : BEATS_A_BAR,
    isLast: bar === chords.length - 1,
  }))
  const notes = [...playing].flatMap((part) => PLAYERS[part](bars, order, random))
  return notes
    .map((note) => ({ ...note, ...breathed(note, random) }))
    .sort((a, b) => a.at - b.at || a.pitch - b.pitch)
}

const isLast = ({ kind, bars }: SectionOrder, bar: number) => kind === 'ending' && bar === bars - 1

/** Nobody plays like a clock: a little later or earlier, a little softer or louder. */
const breathed = ({ at, force }: Note, random: () => number) => ({
  at: Math.max(0, at + (random() - 0.5) * 0.03),
  force: Math.round(Math.min(127, Math.max(1, force + (random() - 0.5) * 10))),
})

interface Bar {
  chord: Chord
  next: Chord | undefined
  voicing: Voicing
  /** Beats from the section's beginning, and how long its chord sounds. */
  at: number
  beats: number
  isLast: boolean
}
type Player = (bars: readonly Bar[], order: SectionOrder, random: () => number) => Note[]

const note = (part: MusicPart, pitch: number, at: number, beats: number, share = 1): Note => ({
  part,
  pitch,
  at,
  beats,
  force: FORCE[part] * share,
})

/** Held chords; a note that stays is not struck again. */
const pad: Player = (bars) => {
  const open = new Map<number, Note>()
  const notes: Note[] = []
  for (const { voicing, at, beats } of bars) {
    for (const [pitch, held] of open) {
      if ((voicing as readonly number[]).includes(pitch)) continue
      held.beats = at - held.at
      open.delete(pitch)
    }
    for (const pitch of voicing) {
      const held = open.get(pitch)
      if (held) held.beats = at + beats - held.at
      else {
        const begun = note('pad', pitch, at, beats)
        open.set(pitch, begun)
        notes.push(begun)
      }
    }
  }
  return notes
}

/** Up and down through the chord, as many notes a bar as the section is full. */
const broken =
  (part: 'keys' | 'plucked' | 'strings'): Player =>
  (bars, order, random) => {
    if (part === 'strings')
      return (part === order.instruments ? swell : counter)(bars, order, random)
    const [calm, full] = MOOD_MUSIC[order.mood].notes
    const wanted = calm + (full - calm) * fullnessOf(order)
    const count = [2, 4, 8, 16].reduce((best, one) =>
      Math.abs(one - wanted) < Math.abs(best - wanted) ? one : best,
    )
    return bars.flatMap(({ voicing, at, beats, isLast: last }) => {
      const [a, b, c, d] = voicing
      if (last && order.kind === 'ending')
        return voicing.map((pitch, i) => note(part, pitch, at + i * 0.12, beats, 0.9))
      const shape = [a, c, b, d, c, d, b, c]
      const step = BEATS_A_BAR / count
      return Array.from({ length: count }, (_, i) =>
        note(
          part,
          itemAt(shape, i % shape.length),
          at + i * step,
          Math.max(step, 1) * 1.1,
          i % (count / 2) === 0 ? 1 : 0.82,
        ),
      )
    })
  }

/** Where strings lead: the upper voices in slow bows that overlap. */
const swell: Player = (bars, order) => {
  const halves = fullnessOf(order) > 0.5 && MOOD_MUSIC[order.mood].notes[1] >= 8 ? 2 : 1
  return bars.flatMap(({ voicing, at, beats }) =>
    Array.from({ length: halves }, (_, half) => {
      const top = itemAt(voicing, half === 0 ? 3 : 2)
      return [
        note('strings', top, at + (half * beats) / halves, (beats / halves) * 1.05, 1.15),
        note('strings', itemAt(voicing, 1) - 12, at + (half * beats) / halves, beats / halves, 0.9),
      ]
    }).flat(),
  )
}

/** A slow line over the chords: the upper voice, an octave higher where there is room. */
const counter: Player = (bars) =>
  bars.map(({ voicing, at, beats }) =>
    note('strings', voicing[3] <= 69 ? voicing[3] + 12 : voicing[3], at, beats * 1.02, 0.85),
  )

const LOWEST_BASS = 36

/** The root, and in fuller sections the fifth; before a new root a step of the scale towards it. */
const bass: Player = (bars, { kind, key, fullness }) =>
  bars.flatMap(({ chord, next, at, beats, isLast: last }) => {
    const root = lowest(chord.root)
    if (last || fullnessOf({ kind, fullness }) < 0.5 || !next)
      return [note('bass', root, at, beats * 0.98)]
    const fifth = certain(chord.pitches.at(-1))
    const target = lowest(next.root)
    const passing = stepTo(key, root, target)
    return [
      note('bass', root, at, 2),
      note('bass', lowest(fifth), at + 2, passing === undefined ? 1.9 : 0.95, 0.85),
      ...(passing === undefined ? [] : [note('bass', passing, at + 3, 0.95, 0.75)]),
    ]
  })

const lowest = (pitch: number) => {
  const note = LOWEST_BASS + ((pitch - LOWEST_BASS) % 12)
  return note < LOWEST_BASS ? note + 12 : note
}

/** A note of the key between two, next to the second one; undefined where they are neighbours. */
function stepTo(key: Key, from: number, to: number): number | undefined {
  if (Math.abs(from - to) < 3) return undefined
  const towards = Math.sign(to - from)
  return [1, 2].map((by) => to - towards * by).find((pitch) => isInKey(key, pitch))
}

const percussion: Player = (bars, { mood }, random) => {
  const quick = MOOD_MUSIC[mood].notes[1] >= 16 ? 8 : 4
  return bars.flatMap(({ at }) => [
    ...Array.from({ length: quick }, (_, i) =>
      note('percussion', DRUMS.shaker, at + (i * 4) / quick, 0.2, i % 2 ? 0.7 : 1),
    ),
    note('percussion', DRUMS.stick, at + 2, 0.2, 0.6 + 0.2 * random()),
  ])
}

/** A tune of chord notes and steps between them, that ends on the key's own note. */
const lead: Player = (bars, { key, kind, held }, random) => {
  const steps = kind === 'ending' ? bars.slice(-1) : bars
  let degree = 7 + Math.floor(random() * 3)
  return steps.flatMap(({ chord, at, beats, isLast: last }) => {
    if (last) return [note('lead', tuneNote(key, HOME), at, Math.min(beats, 4 * held), 0.9)]
    const rhythm = random() < 0.5 ? [1.5, 0.5, 2] : [2, 1, 1]
    let place = at
    return rhythm.map((length, i) => {
      degree += i === 0 ? 0 : Math.round(random() * 2 - 1)
      degree = Math.min(13, Math.max(4, degree))
      if (i === 0) degree = nearestOf(key, chord, degree)
      const one = note('lead', tuneNote(key, degree), place, length * 0.95, i === 0 ? 1 : 0.85)
      place += length
      return one
    })
  })
}
/** Around C5, whatever the key. */
const tuneNote = (key: Key, degree: number) =>
  60 + degreePitch(key, degree) - (key.tonic > 6 ? 12 : 0)
/** The key's own note, in the middle of what the lead plays. */
const HOME = 7

/** The degree nearest to another whose note is one of a chord. */
function nearestOf(key: Key, { pitches }: Chord, degree: number): number {
  const isOne = (one: number) => pitches.includes(((degreePitch(key, one) % 12) + 12) % 12)
  return [0, 1, -1, 2, -2].map((by) => degree + by).find(isOne) ?? degree
}

const PLAYERS: Record<MusicPart, Player> = {
  pad,
  keys: broken('keys'),
  plucked: broken('plucked'),
  strings: broken('strings'),
  bass,
  percussion,
  lead,
}
