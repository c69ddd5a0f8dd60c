import type { Chord } from './chords.ts'

/** Four voices of a chord, the lowest first, as MIDI notes. */
export type Voicing = readonly [number, number, number, number]

/** Notes the voices keep to: between C3 and G5 (MIDI 48 and 79). */
const LOWEST = 48
const HIGHEST = 79
/** Neighbours stand no further apart than a ninth, so that the chord does not fall to pieces. */
const WIDEST = 14
/** Where the first chord's voices lie in the middle. */
const CENTRE = 62
/** An octave or a fifth reached by both voices in the same direction, counted as semitones moved. */
const PARALLEL = 1000
/** A voice that leaps is worse than two that step. */
const LEAP = 5

/** All ways to lay a chord out: every note of it there, the root or the fifth twice. */
function layouts({ pitches }: Chord): Voicing[] {
  const notes: number[] = []
  for (let note = LOWEST; note <= HIGHEST; note++) if (pitches.includes(note % 12)) notes.push(note)
  const found: Voicing[] = []
  for (const [a, low] of notes.entries())
    for (const [b, second] of notes.entries()) {
      if (b <= a || second - low > WIDEST) continue
      for (const [c, third] of notes.entries()) {
        if (c <= b || third - second > WIDEST) continue
        for (const high of notes.slice(c + 1)) {
          if (high - third > WIDEST) break
          const voicing: Voicing = [low, second, third, high]
          if (isWhole(voicing, pitches)) found.push(voicing)
        }
      }
    }
  return found
}

function isWhole(voicing: Voicing, pitches: readonly number[]): boolean {
  const classes = voicing.map((note) => note % 12)
  return pitches.every((pitch) => classes.includes(pitch))
}

const PERFECT = new Set([0, 7])

/**
 * Pairs of voices that move in the same direction from one fifth, octave or unison to another: what
 * harmony forbids (Fux, "Gradus ad Parnassum", 1725, from memory).
 */
export function parallels(from: Voicing, to: Voicing): number {
  let count = 0
  for (let low = 0; low < 4; low++)
    for (let high = low + 1; high < 4; high++) {
      const before = (from[high]! - from[low]!) % 12
      const after = (to[high]! - to[low]!) % 12
      const isMoved = from[low] !== to[low] && from[high] !== to[high]
      if (before === after && PERFECT.has(after) && isMoved) count++
    }
  return count
}

function cost(from: Voicing | undefined, to: Voicing): number {
  if (!from) return Math.abs((to[0] + to[1] + to[2] + to[3]) / 4 - CENTRE)
  const moves = to.map((note, v) => Math.abs(note - from[v]!))
  const leaps = moves.filter((move) => move > LEAP).length
  const middle = Math.abs((to[0] + to[1] + to[2] + to[3]) / 4 - CENTRE)
  return (
    moves.reduce((sum, move) => sum + move, 0) +
    LEAP * leaps +
    0.3 * middle +
    PARALLEL * parallels(from, to)
  )
}

/**
 * Chords laid out for four voices that move as little as they can, without parallel fifths and
 * octaves.
 *
 * @param before the voices of the chord that sounded before them
 */
export function voiced(chords: readonly Chord[], before?: Voicing): Voicing[] {
  const found: Voicing[] = []
  let last = before
  for (const chord of chords) {
    last = layouts(chord).reduce((best, one) => (cost(last, one) < cost(last, best) ? one : best))
    found.push(last)
  }
  return found
}
