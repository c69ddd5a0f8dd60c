import { itemAt } from '../../faults/certain.ts'
import {
  type Fullness,
  type Instrumentation,
  INSTRUMENTATIONS,
  type Mood,
  type MusicPart,
} from '../../style/film-choices.ts'
import { chance, shortHash } from '../../text/hash.ts'
import type { Key } from './chords.ts'
import { barSamples, type FilmForm, formOf, tempoFor } from './form.ts'
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
  fullness?: Fullness
  sings?: boolean
  seed: string
}

/** Keys that lie well for all instruments: from A flat to E. */
const TONICS = [0, 2, 3, 4, 5, 7, 8, 9, 10]

const keyOf = ({ mood, seed }: BedAsked): Key => ({
  tonic: itemAt(TONICS, Math.floor(chance(`${seed} key`) * TONICS.length)),
  mode: MOOD_MUSIC[mood].mode,
})

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
    fullness: asked.fullness ?? 'usual',
  }
  const sections = new Map<string, OrderedSection>()
  const placed = formOf(film, tempo).map(({ at, ...section }) => {
    const lead = section.lead || (!!asked.sings && section.kind !== 'rest')
    const order = { ...common, ...section, lead }
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

/** Samples of a bed where its bars begin. */
export function bedBars({ placed, sections, tempo }: BedPlan): number[] {
  const bars = new Map(sections.map(({ id, order }) => [id, order.bars]))
  return placed.flatMap(({ id, at }) =>
    Array.from({ length: bars.get(id) ?? 0 }, (_, i) => at + i * barSamples(tempo)),
  )
}
