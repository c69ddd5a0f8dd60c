import { describe, expect, it } from 'vitest'
import { Item } from '../pictures/item.ts'
import { emptyLexicon, type Lexicon } from '../words/lexicon.ts'
import { lookedUp, pictureIndex } from './picture-index.ts'

const photo = (title: string, tags: string[] = [], description = '') =>
  Item.parse({ id: title, kind: 'photo', title, tags, description })
const AXES: Record<string, [number, number]> = {
  whale: [1, 0],
  sea: [0.8, 0.6],
  dolphin: [0.9, 0.436],
  oven: [0, 1],
}
const lexicon: Lexicon = {
  ...emptyLexicon,
  dimensions: 2,
  vector: (word) => (AXES[word] ? Float32Array.of(...AXES[word]) : undefined),
}

describe('lookedUp', () => {
  it('reads words in their plain form with the pairs they stand in, and leaves little words out', () =>
    expect(lookedUp('The Boats at the stone quay')).toEqual([
      'boat',
      'stone',
      'quay',
      'boat stone',
      'stone quay',
    ]))
  it.each([
    ['', []],
    ['… — !', []],
    ["keeper's lamp", ['keeper', 'lamp', 'keeper lamp']],
    ['Überlingen 1822', ['überlingen', '1822', 'überlingen 1822']],
  ])('reads %j', (text, words) => expect(lookedUp(text)).toEqual(words))
})

describe('pictureIndex', () => {
  it('weighs what a title shows above what stands beside it, and that above what is only told', () => {
    const [weights] = pictureIndex(
      [photo('Whale below a boat', ['tail'], 'Seen from a cliff.'), photo('Oven')],
      emptyLexicon,
    ).weights
    expect(weights!.get('whale')!).toBeGreaterThanOrEqual(weights!.get('boat')!)
    expect(weights!.get('boat')!).toBeGreaterThan(weights!.get('cliff')!)
    expect(weights!.get('tail')!).toBeGreaterThan(weights!.get('cliff')!)
  })
  it('weighs a word less that all pictures have', () => {
    const { weights } = pictureIndex(
      ['whale', 'boat', 'cow', 'rope'].map((thing) => photo(`${thing} photograph`)),
      emptyLexicon,
    )
    expect(weights[0]!.get('photograph')!).toBeLessThan(weights[0]!.get('whale')!)
  })
  it('tells what a picture shows, whatever the hour', () =>
    expect(
      [
        ...pictureIndex([photo('Whale at dusk', ['sea', 'evening'])], emptyLexicon).looks[0]!,
      ].sort(),
    ).toEqual(['sea', 'whale']))
  it('points where the words of a picture point', () => {
    const { directions, sums } = pictureIndex(
      [photo('Whale'), photo('Oven'), photo('Zzyzx')],
      lexicon,
    )
    expect(directions.map((each) => [...each].map(Math.round))).toEqual([
      [1, 0],
      [0, 1],
      [0, 0],
    ])
    expect(sums[0]![0]!).toBeGreaterThan(0)
  })
  it('knows which of its words are used much like another, nearest first', () => {
    const index = pictureIndex([photo('Whale'), photo('Sea'), photo('Oven')], lexicon)
    expect(index.related('dolphin').map(([word]) => word)).toEqual(['sea', 'whale'])
    expect(index.related('whale').map(([word]) => word)).toEqual(['sea'])
    expect(index.related('zzyzx')).toEqual([])
  })
  it('can be made of nothing', () => expect(pictureIndex([], lexicon).items).toEqual([]))
})
