import MiniSearch from 'minisearch'
import type { Time } from '../stock/paint/light.ts'
import { Random } from '../stock/paint/random.ts'
import type { Style } from '../stock/paint/styles.ts'
import type { Recipe } from '../stock/recipes.ts'
import { MACHINES, PLACES, type Subject, SUBJECTS } from '../stock/subjects.ts'

export interface Wish {
  description: string
  style: Style
  /** Words of things that must not be seen. */
  without: readonly string[]
  upright: boolean
  seed: number
}

/** A picture that can be painted, and what is to be seen in it. */
export interface Composition {
  recipe: Recipe
  shows: string[]
}

const HOURS: readonly (readonly [said: RegExp, time: Time])[] = [
  [/\b(?:night|midnight|dark|darkness|stars?|moonlight)\b/i, 'night'],
  [/\b(?:dawn|sunrise|morning)\b/i, 'dawn'],
  [/\b(?:dusk|sunset|evening|twilight)\b/i, 'dusk'],
  [/\b(?:storm|stormy|rain|rainy|fog|foggy|clouds?|cloudy|grey|gr[ae]y)\b/i, 'grey'],
  [/\b(?:day|daylight|noon|sunny)\b/i, 'day'],
]
const FAIR: readonly Time[] = ['day', 'dusk', 'dawn', 'day']

type Kind = 'machine' | 'place' | 'subject'
interface Known {
  id: string
  kind: Kind
  name: string
  tags: string
}

const term = (word: string) => word.toLowerCase().replace(/(?<=[^s]{3})s$/, '')
const known: Known[] = [
  ...Object.entries(MACHINES).map(([id, { title, tags }]) => ({
    id: `machine ${id}`,
    kind: 'machine' as const,
    name: title,
    tags,
  })),
  ...Object.entries(PLACES).map(([id, { name, tags }]) => ({
    id: `place ${id}`,
    kind: 'place' as const,
    name,
    tags,
  })),
  ...SUBJECTS.map(({ drawing, name, tags }) => ({
    id: `subject ${drawing}`,
    kind: 'subject' as const,
    name: `${name} ${drawing.replace(/-/g, ' ')}`,
    tags: tags.join(' '),
  })),
]
const SKIPPED = new Set(
  'a an the of in on at by with and or to for from its it is are as over under into behind before after very small large big old great film about'.split(
    ' ',
  ),
)
const index = new MiniSearch<Known>({
  fields: ['name', 'tags'],
  storeFields: ['kind'],
  processTerm: (word) => (SKIPPED.has(word.toLowerCase()) ? null : term(word)),
  searchOptions: { boost: { name: 2.5 }, boostTerm: (_term, i) => (i === 0 ? 2 : 1) },
})
index.addAll(known)

/**
 * What to paint for a description: a thing that is at work, or a subject in a place, at the hour
 * that is spoken of.
 *
 * The first sentence counts; what follows it is asked only where that names nothing that can be
 * painted.
 */
export function compose(wish: Wish): Composition {
  const [first = '', ...rest] = wish.description.split(/(?<=[.!?;])\s+/)
  return (
    composed(first, wish) ??
    composed(rest.join(' '), wish) ?? {
      recipe: recipe(wish, 'skyward', undefined),
      shows: ['clouds in a wide sky'],
    }
  )
}

function composed(text: string, wish: Wish): Composition | undefined {
  const banned = new Set(wish.without.flatMap((words) => words.split(/\s+/)).map(term))
  const allowed = ({ name, tags }: Known) =>
    ![...name.split(' '), ...tags.split(' ')].some((word) => banned.has(term(word)))
  // The hour colours the picture; it is no thing in it.
  const things = HOURS.reduce((left, [said]) => left.replace(new RegExp(said, 'gi'), ''), text)
  const found = index
    .search(things, { filter: ({ id }) => allowed(known.find((each) => each.id === id)!) })
    .map(({ id, score, kind }) => ({ name: String(id).split(' ')[1]!, score, kind: kind as Kind }))
  const best = (kind: Kind) => found.find((each) => each.kind === kind)
  const [machine, subject, place] = [best('machine'), best('subject'), best('place')]
  const random = new Random(`${wish.seed} ${text}`)
  if (machine && machine.score >= Math.max(subject?.score ?? 0, 1))
    return {
      recipe: recipe(wish, machine.name, undefined, text),
      shows: [MACHINES[machine.name]!.title],
    }
  if (subject) {
    const painted = SUBJECTS.find(({ drawing }) => drawing === subject.name)!
    // A place the words speak of, before one the thing is usually in.
    const where =
      place && place.score > subject.score * 0.5
        ? place.name
        : random.pick(painted.places.filter((name) => allowed(placeNamed(name))).concat('plain'))
    return {
      recipe: recipe(wish, where, painted, text),
      shows: [painted.name, ...(PLACES[where] ? [PLACES[where].name] : [])],
    }
  }
  return place
    ? { recipe: recipe(wish, place.name, undefined, text), shows: [PLACES[place.name]!.name] }
    : undefined
}

const placeNamed = (name: string): Known => ({
  id: name,
  kind: 'place',
  name: PLACES[name]?.name ?? '',
  tags: PLACES[name]?.tags ?? '',
})

function recipe(
  { style, upright, seed }: Wish,
  setting: string,
  subject: Subject | undefined,
  text = '',
): Recipe {
  const said = HOURS.find(([pattern]) => pattern.test(text))?.[1]
  const time = said ?? FAIR[Math.abs(seed) % FAIR.length]!
  return {
    seed: `made ${seed} ${setting}`,
    setting,
    time,
    style,
    ...(upright ? { upright } : {}),
    ...(subject ? { subject: { drawing: subject.drawing, act: subject.act } } : {}),
  }
}
