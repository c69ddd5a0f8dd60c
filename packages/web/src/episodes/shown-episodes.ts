import type { EpisodeRow } from '@tidy-reel/core/views/episode'

/** Where an episode can be. */
export const PLACES = [
  { name: 'work', label: 'In work', empty: 'Nothing is in work. Begin a new episode.' },
  { name: 'archive', label: 'Archive', empty: 'Nothing has been put away.' },
  { name: 'bin', label: 'Bin', empty: 'The bin is empty.' },
] as const
export type Place = (typeof PLACES)[number]['name']

export const ORDERS = {
  changed: 'Changed last',
  title: 'By title',
  longest: 'Longest first',
  first: 'Changed first',
} as const

const BY: Record<keyof typeof ORDERS, (a: EpisodeRow, b: EpisodeRow) => number> = {
  changed: (a, b) => b.updatedAt.localeCompare(a.updatedAt),
  first: (a, b) => a.updatedAt.localeCompare(b.updatedAt),
  title: (a, b) => a.title.localeCompare(b.title, undefined, { numeric: true }),
  longest: (a, b) => b.seconds - a.seconds,
}

const placeOf = ({ deletedAt, archived }: EpisodeRow): Place => {
  if (deletedAt) return 'bin'
  return archived ? 'archive' : 'work'
}

/** @param words all of which a title must have, in any order; letters of any size, without accents */
export function shownEpisodes(
  episodes: readonly EpisodeRow[],
  place: Place,
  words: string,
  order: keyof typeof ORDERS,
): EpisodeRow[] {
  const wanted = plain(words).split(/\s+/).filter(Boolean)
  return episodes
    .filter((episode) => placeOf(episode) === place)
    .filter(({ title }) => wanted.every((word) => plain(title).includes(word)))
    .sort(BY[order])
}

const plain = (text: string) => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase()
