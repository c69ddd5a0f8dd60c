import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { INSTRUMENTATIONS } from '../../style/film-choices.ts'
import { type AskedMusic, musicText, readMusic } from './asked-music.ts'
import { leadIn, moodIn, namesNothing } from './music-words.ts'

describe('readMusic', () => {
  it.each<[string, AskedMusic]>([
    ['tense', { words: 'tense' }],
    ['tense, led by strings, softer', { words: 'tense', led: 'strings', db: -4 }],
    ['Harbour waltz, to the end', { words: 'Harbour waltz', lasts: 'film' }],
    ['none, under the scene', { words: 'none', lasts: 'scene' }],
    ['much louder', { words: '', db: 8 }],
    ['−3 dB', { words: '', db: -3 }],
    ['piano', { words: '', led: 'keys' }],
    // Hostile and odd: a figure out of reach is brought back.
    ['calm, 200 dB', { words: 'calm', db: 20 }],
    ['', { words: '' }],
    [' ,;, ', { words: '' }],
  ])('reads “%s”', (text, asked) => expect(readMusic(text)).toEqual(asked))

  it('reads what musicText writes', () => {
    const asked = fc.record(
      {
        words: fc.constantFrom('calm', 'none', 'Harbour waltz'),
        db: fc.constantFrom(-20, -2.5, 4),
        lasts: fc.constantFrom('scene' as const, 'film' as const),
        led: fc.constantFrom(...INSTRUMENTATIONS),
      },
      { requiredKeys: ['words'] },
    )
    fc.assert(
      fc.property(asked, (one) => {
        expect(readMusic(musicText(one))).toEqual(one)
      }),
    )
  })
  it('writes nothing where nothing is asked for', () => {
    expect(musicText({ words: '', lasts: 'scene' })).toBe('')
  })
})

describe('the words of music', () => {
  it.each([
    ['tense', 'tense'],
    ['a sad piano piece', 'wistful'],
    ['soft piano music', 'calm'],
    ['Upbeat music fades in', 'bright'],
    ['silence', 'none'],
    ['no music', 'none'],
    ['zither', undefined],
  ])('“%s” is %s', (words, mood) => expect(moodIn(words)).toBe(mood))
  it('name who leads, or no more than that there is music', () => {
    expect(leadIn('slow strings')).toBe('strings')
    expect(leadIn('slow accordion')).toBeUndefined()
    expect(['music', 'Theme plays', ''].map(namesNothing)).toEqual([true, true, true])
    expect(namesNothing('music of the sea')).toBe(false)
  })
})
