import type { Document } from '../../document/document.ts'
import type { Film } from '../../document/film-scenes.ts'
import type { Instrumentation, Mood } from '../../style/film-choices.ts'
import type { Timeline } from '../../timeline/timeline.ts'
import type { AskedMusic } from './asked-music.ts'
import { type BedPlan, bedPlan } from './bed-plan.ts'
import type { FilmForm } from './form.ts'
import { merged, painted, type Run, wishesOf } from './music-wishes.ts'
import { leadIn, moodIn, namesNothing } from './music-words.ts'
import type { OwnMusic } from './own/own-music.ts'

/** Own music as a film is planned with it: which it is, and whose. */
export type KnownOwn = Pick<OwnMusic, 'id' | 'title' | 'author' | 'licence' | 'credit'>

/** What there is of a person's own music. */
export interface OwnShelf {
  byId: (id: string) => KnownOwn | undefined
  byWords: (words: string) => KnownOwn | undefined
}

/** What is played under a stretch of a film. */
export type Played =
  | { kind: 'made'; mood: Exclude<Mood, 'none'>; led: Instrumentation | null }
  | { kind: 'own'; own: KnownOwn }
  | { kind: 'none' }

/** Words that no music fits. */
export interface UnmetMusic {
  sceneId: string
  index: number
  words: string
}

/** Music to be played at its place: made by sections, or own, to be cut to its length. */
export interface PlacedMusic {
  from: number
  to: number
  music: { kind: 'made'; mood: Exclude<Mood, 'none'>; plan: BedPlan } | ({ kind: 'own' } & KnownOwn)
}

/** All music of a film. */
export interface FilmMusic {
  samples: number
  /** In order, apart; between them it is silent. */
  parts: readonly PlacedMusic[]
}

/** What a film plays where nobody says otherwise. */
function usual({ mood, score }: Pick<Document, 'mood' | 'score'>, shelf: OwnShelf): Played {
  const own = score.own === null ? undefined : shelf.byId(score.own)
  if (own) return { kind: 'own', own }
  return mood === 'none' ? { kind: 'none' } : { kind: 'made', mood, led: score.instruments }
}

/** What words stand for; undefined where nothing fits. */
function playedBy(
  { words, led }: AskedMusic,
  film: Played,
  { byWords }: OwnShelf,
): Played | undefined {
  const own = words && !namesNothing(words) ? byWords(words) : undefined
  if (own) return { kind: 'own', own }
  const lead = led ?? leadIn(words) ?? null
  const mood = moodIn(words)
  if (mood === 'none') return { kind: 'none' }
  if (mood) return { kind: 'made', mood, led: lead ?? (film.kind === 'made' ? film.led : null) }
  if (!lead) return namesNothing(words) ? film : undefined
  return { kind: 'made', mood: film.kind === 'made' ? film.mood : 'calm', led: lead }
}

/** What is played under a film from end to end, and what of the script nothing fits. */
export function musicRuns(
  document: Pick<Document, 'mood' | 'score'>,
  film: Pick<Film, 'scenes'>,
  timeline: Timeline,
  shelf: OwnShelf,
): { runs: Run<Played>[]; unmet: UnmetMusic[] } {
  const played = usual(document, shelf)
  const unmet: UnmetMusic[] = []
  let runs: Run<Played>[] = [{ from: 0, to: timeline.samples, value: played }]
  for (const { from, to, sceneId, index, asked } of wishesOf(timeline, film)) {
    if (!asked.words && !asked.led) continue
    const value = playedBy(asked, played, shelf)
    if (value) runs = painted(runs, { from, to, value })
    else unmet.push({ sceneId, index, words: asked.words })
  }
  return { runs: merged(runs), unmet }
}

/** A stretch of a film's shape as its music follows it. */
function formWithin({ chapters, scenes }: Timeline, from: number, to: number): FilmForm {
  const spoken = scenes.filter(
    ({ speechEnd, speechStart }) => speechEnd > speechStart && speechEnd > from && speechStart < to,
  )
  return {
    samples: to - from,
    chapters: chapters
      .map(({ startSample }) => startSample - from)
      .filter((at) => at > 0 && at < to - from),
    spokenStart: Math.max(0, (spoken[0]?.speechStart ?? to) - from),
    spokenEnd: Math.min(to, spoken.at(-1)?.speechEnd ?? to) - from,
  }
}

/**
 * The music of a film: under each stretch what the film, or its script at that place, asks for, with
 * a form and an ending of its own.
 *
 * @returns no music where there is none at all; and what of the script nothing fits
 */
export function filmMusic(
  document: Pick<Document, 'mood' | 'title' | 'score'>,
  film: Pick<Film, 'scenes'>,
  timeline: Timeline,
  shelf: OwnShelf,
): { music: FilmMusic | undefined; unmet: UnmetMusic[] } {
  const { title, score } = document
  const { without, fullness, sings } = score
  const { runs, unmet } = musicRuns(document, film, timeline, shelf)
  const parts = runs.flatMap(({ from, to, value }): PlacedMusic[] => {
    if (value.kind === 'none') return []
    if (value.kind === 'own') return [{ from, to, music: { kind: 'own', ...value.own } }]
    const { mood, led } = value
    const players = { without, fullness, sings, ...(led ? { instruments: led } : {}) }
    const plan = bedPlan({ mood, seed: title, ...players }, formWithin(timeline, from, to))
    return [{ from, to, music: { kind: 'made', mood, plan } }]
  })
  return { music: parts.length ? { samples: timeline.samples, parts } : undefined, unmet }
}
