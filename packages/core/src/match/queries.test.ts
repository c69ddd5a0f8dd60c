import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { emptyLexicon, type Lexicon, type Sense } from '../words/lexicon.ts'
import { queriesOf, searchesOf } from './queries.ts'
import type { SceneToMatch } from './scene-to-match.ts'

const scene = (text: string, more: Partial<SceneToMatch> = {}): SceneToMatch => ({
  text,
  chapter: 0,
  seconds: 4,
  ...more,
})
const weights = (scenes: SceneToMatch[], lexicon: Lexicon = emptyLexicon, title = '') =>
  queriesOf(scenes, lexicon, title).map(({ terms }) => terms)

const sense = (id: string, words: string[], gloss: string, more: Partial<Sense> = {}): Sense => ({
  id,
  file: 6,
  words,
  gloss,
  wider: [],
  narrower: [],
  ...more,
})
const WATER = sense('1', ['spring', 'fountain'], 'a flow of water from the hill')
const STEEL = sense('2', ['spring', 'coil'], 'an elastic wire of metal')
const AXES: Record<string, [number, number]> = {
  water: [1, 0],
  hill: [1, 0],
  river: [1, 0],
  fountain: [1, 0],
  flow: [1, 0],
  metal: [0, 1],
  wire: [0, 1],
  watch: [0, 1],
  coil: [0, 1],
  elastic: [0, 1],
}
const two: Lexicon = {
  ...emptyLexicon,
  dimensions: 2,
  senses: (noun) => (noun === 'spring' ? [WATER, STEEL] : []),
  picturableSense: () => 1,
  vector: (word) => (AXES[word] ? Float32Array.of(...AXES[word]) : undefined),
}

describe('queriesOf', () => {
  it('asks for what a sentence names, for phrases as well', () => {
    const [terms] = weights([scene('The harbour master rings the fog bell.')])
    expect([...terms!.keys()]).toEqual(expect.arrayContaining(['harbor', 'bell', 'fog bell']))
  })
  it('asks for a direction alone, whatever is said and whatever stands around', () => {
    const [, terms] = weights([
      scene('A cow eats grass.'),
      scene('The lamp burns.', { picture: 'a ship at sea' }),
    ])
    expect(terms!.has('ship')).toBe(true)
    for (const other of ['lamp', 'cow', 'grass']) expect(terms!.has(other)).toBe(false)
  })
  it('borrows from the sentences beside it and says how much it needs to', () => {
    const [one, two, three] = queriesOf(
      [scene('The ship leaves the quay.'), scene('A whale passes.'), scene('Nobody knows why.')],
      emptyLexicon,
    )
    expect(three!.need).toBe(1)
    expect(one!.need).toBeLessThan(0.2)
    for (const thing of ['whale', 'ship', 'quay'])
      expect(three!.terms.get(thing)).toBeGreaterThan(0)
    expect(three!.stake).toBeLessThan(one!.stake)
    expect(two!.terms.get('whale')!).toBeGreaterThan(two!.terms.get('ship')!)
  })
  it('borrows nothing from sentences of another chapter but what the film is about', () => {
    const chapters = [
      scene('The ship leaves the quay.'),
      scene('Nobody knows why.', { chapter: 1, chapterTitle: 'The bakery' }),
    ]
    const [, terms] = weights(chapters)
    const [, beside] = weights(chapters.map((each) => ({ ...each, chapter: 0 })))
    expect(terms!.has('bakery')).toBe(true)
    expect(terms!.get('ship') ?? 0).toBeLessThan(beside!.get('ship')!)
  })
  it('minds the title a little, everywhere', () => {
    const [without] = weights([scene('The lamp burns.')])
    const [titled] = weights([scene('The lamp burns.')], emptyLexicon, 'The lighthouse')
    expect(without!.has('lighthouse')).toBe(false)
    expect(titled!.get('lighthouse')!).toBeLessThan(titled!.get('lamp')!)
  })
  it('asks for other words of the likely sense alone', () => {
    const [terms] = weights([scene('The spring feeds a river below the hill.')], two)
    expect(terms!.get('fountain')).toBeGreaterThan(0)
    expect(terms!.get('fountain')!).toBeLessThan(terms!.get('spring')!)
    expect(terms!.has('coil')).toBe(false)
  })
  it('takes the sense a person pinned, whatever stands around', () => {
    const [query] = queriesOf(
      [scene('The spring feeds a river below the hill.')],
      two,
      '',
      new Map([['spring', '2']]),
    )
    expect(query!.terms.has('coil')).toBe(true)
    expect(query!.terms.has('fountain')).toBe(false)
    expect(query!.meanings.get('spring')!.likely).toEqual([0, 1])
  })
  it('has nothing to ask for a film without words', () => {
    for (const text of ['', '…', '1822', 'And so on.'])
      expect(queriesOf([scene(text)], emptyLexicon)[0]!.direction).toHaveLength(
        emptyLexicon.dimensions,
      )
    expect(queriesOf([], emptyLexicon)).toEqual([])
  })
})

describe('searchesOf', () => {
  it('asks narrow first: the heaviest of its own words', () =>
    expect(
      searchesOf(queriesOf([scene('The lighthouse keeper trims the lamp.')], emptyLexicon)[0]!)[0],
    ).toMatch(/lighthouse|keeper|lamp/))
  it('asks no more than six different things, whatever is said', () => {
    const word = fc.constantFrom(
      'lamp',
      'ship',
      'sea',
      'lens',
      'rope',
      'quay',
      'whale',
      'it',
      'the',
      'is',
      'burns',
      '1822',
      '“',
    )
    fc.assert(
      fc.property(fc.array(fc.array(word, { maxLength: 12 }), { maxLength: 6 }), (film) => {
        for (const query of queriesOf(
          film.map((words) => scene(words.join(' '))),
          emptyLexicon,
        )) {
          const searches = searchesOf(query)
          expect(searches.length).toBeLessThanOrEqual(6)
          expect(new Set(searches).size).toBe(searches.length)
        }
      }),
    )
  })
})
