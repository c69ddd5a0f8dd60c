import { describe, expect, it } from 'vitest'
import { emptyLexicon } from '../words/lexicon.ts'
import { searchWords } from '../words/search-words.ts'
import { deedOf, deedsIn, isDone } from './deeds.ts'

const deed = (text: string) => deedOf({ words: searchWords(text, emptyLexicon) })
const shown = (title: string) =>
  [
    deedsIn(title),
    new Map(
      title
        .toLowerCase()
        .split(' ')
        .map((word) => [word, 1]),
    ),
  ] as const

describe('deedsIn', () => {
  it('finds what is done in a title, and takes no thing for a deed', () =>
    expect([...deedsIn('Old man sharpening a knife, unpacked boxes, spring bed')]).toEqual([
      'sharpen',
      'unpack',
    ]))
})

describe('isDone', () => {
  const sharpens = deed('An old man sharpens knives on a stone.')
  it.each([
    ['Man sharpening a knife', true],
    ['Sharpening a pencil', false],
    ['A knife on a table', false],
    ['Washing a knife', false],
  ])('where the deed and a thing of it are both shown: %s', (title, done) => {
    expect(isDone(sharpens, ...shown(title))).toBe(done)
  })
})
