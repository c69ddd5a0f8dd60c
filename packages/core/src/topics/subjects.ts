import { itemAt } from '../faults/certain.ts'
import { wordList } from '../text/pattern.ts'
import { lemma } from '../words/lemma.ts'
import { STOP_WORDS } from '../words/stop.ts'
import { median, type PacedFilm } from './pace.ts'

/** A film with the channel it is of. */
export interface OwnedFilm extends PacedFilm {
  channel: string
  own: boolean
}

export interface Subject {
  /** Its best-known word, or two that mostly stand together. */
  name: string
  /** Words that stand for it in titles, the commonest first. */
  terms: string[]
  /** Other words of its titles, the commonest first. */
  neighbours: string[]
  /** Ids of the films about it, newest first. */
  own: string[]
  others: string[]
  /** How many times the usual its films gained, in the middle; undefined without films. */
  aboveOwn?: number
  aboveOthers?: number
  /** Hours since anybody last covered it. */
  lastOwnHours?: number
  lastOthersHours?: number
}

/** Words of titles that say nothing about their subject (common practice of titles). */
const EMPTY = new Set(
  wordList(`
    how why what when where who which really actually secret secrets story history truth
    inside behind explained explain work works working does do did made make makes making
    way ways thing things best worst ever never every world everyone nobody day days year
    years new old great big small long inside life part episode film video guide work reason
    reasons people know known hidden strange amazing perfect simple first last one two three
    four five six seven eight nine ten
  `),
)
/** Two words that name nearly the same films are one subject. */
const SAME_FILMS = 0.6
/** A subject of everything is none. */
const TOO_WIDE = 0.4

/**
 * What titles are about: words that several films share, joined where they name the same films or
 * where they stand for the same thing.
 *
 * @param related words for the same thing or its next wider kind
 * @param isThing whether a term is a thing: only things are named as neighbours of a subject
 */
export function subjectsOf(
  films: readonly OwnedFilm[],
  related: (word: string) => readonly string[] = () => [],
  isThing: (term: string) => boolean = () => true,
): Subject[] {
  const places = new Map<string, Set<number>>()
  films.forEach(({ title }, i) => {
    for (const term of termsOf(title)) places.set(term, (places.get(term) ?? new Set()).add(i))
  })
  const shared = [...places]
    .filter(
      ([, found]) =>
        found.size >= 2 && (films.length < 10 || found.size <= films.length * TOO_WIDE),
    )
    .sort((a, b) => b[1].size - a[1].size)
  const groups: { terms: string[]; films: Set<number> }[] = []
  for (const [term, found] of shared) {
    const akin = new Set(related(term))
    const home = groups.find(
      (group) =>
        group.terms.some((other) => akin.has(other)) || overlap(group.films, found) >= SAME_FILMS,
    )
    if (home) {
      home.terms.push(term)
      for (const i of found) home.films.add(i)
    } else groups.push({ terms: [term], films: new Set(found) })
  }
  return groups.map(({ terms, films: members }) =>
    subjectOf(
      terms,
      [...members].map((i) => itemAt(films, i)),
      { isThing, spread: (term) => places.get(term)?.size ?? 0 },
    ),
  )
}

export const termsOf = (title: string): string[] => [
  ...new Set(
    (title.toLowerCase().match(/\p{L}[\p{L}’'-]+/gu) ?? [])
      .filter((word) => !STOP_WORDS.has(word) && !EMPTY.has(word))
      .map((word) => lemma(word.replace(/['’]s$/, '')))
      .filter((word) => word.length > 2 && !EMPTY.has(word)),
  ),
]

/** Jaccard. */
const overlap = (a: ReadonlySet<number>, b: ReadonlySet<number>) => {
  const both = [...b].filter((i) => a.has(i)).length
  return both / (a.size + b.size - both)
}

/** What is known of words over all titles. */
interface TitleFacts {
  isThing(term: string): boolean
  /** How many titles have it. */
  spread(term: string): number
}
/** A neighbour must have so much of all its titles in the subject. */
const OWN_SHARE = 0.2

/** "lighthouse keeper": the word before or after a term in most of its titles. */
function pairOf(
  term: string,
  films: readonly OwnedFilm[],
  { isThing, spread }: TitleFacts,
): string | undefined {
  const pairs = new Map<string, number>()
  for (const { title } of films) {
    const words = (title.toLowerCase().match(/\p{L}[\p{L}’'-]+/gu) ?? []).map((word) =>
      lemma(word.replace(/['’]s$/, '')),
    )
    words.slice(1).forEach((word, i) => {
      const pair = [itemAt(words, i), word]
      if (
        pair.includes(term) &&
        pair.every((one) => !STOP_WORDS.has(one) && !EMPTY.has(one) && isThing(one))
      )
        pairs.set(pair.join(' '), (pairs.get(pair.join(' ')) ?? 0) + 1)
    })
  }
  // A word that stands beside everything ("beat") names nothing.
  const [best] = [...pairs]
    .filter(([pair, count]) =>
      pair.split(' ').every((word) => word === term || count >= spread(word) * OWN_SHARE),
    )
    .sort((a, b) => b[1] - a[1])
  return best && best[1] >= 2 && best[1] > films.length * SAME_FILMS ? best[0] : undefined
}

function neighboursOf(
  terms: readonly string[],
  films: readonly OwnedFilm[],
  { isThing, spread }: TitleFacts,
): string[] {
  const counts = new Map<string, number>()
  for (const { title } of films)
    for (const word of termsOf(title))
      if (!terms.includes(word) && isThing(word)) counts.set(word, (counts.get(word) ?? 0) + 1)
  return [...counts]
    .filter(([word, count]) => count >= spread(word) * OWN_SHARE)
    .sort((a, b) => b[1] - a[1])
    .slice(0, 4)
    .map(([word]) => word)
}

function subjectOf(terms: string[], films: readonly OwnedFilm[], facts: TitleFacts): Subject {
  const byAge = [...films].sort((a, b) => a.ageHours - b.ageHours)
  const [own, others] = [byAge.filter((film) => film.own), byAge.filter((film) => !film.own)]
  return {
    name: pairOf(itemAt(terms, 0), films, facts) ?? itemAt(terms, 0),
    terms,
    neighbours: neighboursOf(terms, films, facts),
    own: own.map(({ id }) => id),
    others: others.map(({ id }) => id),
    ...(own.length
      ? { aboveOwn: median(own.map(({ above }) => above)), lastOwnHours: itemAt(own, 0).ageHours }
      : {}),
    ...(others.length
      ? {
          aboveOthers: median(others.map(({ above }) => above)),
          lastOthersHours: itemAt(others, 0).ageHours,
        }
      : {}),
  }
}
