import { describe, expect, it } from 'vitest'
import { figuresOf } from './figures.ts'
import { IDIOMS } from './idioms.ts'
import { termsOf } from './terms.ts'

const figures = (text: string) => {
  const terms = termsOf(text)
  return figuresOf(terms).map(
    ({ from, to, kind }) =>
      `${kind}: ${terms
        .slice(from, to)
        .map((term) => term.text)
        .join(' ')}`,
  )
}

describe('figuresOf', () => {
  // Idioms of English (common knowledge), in the forms a narration gives them.
  it.each([
    ['Finding it is like looking for a needle in a haystack.', 'idiom: needle in a haystack'],
    ['Now the ball is in their court.', 'idiom: ball is in their court'],
    ['The ball was now in the court of the architects.', 'idiom: ball was now in the court'],
    ['What we see is only the tip of the iceberg.', 'idiom: tip of the iceberg'],
    ['The engineers had their backs to the wall.', 'idiom: backs to the wall'],
    ['It was a piece of cake.', 'idiom: piece of cake'],
    ['They let the cat out of the bag.', 'idiom: cat out of the bag'],
    ['It was the last straw for him.', 'idiom: last straw'],
    ['He killed two birds with one stone.', 'idiom: killed two birds with one stone'],
    ['It cost its maker an arm and a leg.', 'idiom: arm and a leg'],
    ['Take this with a grain of salt.', 'idiom: Take this with a grain of salt'],
    ['It moves at a snail’s pace.', 'idiom: snail’s pace'],
    ['We are only scratching the surface.', 'idiom: scratching the surface'],
  ])('finds the idiom in %j', (text, figure) => expect(figures(text)).toContain(figure))
  it.each([
    'The needle of the compass points north.',
    'A cat sleeps on the wall.',
    'The iceberg has a sharp tip.',
    'He ate the cake in one piece.',
    'The court lies behind the wall.',
    'Salt is gained from sea water, grain by grain.',
    'A snail sits on a leaf.',
    'The lighthouse stands on a rock above the harbour.',
    'The lamp stands on the table, under the window.',
  ])('leaves %j as it stands', (text) => expect(figures(text)).toEqual([]))
  it.each([
    ['The swarm hangs like a brown beard.', 'likeness: like a brown beard'],
    ['The wires are as thin as a pencil.', 'likeness: as a pencil'],
    ['They are no bigger than a bean.', 'likeness: than a bean'],
    ['The chamber fills like a bathtub, slowly.', 'likeness: like a bathtub'],
    ['The weight of three elephants pulls on it.', 'measure: weight of three elephants'],
  ])('finds the likeness in %j', (text, figure) => expect(figures(text)).toContain(figure))
  it('takes examples for what they are', () => {
    for (const text of [
      'Animals like the fox live here.',
      'The weight of the lamp turns the lens.',
      'People like to swim.',
    ])
      expect(figures(text)).toEqual([])
  })
  it('knows each phrase once, by words that can be found', () => {
    expect(IDIOMS.length).toBeGreaterThan(1000)
    for (const idiom of IDIOMS) expect(idiom).toMatch(/^[a-z'-]+( ([a-z'-]+|_|~))*$/)
  })
})
