import { describe, expect, it } from 'vitest'
import type { EpisodeRow } from '@tidy-reel/core/views/episode'
import { shownEpisodes } from './shown-episodes.ts'

const row = (title: string, more: Partial<EpisodeRow> = {}): EpisodeRow => ({
  id: title,
  title,
  scenes: 1,
  words: 5,
  seconds: 10,
  state: 'script',
  updatedAt: '2026-11-01T00:00:00.000Z',
  picture: null,
  archived: false,
  deletedAt: null,
  ...more,
})
const ROWS = [
  row('Tide 10', { seconds: 30 }),
  row('Tide 2', { updatedAt: '2026-11-03T00:00:00.000Z' }),
  row('Éclairs of the lighthouse', { updatedAt: '2026-11-02T00:00:00.000Z' }),
  row('Put away', { archived: true }),
  row('Thrown away', { archived: true, deletedAt: '2026-11-04T00:00:00.000Z' }),
]
const titles = (
  ...asked: [Parameters<typeof shownEpisodes>[1], string, Parameters<typeof shownEpisodes>[3]]
) => shownEpisodes(ROWS, ...asked).map(({ title }) => title)

describe('shownEpisodes', () => {
  it('are those of a place, in the order asked for; numbers count as numbers', () => {
    expect(titles('work', '', 'changed')).toEqual([
      'Tide 2',
      'Éclairs of the lighthouse',
      'Tide 10',
    ])
    expect(titles('work', '', 'title')).toEqual(['Éclairs of the lighthouse', 'Tide 2', 'Tide 10'])
    expect(titles('work', '', 'longest')[0]).toBe('Tide 10')
    expect(titles('archive', '', 'changed')).toEqual(['Put away'])
    expect(titles('bin', '', 'changed')).toEqual(['Thrown away'])
  })
  it('have all words that are asked for, whatever their accents and size', () => {
    expect(titles('work', 'LIGHT eclair', 'changed')).toEqual(['Éclairs of the lighthouse'])
    expect(titles('work', 'tide owl', 'changed')).toEqual([])
  })
})
