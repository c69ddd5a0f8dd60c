import { itemAt } from '../../faults/certain.ts'
import { SAMPLE_RATE } from '../../time/time.ts'
import { BEATS_A_BAR, type SectionKind } from './section.ts'

/** A film as its music needs to know it; samples. */
export interface FilmForm {
  samples: number
  /** Where chapters begin, in order; the first stretch of a film need not be one. */
  chapters: readonly number[]
  /** Where the last word ends. */
  spokenEnd: number
  /** Where the first word begins. */
  spokenStart: number
}

/** A section at its place in a film. */
export interface PlacedSection {
  kind: SectionKind
  bars: number
  at: number
  held: number
  lead: boolean
}

/** Bars of a whole section, of an opening and of the way home. */
const WHOLE = 8
const OPENING = 4
const ENDING = 3
/** A shorter chapter goes on in the section before it. */
const SHORTEST_CHAPTER = 4
/** A remainder shorter than this is a rest, not a piece of a section. */
const SHORTEST_PIECE = 4
/** A bar of four beats in samples, at so many beats a minute. */
export const barSamples = (tempo: number) => Math.round((BEATS_A_BAR * 60 * SAMPLE_RATE) / tempo)

/** What follows what; round and round in a long chapter. */
const ROUND: readonly SectionKind[] = ['story', 'other', 'story', 'build']

/** Stretches between the beginnings of chapters that are long enough for music of their own. */
function stretches({ samples, chapters }: FilmForm, bar: number, end: number): [number, number][] {
  const starts = [0]
  for (const at of chapters)
    if (at - itemAt(starts, starts.length - 1) >= SHORTEST_CHAPTER * bar && end - at >= bar)
      starts.push(at)
  return starts.map((at, i) => [at, starts[i + 1] ?? Math.min(samples, end)])
}

/** Samples of a film that no bar fills, before each change of chapter, at a tempo. */
function waste(film: FilmForm, tempo: number): number {
  const bar = barSamples(tempo)
  return stretches(film, bar, homeAt(film, bar)).reduce(
    (sum, [from, to]) => sum + ((to - from) % bar),
    0,
  )
}

/** Where the way home begins: its last chord comes with the end of the last word. */
const homeAt = ({ spokenEnd, samples }: FilmForm, bar: number) =>
  Math.max(0, Math.min(spokenEnd, samples - bar) - (ENDING - 1) * bar)

/**
 * The tempo between two at which bars fill a film's chapters best: nothing is stretched, a chapter
 * begins its own first bar.
 *
 * @param wanted a share of the way from the slowest to the fastest that is preferred among equals
 */
export function tempoFor(
  film: FilmForm,
  [slowest, fastest]: readonly [number, number],
  wanted: number,
): number {
  const middle = slowest + (fastest - slowest) * wanted
  let best = middle
  let least = Infinity
  for (let tempo = slowest; tempo <= fastest; tempo += 0.25) {
    const cost = waste(film, tempo) + Math.abs(tempo - middle) * 0.02 * SAMPLE_RATE
    if (cost < least) [best, least] = [tempo, cost]
  }
  return best
}

/**
 * A film's music as sections: every chapter begins with one, a long chapter goes round through
 * several, what is left before the next chapter is a rest, and the last one comes home with the end
 * of the last word.
 *
 * @returns in order; one at least, an ending for a film of a few bars
 */
export function formOf(film: FilmForm, tempo: number): PlacedSection[] {
  const bar = barSamples(tempo)
  const home = homeAt(film, bar)
  const placed = stretches(film, bar, home).flatMap(([from, to], i) =>
    filled(from, Math.floor((to - from) / bar), {
      bar,
      opens: i === 0,
      spokenStart: film.spokenStart,
    }),
  )
  const first = placed.length ? home : 0
  const held = Math.max(1, Math.ceil((film.samples - first) / bar) - (ENDING - 1))
  const bars = Math.min(ENDING, Math.max(1, Math.floor((film.samples - first) / bar)))
  return [...placed, { kind: 'ending', bars, at: first, held, lead: true }]
}

/** Sections one after another, so many bars of them. */
function filled(
  at: number,
  bars: number,
  how: { bar: number; opens: boolean; spokenStart: number },
): PlacedSection[] {
  const found: PlacedSection[] = []
  let left = bars
  let next = at
  let turn = 0
  const add = (kind: SectionKind, count: number, lead = false) => {
    found.push({ kind, bars: count, at: next, held: 1, lead })
    next += count * how.bar
    left -= count
  }
  if (how.opens && left >= OPENING)
    add('opening', OPENING, how.spokenStart >= next + (OPENING - 1) * how.bar)
  while (left > 0) {
    const kind = itemAt(ROUND, turn++ % ROUND.length)
    if (left >= WHOLE) add(kind, WHOLE)
    else if (left >= SHORTEST_PIECE) add(kind, left)
    else add('rest', left)
  }
  return found
}
