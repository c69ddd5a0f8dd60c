import type { Document } from '../../document/document.ts'
import type { Film } from '../../document/film-scenes.ts'
import type { Instrumentation, Mood } from '../../style/film-choices.ts'
import type { Timeline } from '../../timeline/timeline.ts'
import type { AskedMusic } from './asked-music.ts'
import { type BedPlan, bedPlan } from './bed-plan.ts'
import { barSamples, type FilmForm } from './form.ts'
import { merged, painted, type Run, wishesOf } from './music-wishes.ts'
import { leadIn, moodIn, namesNothing } from './music-words.ts'
import type { HeardMusic } from './own/heard-music.ts'
import { type OwnCut, ownCuts } from './own/own-cuts.ts'
import type { OwnMusic } from './own/own-music.ts'

/** Own music as a film is planned with it. */
export interface KnownOwn extends OwnCredit {
  id: string
  heard: HeardMusic
}

/** Whose own music is. */
export type OwnCredit = Pick<OwnMusic, 'title' | 'author' | 'licence' | 'credit'>

/** What there is of a person's own music. */
export interface OwnShelf {
  byId: (id: string) => KnownOwn | undefined
  byWords: (words: string) => KnownOwn | undefined
}
export const NO_SHELF: OwnShelf = { byId: () => undefined, byWords: () => undefined }

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

/** Music to be played at its place: made by sections, or own, cut to its length. */
export interface PlacedMusic {
  from: number
  to: number
  music:
    | { kind: 'made'; mood: Exclude<Mood, 'none'>; plan: BedPlan }
    | ({ kind: 'own'; id: string; cuts: readonly OwnCut[] } & OwnCredit)
  /** Where its bars begin; samples of the film. */
  bars: readonly number[]
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

function madeBars({ placed, sections, tempo }: BedPlan, from: number): number[] {
  const bars = new Map(sections.map(({ id, order }) => [id, order.bars]))
  return placed.flatMap(({ id, at }) =>
    Array.from({ length: bars.get(id) ?? 0 }, (_, i) => from + at + i * barSamples(tempo)),
  )
}

const ownBars = ({ bars }: HeardMusic, cuts: readonly OwnCut[], from: number): number[] =>
  cuts.flatMap((cut) =>
    bars
      .slice(0, -1)
      .filter((bar) => bar >= cut.from && bar < cut.from + cut.length - cut.fades[1])
      .map((bar) => from + cut.at + bar - cut.from),
  )

/** At the film's end the music ends with it, and comes in a little later for that. */
function endingAt(cuts: readonly OwnCut[], end: number | undefined): OwnCut[] {
  const last = cuts.at(-1)
  const late = last && end !== undefined ? Math.max(0, end - last.at - last.length) : 0
  return cuts.map((cut) => ({ ...cut, at: cut.at + late }))
}

/**
 * The music of a film: under each stretch what the film, or its script at that place, asks for, with
 * a form and an ending of its own.
 *
 * @returns undefined where there is none at all
 */
export function filmMusic(
  document: Pick<Document, 'mood' | 'title' | 'score'>,
  film: Pick<Film, 'scenes'>,
  timeline: Timeline,
  shelf: OwnShelf,
): FilmMusic | undefined {
  const { title, score } = document
  const { runs } = musicRuns(document, film, timeline, shelf)
  const parts = runs.flatMap(({ from, to, value }): PlacedMusic[] => {
    if (value.kind === 'none') return []
    if (value.kind === 'own') {
      const { heard, ...own } = value.own
      const cuts = endingAt(
        ownCuts(heard, to - from),
        to < timeline.samples ? undefined : to - from,
      )
      return [{ from, to, music: { kind: 'own', ...own, cuts }, bars: ownBars(heard, cuts, from) }]
    }
    const { mood, led } = value
    const { without, fullness, sings } = score
    const asked = {
      mood,
      seed: title,
      without,
      fullness,
      sings,
      ...(led ? { instruments: led } : {}),
    }
    const plan = bedPlan(asked, formWithin(timeline, from, to))
    return [{ from, to, music: { kind: 'made', mood, plan }, bars: madeBars(plan, from) }]
  })
  return parts.length ? { samples: timeline.samples, parts } : undefined
}
