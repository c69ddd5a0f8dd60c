import { beforeAll, describe, expect, it } from 'vitest'
import type { Lexicon } from '@tidy-reel/core/words/lexicon'
import { searchWords } from '@tidy-reel/core/words/search-words'
import { loadLexicon } from './wordnet.ts'

let lexicon: Lexicon
beforeAll(async () => {
  lexicon = await loadLexicon()
})

// Senses, synonyms and hypernyms are those of Princeton WordNet 3.1; frequencies those of SUBTLEX.
describe('loadLexicon', () => {
  it.each([
    'ocean',
    'bridge',
    'rain',
    'brain',
    'river',
    'teacher',
    'lighthouse',
    'harbor',
    'lens',
    'moon',
  ])('takes %s for something that can be shown', (noun) =>
    expect(lexicon.picturable(noun)).toBeGreaterThanOrEqual(0.7),
  )
  it.each(['freedom', 'idea', 'economy', 'truth', 'importance', 'theory'])(
    'takes %s for something that hardly can',
    (noun) => expect(lexicon.picturable(noun)).toBeLessThan(0.4),
  )
  it('knows other names and wider kinds', () => {
    expect(lexicon.synonyms('lighthouse')).toContain('beacon')
    expect(lexicon.synonyms('car')).toContain('automobile')
    expect(lexicon.senses('lighthouse')[0]!.wider).toContain('tower')
    expect(lexicon.senses('tower')[0]!.narrower.length).toBeGreaterThan(3)
    expect(lexicon.senses('lighthouse')[0]!.gloss).toContain('light')
  })
  it('knows nothing of a word that is none', () => {
    expect(lexicon.picturable('zzyzx')).toBeUndefined()
    expect(lexicon.synonyms('zzyzx')).toEqual([])
    expect(lexicon.frequency('zzyzx')).toBeLessThan(2)
  })
  it('orders words by how often they are said', () => {
    expect(lexicon.frequency('the')).toBeGreaterThan(lexicon.frequency('house'))
    expect(lexicon.frequency('house')).toBeGreaterThan(lexicon.frequency('lighthouse'))
  })
  it('weighs the rare and visible over the common and thought', () => {
    const [first] = searchWords('The idea of a lighthouse has a long history.', lexicon)
    expect(first!.text).toBe('lighthouse')
  })
})
