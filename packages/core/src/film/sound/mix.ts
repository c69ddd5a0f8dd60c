import type { Mixing } from '../../style/film-choices.ts'
import { SAMPLE_RATE } from '../../time/time.ts'

/** LU every take is brought to before it is mixed; leaves room for its peaks. */
export const TAKE_LUFS = -20
/** Loudness of speech in the mix, where a take of one channel sounds in both, LUFS. */
export const SPEECH_LUFS = TAKE_LUFS + 10 * Math.log10(2)
/** The ceiling of EBU R 128. */
export const TRUE_PEAK_DBTP = -1
/** WCAG 2.2 SC 1.4.7: decibels between speech and what lies behind it. */
export const LEAST_BELOW_SPEECH_DB = 20

/** Where nobody speaks for so long the music rises, in seconds. */
const PAUSE_SECONDS = 1.5
/** A pause longer by so much is one it rises all the way in. */
const LONGER_SECONDS = 1
/** So much of the rise a pause that is just long enough gets. */
const SHORT_RISE = 0.5
/** The music steps aside before the first syllable, and comes back by a slower slope. */
const ASIDE_SECONDS = 0.35
const BACK_SECONDS = 0.9
/** It is aside so long before the first and after the last sound. */
const CLEAR_SECONDS = 0.06
const HOLD_SECONDS = 0.12
const FADE_IN_SECONDS = 1.5
const FADE_OUT_SECONDS = 3

/** What is taken out of the music under speech: the band where its consonants lie, 1 to 4 kHz. */
export const SPEECH_BAND = { hz: 2000, q: 0.7, db: -6 }

/** A bed as the mix needs to know it. */
export interface BedLevels {
  /** After so many samples it begins again. */
  loopSamples: number
  /** Integrated loudness as it was made, LUFS. */
  lufs: number
  /** Loudness of each half second of it with the speech's band taken out, LUFS. */
  levels: readonly number[]
}
export const BED_LEVELS_A_SECOND = 2

/** Samples of the film. */
interface Span {
  start: number
  end: number
}

/** Somebody speaks, at a loudness. */
export interface SpokenSpan extends Span {
  lufs: number
}

/** Where the music lies, and how far the speech's band is taken out of it, 0 to 1. */
export interface CurvePoint {
  at: number
  db: number
  dip: number
}

/** A quiet passage of a bed is raised by so much at most. */
const MOST_RAISED_DB = 3

const samples = (seconds: number) => Math.round(seconds * SAMPLE_RATE)

/** Loudness of a bed over a stretch of the film, LUFS. */
export function bedLoudness({ loopSamples, lufs, levels }: BedLevels, { start, end }: Span) {
  const step = SAMPLE_RATE / BED_LEVELS_A_SECOND
  const first = Math.floor(start / step)
  const count = Math.max(1, Math.ceil(end / step) - first)
  const round = Math.max(1, Math.round(loopSamples / step))
  let power = 0
  for (let i = first; i < first + count; i++) power += 10 ** ((levels[i % round] ?? lufs) / 10)
  return 10 * Math.log10(power / count)
}

/** The music lies so far below all that is said from `start` to `end`. */
interface Aside extends Span {
  db: number
  /** Decibels nearer to the voice than in the film. */
  nearer: number
}

/** Stretches in which the music lies nearer to the voice than in the film, in decibels. */
export type Nearer = readonly { from: number; to: number; value: number }[]

const nearerAt = (nearer: Nearer, at: number) =>
  nearer.find(({ from, to }) => at >= from && at < to)?.value ?? 0

/** Where the music steps aside: pauses too short to come back in are part of it. */
function asides(
  spoken: readonly SpokenSpan[],
  bed: BedLevels,
  film: number,
  levels: Nearer,
): Aside[] {
  const found: Aside[] = []
  for (const span of spoken) {
    const nearer = nearerAt(levels, span.start)
    const below = film - nearer
    const usual = span.lufs - below - bed.lufs
    const db = Math.min(span.lufs - below - bedLoudness(bed, span), usual + MOST_RAISED_DB)
    const [start, end] = [span.start - samples(CLEAR_SECONDS), span.end + samples(HOLD_SECONDS)]
    const last = found.at(-1)
    const isClose = last && start - last.end < samples(PAUSE_SECONDS - CLEAR_SECONDS - HOLD_SECONDS)
    if (isClose && last.nearer === nearer) {
      last.end = end
      last.db = Math.min(last.db, db)
      continue
    }
    // Where the level is another from one sentence to the next it changes between them.
    const lastSaid = last ? last.end - samples(HOLD_SECONDS) : -Infinity
    const middle = (lastSaid + span.start) / 2
    if (last) last.end = Math.min(last.end, middle)
    found.push({ start: Math.max(start, middle), end, db, nearer })
  }
  return found
}

/**
 * Gain of the music over a film: below every sentence by what is asked for, aside before the first
 * syllable, back in every pause that is long enough and in none that is not. Between two points it
 * goes by half a cosine, in decibels.
 *
 * @param length samples of the film
 * @param spoken in order, apart; those where nobody is heard left out
 * @param nearer where it is to lie nearer to the voice or farther from it
 * @returns in order, one at least; before the first and after the last it stays
 */
