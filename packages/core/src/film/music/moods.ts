import type { Mood } from '../../style/film-choices.ts'
import type { Mode } from './chords.ts'

/** What the music of a mood is made from. */
export interface MoodMusic {
  mode: Mode
  /** Quarters a minute. */
  tempo: readonly [slowest: number, fastest: number]
  /** Of eight bars, a chord a bar, as `chordOf` reads them; the last leads back to the first. */
  progressions: readonly string[]
  /** How much moves in it: notes of the moving part in a bar, from the calmest section on. */
  notes: readonly [calm: number, full: number]
  /** Acoustic instruments, or warmer electric ones. */
  colour: 'acoustic' | 'electric'
}

/** By ear and by what such music does (common practice). */
export const MOOD_MUSIC: Record<Exclude<Mood, 'none'>, MoodMusic> = {
  calm: {
    mode: 'ionian',
    tempo: [62, 74],
    progressions: ['1 6 4 5 1 3 4 5s', '4 1 27 6 4 3 27 5', '19 4 6 5 4 1 27 5s'],
    notes: [4, 8],
    colour: 'acoustic',
  },
  warm: {
    mode: 'ionian',
    tempo: [72, 88],
    progressions: ['1 4 1 5 6 4 1 5', '4 1 2 6 4 1 5 5', '6 4 1 5 6 4 57 5'],
    notes: [8, 8],
    colour: 'acoustic',
  },
  bright: {
    mode: 'mixolydian',
    tempo: [90, 108],
    progressions: ['1 7 4 1 1 7 4 4', '1 4 7 4 1 4 7 7', '4 1 7 1 4 1 7 4'],
    notes: [8, 16],
    colour: 'acoustic',
  },
  solemn: {
    mode: 'aeolian',
    tempo: [56, 66],
    progressions: ['1 6 3 7 1 4 5M 5M', '4 1 6 3 4 1 5M 5M', '1 5 6 3 4 1 5s 5M'],
    notes: [2, 4],
    colour: 'acoustic',
  },
  curious: {
    mode: 'lydian',
    tempo: [84, 100],
    progressions: ['1 2 1 2 6 2 1 2', '1 3 2 1 6 3 2 2', '6 2 1 5 6 2 1 2'],
    notes: [4, 8],
    colour: 'acoustic',
  },
  playful: {
    mode: 'ionian',
    tempo: [100, 120],
    progressions: ['1 4 1 5 1 4 5 1', '1 6 2 5 1 6 4 5', '4 5 1 6 4 5 1 5'],
    notes: [4, 8],
    colour: 'acoustic',
  },
  dreamy: {
    mode: 'lydian',
    tempo: [58, 70],
    progressions: ['19 2 17 2 6 3 47 2', '17 3 6 2 19 3 2 2', '6 17 2 3 6 17 2 2'],
    notes: [4, 8],
    colour: 'electric',
  },
  night: {
    mode: 'dorian',
    tempo: [60, 72],
    progressions: ['17 4 17 4 3 4 17 7', '1 7 4 1 3 7 4 4', '19 4 7 3 19 4 7 7'],
    notes: [4, 8],
    colour: 'electric',
  },
  wistful: {
    mode: 'aeolian',
    tempo: [66, 78],
    progressions: ['1 7 6 3 4 1 6 7', '6 3 7 1 6 3 4 7', '4 7 3 6 4 1 7 7'],
    notes: [8, 8],
    colour: 'acoustic',
  },
  tense: {
    mode: 'phrygian',
    tempo: [76, 92],
    progressions: ['1 1 2 1 1 6 2 2', '1 7 2 1 6 7 1 2', '1 2 4 2 1 6 2 7'],
    notes: [8, 16],
    colour: 'electric',
  },
  busy: {
    mode: 'dorian',
    tempo: [104, 124],
    progressions: ['1 4 1 4 3 7 4 4', '1 3 4 7 1 3 4 4', '4 1 7 3 4 1 7 7'],
    notes: [8, 16],
    colour: 'electric',
  },
  grand: {
    mode: 'ionian',
    tempo: [70, 84],
    progressions: ['1 5 6 3 4 1 4 5', '6 4 1 5 6 4 5s 5', '4 5 3 6 4 1 2 5'],
    notes: [4, 8],
    colour: 'acoustic',
  },
}
