import { describe, expect, it } from 'vitest'
import { lemma, verbLemma } from './lemma.ts'
import { emptyLexicon } from './lexicon.ts'
import { searchWords } from './search-words.ts'

const words = (text: string) => searchWords(text, emptyLexicon).map((word) => word.text)

describe('lemma', () => {
  it.each([
    ['Harbours', 'harbor'],
    ['lenses', 'lens'],
    ['glass', 'glass'],
    ['mice', 'mouse'],
    ['tides', 'tide'],
    ['keeper’s', 'keeper'],
    ['colour', 'color'],
    ['centre', 'center'],
    ['hour', 'hour'],
    ['four', 'four'],
  ])('looks %s up as %s', (written, form) => expect(lemma(written)).toBe(form))
  it.each([
    ['turning', 'turn'],
    ['wound', 'wind'],
    ['threw', 'throw'],
    ['burns', 'burn'],
  ])('looks the verb %s up as %s', (written, form) => expect(verbLemma(written)).toBe(form))
})

describe('searchWords', () => {
  it('finds nouns and the phrases they make', () => {
    expect(words('The old lighthouse stands on a rock above the harbour.')).toEqual(
      expect.arrayContaining(['lighthouse', 'rock', 'harbor']),
    )
    expect(words('Sailors used whale oil.')).toContain('whale oil')
  })
  it('finds what is done when nothing else is there, lighter than any thing', () => {
    const found = searchWords('The keeper slept.', emptyLexicon)
    const weight = (text: string) => found.find((word) => word.text === text)!.weight
    expect(weight('keeper')).toBeGreaterThan(weight('sleep'))
  })
  it('takes no pronoun, number or little word', () => {
    for (const word of words('It has been there for 150 years, and they all know it.'))
      expect(word).not.toMatch(/^(it|they|150|there|all|be|been|for)$/)
  })
  it('is empty where nothing can be looked for', () => {
    for (const text of ['', '…', 'Why?', 'So what of it?']) expect(words(text)).toEqual([])
  })
  it('keeps the words as they stand in the text, so that they can be underlined', () => {
    const text = 'Great Lenses, made of glass, turn in towers.'
    for (const { written } of searchWords(text, emptyLexicon))
      for (const part of written.split(' ')) expect(text).toContain(part)
  })
})