export function musicCurve(
  length: number,
  spoken: readonly SpokenSpan[],
  bed: BedLevels,
  { below, rise }: Pick<Mixing, 'below' | 'rise'>,
  nearer: Nearer = [],
): CurvePoint[] {
  const open = SPEECH_LUFS - below - bed.lufs + rise
  const places = asides(spoken, bed, below, nearer)
  const points: CurvePoint[] = []
  for (let i = 0; i <= places.length; i++) {
    const [before, after] = [places[i - 1], places[i]]
    const nearest = nearerAt(nearer, after ? after.start - 1 : (before?.end ?? 0))
    points.push(...between(before, after, { length, open: open + nearest }))
    if (after) points.push({ at: after.start, db: after.db, dip: 1 })
    if (after) points.push({ at: after.end, db: after.db, dip: 1 })
  }
  return points
}

/** The way up and down again where nobody speaks; `[]` where there is no room for it. */
function between(
  before: Aside | undefined,
  after: Aside | undefined,
  { length, open }: { length: number; open: number },
): CurvePoint[] {
  const up = before ? before.end + samples(BACK_SECONDS) : 0
  const down = after ? after.start - samples(ASIDE_SECONDS) : length
  if (up > down) return []
  const low = Math.max(before?.db ?? -Infinity, after?.db ?? -Infinity)
  // At the film's ends it has all the room there is.
  const pause = before && after ? (after.start - before.end) / SAMPLE_RATE : Infinity
  const share = SHORT_RISE + (1 - SHORT_RISE) * clamp((pause - PAUSE_SECONDS) / LONGER_SECONDS)
  const top = low === -Infinity ? open : low + Math.max(0, open - low) * share
  return [up, down].map((at) => ({ at, db: top, dip: 1 - share }))
}

const clamp = (share: number) => Math.min(1, Math.max(0, share))
const halfCosine = (share: number) => 0.5 - 0.5 * Math.cos(Math.PI * clamp(share))

/** Decibels and dip of a curve at a moment. */
export function onCurve(points: readonly CurvePoint[], at: number): { db: number; dip: number } {
  const next = firstAfter(points, at)
  const [a, b] = [points[next - 1] ?? points[next], points[next] ?? points[next - 1]]
  if (!a || !b) return { db: -Infinity, dip: 0 }
  const share = b.at > a.at ? halfCosine((at - a.at) / (b.at - a.at)) : 1
  return { db: a.db + (b.db - a.db) * share, dip: a.dip + (b.dip - a.dip) * share }
}

/** Index of the first point after a moment; their number where there is none. */
function firstAfter(points: readonly CurvePoint[], at: number): number {
  let [low, high] = [0, points.length]
  while (low < high) {
    const middle = (low + high) >> 1
    if ((points[middle]?.at ?? 0) > at) high = middle
    else low = middle + 1
  }
  return low
}

/** Samples in which something comes and goes. */
export type Fades = readonly [rise: number, fall: number]

/** Of a short film a quarter and a half at most. */
const fadeSamples = (length: number): Fades => [
  Math.min(length >> 2, samples(FADE_IN_SECONDS)),
  Math.min(length >> 1, samples(FADE_OUT_SECONDS)),
]

/** Decibels the music lies below what is said; the film's fades left aside. */
export const belowSpeech = (points: readonly CurvePoint[], bed: BedLevels, span: SpokenSpan) =>
  span.lufs - onCurve(points, span.start).db - bedLoudness(bed, span)

/**
 * A film's own rise and fall, as a factor.
 *
 * @param fades samples of both, where they are not the film's
 */
export function fadeOf(length: number, at: number, fades: Fades = fadeSamples(length)): number {
  const [rise, fall] = fades
  return Math.min(shareOf(at + 1, rise), shareOf(length - at, fall))
}

/** How far something has come; at once where it takes no time. */
const shareOf = (passed: number, fade: number) =>
  fade > 0 ? halfCosine(passed / fade) : Number(passed >= 0)

const isStill = (a: CurvePoint, b: CurvePoint) => a.db === b.db && a.dip === b.dip

/**
 * Moments between which the music's gain goes in straight lines, near enough for an ear: its points
 * and, where it moves, every so many samples between them.
 */
export function curveMoments(
  points: readonly CurvePoint[],
  length: number,
  step: number,
  fades: Fades = fadeSamples(length),
): number[] {
  const [rise, fall] = fades
  const ends = [0, rise, length - fall, length]
  const moving = points.flatMap((point, i): [number, number][] => {
    const next = points[i + 1]
    return next && !isStill(point, next) ? [[point.at, next.at]] : []
  })
  const moments = new Set([...ends, ...points.map(({ at }) => at)])
  for (const [from, to] of [...moving, [0, rise], [length - fall, length]] as const)
    for (let at = from; at < to; at += step) moments.add(Math.round(at))
  return [...moments].filter((at) => at >= 0 && at <= length).sort((a, b) => a - b)
}

/**
 * Factors of the music at a moment: of the bed as it is, and of the bed with the speech's band
 * taken out.
 */
export function musicGains(
  points: readonly CurvePoint[],
  length: number,
  at: number,
  fades?: Fades,
) {
  const { db, dip } = onCurve(points, at)
  const gain = fadeOf(length, at, fades) * 10 ** (db / 20)
  return { plain: gain * (1 - dip), dipped: gain * dip }
}
