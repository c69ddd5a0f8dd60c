import { describe, expect, it } from 'vitest'
import { PLAIN_PICKING, UNTITLED } from '@tidy-reel/core/document/document'
import type { SceneToMatch } from '@tidy-reel/core/match/scene-to-match'
import { Item } from '@tidy-reel/core/pictures/item'
import { loadLexicon } from '../words/wordnet.ts'
import { matchFilm, type MatchOptions } from './match-film.ts'

const item = (id: string, title: string, tags: string, source = 'Harbour House') =>
  Item.parse({ id, kind: 'photo', title, tags: tags.split(' '), width: 1920, height: 1080, source })
const POOL = [
  item('lamp', 'An oil lamp', 'lamp oil light'),
  item('lamp-there', 'A brass lamp', 'lamp brass light', 'Elsewhere (scanned)'),
  item('series', 'Episode one of a series on a screen', 'episode series television'),
  item('sea', 'The open sea', 'sea water wave'),
  item('cow', 'A cow in a field', 'cow field farm'),
]
const scene = (text: string): SceneToMatch => ({ text, chapter: 0, seconds: 4 })
const first = async (texts: string[], options: Partial<MatchOptions> = {}) => {
  const { picks } = await matchFilm(texts.map(scene), await loadLexicon(), POOL, {
    orientation: 'landscape',
    ...options,
  })
  return picks.map(({ chosen }) => chosen[0]?.id)
}

describe('matchFilm', () => {
  it('learns nothing from the name of a film that has none yet', async () => {
    const said = ['Nobody knows when.', 'It was long ago.']
    expect(await first(said, { title: UNTITLED })).toEqual(await first(said))
    // Another title is read.
    expect((await first(said))[0]).not.toBe('cow')
    expect((await first(said, { title: 'The cow' }))[0]).toBe('cow')
  })
  it('takes nothing from a source that is left out, by its short name', async () => {
    const picking = { ...PLAIN_PICKING, without: ['Harbour House'] }
    expect(await first(['The lamp burns.'], { picking })).toEqual(['lamp-there'])
    expect(
      await first(['The lamp burns.'], { picking: { ...PLAIN_PICKING, without: ['Elsewhere'] } }),
    ).toEqual(['lamp'])
  })
  it('goes round what a person chose from a source that is left out', async () => {
    const kept = new Map([[0, ['lamp']]])
    expect(
      await first(['The lamp burns.', 'The lamp goes out.'], {
        kept,
        picking: { ...PLAIN_PICKING, without: ['Harbour House'] },
      }),
    ).toEqual([undefined, 'lamp-there'])
  })
})
