import { describe, expect, it } from 'vitest'
import { emptyLexicon, type Lexicon } from './lexicon.ts'
import { leaningOn, standsFor, topicsOf } from './pronouns.ts'
import { searchWords } from './search-words.ts'
import { termsOf } from './terms.ts'

const topics = (text: string) => topicsOf(termsOf(text), searchWords(text, emptyLexicon))
const stands = (pronoun: string, before: string, lexicon: Lexicon = emptyLexicon) =>
  standsFor(pronoun, topics(before), lexicon).map(({ text }) => text)

describe('leaningOn', () => {
  it.each([
    ['It has never stopped.', 'it'],
    ['They come home yellow with dust.', 'they'],
    ['Once a day it is wound.', 'it'],
    ['She has not seen daylight.', 'she'],
    ['These widen a little.', 'these'],
    ['Its swing takes a second.', 'its'],
    ['In fog they help nobody.', 'they'],
    ['Under the hull hangs a keel, and it is heavy.', undefined],
    ['So they are ground to powder.', 'they'],
    ['The lamp burns, and it never goes out.', undefined],
    ['These lamps burn oil.', undefined],
    ['A lamp burns.', undefined],
    ['', undefined],
  ])('says of %j that it rests on %j', (text, pronoun) =>
    expect(leaningOn(termsOf(text))).toBe(pronoun),
  )
})

describe('standsFor', () => {
  it('takes what the sentence before is about', () =>
    expect(stands('it', 'The lighthouse stands on a rock.')[0]).toBe('lighthouse'))
  it('minds whether one or many are meant', () => {
    expect(stands('they', 'The keeper feeds the hens.')[0]).toBe('hen')
    expect(stands('it', 'The keepers clean the lamp.')[0]).toBe('lamp')
  })
  it('gives he and she to what lives', () => {
    const lexicon: Lexicon = {
      ...emptyLexicon,
      senses: (noun) => [
        {
          id: noun,
          file: noun === 'keeper' ? 18 : 6,
          words: [noun],
          gloss: '',
          wider: [],
          narrower: [],
        },
      ],
    }
    expect(stands('he', 'The lamp belongs to a keeper.', lexicon)[0]).toBe('keeper')
    expect(stands('it', 'The keeper cleans a lamp.', lexicon)[0]).toBe('lamp')
  })
  it('has nothing where nothing was said', () => expect(stands('it', 'So what?')).toEqual([]))
})
