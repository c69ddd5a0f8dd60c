import type { Document } from '../../document/document.ts'
import { itemAt } from '../../faults/certain.ts'
import {
  type Instrumentation,
  INSTRUMENTATIONS,
  type Mood,
  type MusicPart,
} from '../../style/film-choices.ts'
import { chance, shortHash } from '../../text/hash.ts'
import type { Timeline } from '../../timeline/timeline.ts'
import type { Key } from './chords.ts'
import { type FilmForm, formOf, tempoFor } from './form.ts'
import { MOOD_MUSIC } from './moods.ts'
import type { SectionOrder } from './section.ts'

/** A section to be played, and what is left out of it. */
export interface OrderedSection extends SectionOrder {
  without: readonly MusicPart[]
}

/** The music of a film: what is played, and where. */
export interface BedPlan {
  tempo: number
  samples: number
  /** Each once. */
  sections: readonly { id: string; order: OrderedSection }[]
  placed: readonly { id: string; at: number }[]
}

export interface BedAsked {
  mood: Exclude<Mood, 'none'>
  /** Left out: as the seed has it. */
  instruments?: Instrumentation
  without?: readonly MusicPart[]
  seed: string
}

/** Keys that lie well for all instruments: from A flat to E. */
const TONICS = [0, 2, 3, 4, 5, 7, 8, 9, 10]

const keyOf = ({ mood, seed }: BedAsked): Key => ({
  tonic: itemAt(TONICS, Math.floor(chance(`${seed} key`) * TONICS.length)),
  mode: MOOD_MUSIC[mood].mode,
})

/** A film's shape as its music follows it. */
function filmForm({ samples, chapters, scenes }: Timeline): FilmForm {
  const spoken = scenes.filter(({ speechEnd, speechStart }) => speechEnd > speechStart)
  return {
    samples,
    chapters: chapters.map(({ startSample }) => startSample).filter((at) => at > 0),
    spokenStart: spoken[0]?.speechStart ?? samples,
    spokenEnd: spoken.at(-1)?.speechEnd ?? samples,
  }
}

/** The music of a film; the same for the same words, lengths and seed. */
export function bedPlan(asked: BedAsked, film: FilmForm): BedPlan {
  const { mood, seed } = asked
  const tempo = tempoFor(film, MOOD_MUSIC[mood].tempo, chance(`${seed} tempo`))
  const byChance = itemAt(
    INSTRUMENTATIONS,
    Math.floor(chance(`${seed} instruments`) * INSTRUMENTATIONS.length),
  )
  const common = {
    mood,
    instruments: asked.instruments ?? byChance,
    key: keyOf(asked),
    tempo,
    seed,
    without: asked.without ?? [],
  }
  const sections = new Map<string, OrderedSection>()
  const placed = formOf(film, tempo).map(({ at, ...section }) => {
    const order = { ...common, ...section }
    const id = shortHash(JSON.stringify(order))
    sections.set(id, order)
    return { id, at }
  })
  return {
    tempo,
    samples: film.samples,
    sections: [...sections].map(([id, order]) => ({ id, order })),
    placed,
  }
}

/** The music a film asks for; undefined where it asks for none. */
export function filmBedPlan(
  { mood, title, score }: Pick<Document, 'mood' | 'title' | 'score'>,
  plan: Timeline,
): BedPlan | undefined {
  if (mood === 'none') return undefined
  const { instruments, without } = score
  const asked = { mood, seed: title, without, ...(instruments ? { instruments } : {}) }
  return bedPlan(asked, filmForm(plan))
}
