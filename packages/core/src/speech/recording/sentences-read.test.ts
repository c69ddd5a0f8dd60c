import { describe, expect, it } from 'vitest'
import { followed, type HeardWord } from './follow.ts'
import { sentencesRead } from './sentences-read.ts'

/** A reading as a recogniser gives it: half a second a word, `/` a pause. */
function heard(text: string): HeardWord[] {
  let at = 0
  let afterPause = true
  return text.split(' ').flatMap((word) => {
    if (word === '/') {
      at += 1
      afterPause = true
      return []
    }
    const one = { text: word, start: at, end: at + 0.4, afterPause }
    at += 0.5
    afterPause = false
    return [one]
  })
}
const words = (text: string) => text.split(' ')
const SCRIPT = [
  'the lamp burns all night',
  'nobody sleeps on the rock',
  'the sea is calm and the lamp turns slowly',
].map(words)
const read = (text: string) => sentencesRead(heard(text), SCRIPT)

describe('followed', () => {
  it('goes word by word through what is read as it is written', () => {
    expect(followed(heard(SCRIPT.flat().join(' ')), SCRIPT.flat())).toEqual(
      SCRIPT.flat().map((_, i) => i),
    )
  })
  it('knows the same words apart by what is around them', () => {
    expect(followed(heard('and the lamp turns'), SCRIPT.flat())).toEqual([14, 15, 16, 17])
  })
})

describe('sentencesRead', () => {
  it('finds each sentence of a plain reading', () => {
    const sentences = read(
      'the lamp burns all night / nobody sleeps on the rock / the sea is calm and the lamp turns slowly',
    )
    expect(sentences.map(({ kept }) => [kept!.first, kept!.last])).toEqual([
      [0, 4],
      [5, 9],
      [10, 18],
    ])
    expect(sentences.flatMap(({ missing, extra }) => [...missing, ...extra])).toEqual([])
  })
  it('keeps the last good one of several, and passes over false starts', () => {
    const [first, second] = read(
      'the lamp / the lamp burns all / the lamp burns all night / nobody sleeps on / nobody sleeps on the rock / nobody sleeps on the rock / the sea is calm and the lamp turns slowly',
    )
    expect([first!.kept!.first, first!.kept!.last]).toEqual([6, 10])
    expect(first!.readings).toHaveLength(3)
    expect([second!.kept!.first, second!.kept!.last]).toEqual([19, 23])
  })
  it('keeps a good reading when a later try was broken off', () => {
    const [first] = read(
      'the lamp burns all night / the lamp burns / nobody sleeps on the rock / the sea is calm and the lamp turns slowly',
    )
    expect([first!.kept!.first, first!.kept!.last]).toEqual([0, 4])
  })
  it('says which words were left out and which were not in the script', () => {
    const [, , third] = read(
      'the lamp burns all night / nobody sleeps on the rock / the sea is um calm the lamp turns slowly',
    )
    expect(third!.missing).toEqual([4])
    expect(third!.extra.map(({ text }) => text)).toEqual(['um'])
  })
  it('leaves out a sentence nobody read, and finds the next', () => {
    const [, second, third] = read(
      'the lamp burns all night / the sea is calm and the lamp turns slowly',
    )
    expect(second!.kept).toBeUndefined()
    expect([third!.kept!.first, third!.kept!.last]).toEqual([5, 13])
  })
  it('finds sentences read in another order', () => {
    const sentences = read(
      'the sea is calm and the lamp turns slowly / the lamp burns all night / nobody sleeps on the rock',
    )
    expect(sentences.map(({ kept }) => kept!.first)).toEqual([9, 14, 0])
  })
  it('finds nothing in another text or in none', () => {
    expect(read('bread is made of flour water and salt').every(({ kept }) => !kept)).toBe(true)
    expect(
      sentencesRead([], SCRIPT).every(({ kept, readings }) => !kept && readings.length === 0),
    ).toBe(true)
    expect(sentencesRead(heard('x'), [])).toEqual([])
  })
})
