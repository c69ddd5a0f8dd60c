import { describe, expect, it } from 'vitest'
import { Item } from '../pictures/item.ts'
import { emptyLexicon, type Lexicon, type Sense } from '../words/lexicon.ts'
import { namedWorlds } from './names.ts'
import { pictureIndex } from './picture-index.ts'
import { queriesOf } from './queries.ts'
import { preferredOf, ranked } from './rank.ts'
import type { SceneToMatch } from './scene-to-match.ts'
import { worldOf } from './worlds.ts'

const photo = (id: string, title: string, more: object = {}) =>
  Item.parse({
    id,
    kind: 'photo',
    title,
    tags: title.split(' '),
    width: 1920,
    height: 1080,
    ...more,
  })

interface Beside {
  lexicon?: Lexicon
  favourites?: string[]
  kept?: number[]
  seconds?: number
  most?: number
  others?: string[]
  title?: string
}
function rank(
  text: string,
  pool: Item[],
  {
    lexicon = emptyLexicon,
    favourites = [],
    kept,
    seconds = 4,
    most = 40,
    others = [],
    title = '',
  }: Beside = {},
) {
  const scenes = [text, ...others].map((each): SceneToMatch => ({
    text: each,
    chapter: 0,
    seconds,
  }))
  const index = pictureIndex(pool, lexicon)
  const [query] = queriesOf(scenes, lexicon, title)
  return ranked(
    {
      scene: scenes[0]!,
      query: query!,
      worlds: {
        film: worldOf(query!.film, index),
        chapter: worldOf(query!.chapter, index),
        named: namedWorlds(scenes)[0]!,
      },
      kept: Float32Array.from(kept ?? pool.map(() => 1)),
    },
    { index, lexicon },
    {
      orientation: 'landscape',
      longest: 8,
      preferred: preferredOf(pool, new Set(favourites)),
      most,
    },
  )
}
const ids = (...given: Parameters<typeof rank>) => rank(...given).map(({ item }) => item.id)
const scoreOf = (id: string, ...given: Parameters<typeof rank>) =>
  rank(...given).find(({ item }) => item.id === id)!.score

describe('ranked', () => {
  it('puts what a picture shows before what stands beside it there', () =>
    expect(
      ids('The lamp burns.', [
        photo('beside', 'A table below a lamp'),
        photo('shown', 'A lamp on a table'),
      ])[0],
    ).toBe('shown'))
  it('minds a title more than words that are only told of a picture', () =>
    expect(
      ids('The lamp burns.', [
        photo('told', 'A quiet room', { tags: [], description: 'A lamp.' }),
        photo('called', 'A lamp', { tags: [], description: 'A quiet room.' }),
      ])[0],
    ).toBe('called'))
  it('orders what fits alike by its id, whatever order it comes in', () => {
    const pool = [photo('b', 'A lamp'), photo('a', 'A lamp'), photo('c', 'A lamp')]
    expect(ids('The lamp burns.', pool)).toEqual(['a', 'b', 'c'])
    expect(ids('The lamp burns.', pool.toReversed())).toEqual(['a', 'b', 'c'])
  })
  it('leaves out what was turned down and gives no more than is asked for', () => {
    const pool = [photo('a', 'A lamp'), photo('b', 'A lamp'), photo('c', 'A lamp')]
    expect(ids('The lamp burns.', pool, { kept: [0, 1, 0.5] })).toEqual(['b', 'c'])
    expect(ids('The lamp burns.', pool, { most: 1 })).toEqual(['a'])
    expect(ids('The lamp burns.', [])).toEqual([])
  })
  it.each([
    ['is too small', { width: 640, height: 360 }],
    ['stands upright in a wide film', { width: 1080, height: 1920, orientation: 'portrait' }],
    ['ends before its shot', { kind: 'clip', seconds: 2 }],
  ])('takes off for a picture that %s', (_name, more) => {
    const pool = [photo('fits', 'A lamp'), photo('less', 'A lamp', more)]
    expect(scoreOf('less', 'The lamp burns.', pool)).toBeLessThan(
      0.9 * scoreOf('fits', 'The lamp burns.', pool),
    )
  })
  it('asks of a clip only the length of its shot: long scenes have several', () => {
    const pool = [photo('clip', 'A lamp', { kind: 'clip', seconds: 7 })]
    expect(scoreOf('clip', 'The lamp burns.', pool, { seconds: 12 })).toBeGreaterThan(
      scoreOf('clip', 'The lamp burns.', pool, { seconds: 8 }),
    )
  })
  it('takes off for a place nobody speaks of, the more where others are named', () => {
    const pool = [
      photo('far', 'The walls of Carcassonne and a gate'),
      photo('plain', 'The old walls of a town and a gate'),
    ]
    const off = (text: string) => scoreOf('plain', text, pool) / scoreOf('far', text, pool)
    expect(off('Here the walls of Avila are as old as its gate.')).toBeGreaterThan(
      off('Here the walls are as old as the gate.'),
    )
  })
  it('says that it leans on what stands around where the sentence shows nothing', () => {
    const pool = [photo('ship', 'A ship at sea'), photo('cow', 'A cow in a field')]
    const lean = (text: string) =>
      rank(text, pool, { others: ['The ship leaves the port.'] })[0]!.lean
    expect(lean('Nobody knows why.')).toBe(1)
    expect(lean('The ship leaves.')).toBeLessThan(1)
  })
  it('lets the wish of a person move the order, not how far a match is believed', () => {
    const pool = [photo('a', 'A lamp'), photo('b', 'A lamp')]
    const [first, second] = rank('The lamp burns.', pool, { favourites: ['b'] })
    expect([first!.item.id, second!.item.id]).toEqual(['b', 'a'])
    expect(first!.believed).toBeCloseTo(second!.believed, 9)
  })
  it('goes by what sentence and title say as a whole where no word is the same', () => {
    const gists: Record<string, [number, number]> = {
      dough: [1, 0],
      rises: [1, 0],
      baker: [0.9, 0.1],
      kneading: [1, 0],
      engine: [0, 1],
      oil: [0, 1],
    }
    const lexicon: Lexicon = {
      ...emptyLexicon,
      gistDimensions: 2,
      gist: (word) => (gists[word] ? Float32Array.of(...gists[word]) : undefined),
    }
    const pool = [photo('a-engine', 'Engine with oil'), photo('baker', 'Baker kneading')]
    expect(ids('Dough rises.', pool)[0]).toBe('a-engine')
    expect(ids('Dough rises.', pool, { lexicon })[0]).toBe('baker')
  })
  it('names the words that mean something else in a picture, and hardly counts them', () => {
    const sense = (id: string, gloss: string): Sense => ({
      id,
      file: 6,
      words: ['spring'],
      gloss,
      wider: [],
      narrower: [],
    })
    const axes: Record<string, [number, number]> = {
      water: [1, 0],
      hill: [1, 0],
      river: [1, 0],
      brook: [1, 0],
      moss: [1, 0],
      metal: [0, 1],
      wire: [0, 1],
      watch: [0, 1],
    }
    const lexicon: Lexicon = {
      ...emptyLexicon,
      dimensions: 2,
      picturableSense: () => 1,
      vector: (word) => (axes[word] ? Float32Array.of(...axes[word]) : undefined),
      senses: (noun) =>
        noun === 'spring' ? [sense('1', 'water of the hill'), sense('2', 'metal wire')] : [],
    }
    const pool = [
      photo('a-steel', 'A spring of metal wire'),
      photo('water', 'A spring of water below a hill'),
      ...['brook', 'moss', 'river'].map((word) => photo(word, `A ${word} on a hill`)),
      ...['wire', 'watch'].map((word) => photo(word, `A ${word} of metal`)),
    ]
    const found = rank('The spring feeds the river below the hill.', pool, {
      lexicon,
      others: ['The water of the brook is cold.'],
      title: 'River and hill',
    })
    expect(found[0]!.item.id).toBe('water')
    expect(found[0]!.clashes).toEqual([])
    expect(found.find(({ item }) => item.id === 'a-steel')!.clashes).toEqual(['spring'])
  })
})

describe('worldOf', () => {
  it('fits what points where the film points, and little else', () => {
    const axes: Record<string, [number, number]> = {
      sea: [1, 0],
      ship: [1, 0],
      cow: [0, 1],
      farm: [0, 1],
    }
    const lexicon: Lexicon = {
      ...emptyLexicon,
      dimensions: 2,
      vector: (word) => (axes[word] ? Float32Array.of(...axes[word]) : undefined),
    }
    const { fits, fitOf } = worldOf(
      Float32Array.of(3, 0),
      pictureIndex(
        [photo('in', 'A ship at sea'), photo('out', 'A cow on a farm'), photo('out2', 'A cow')],
        lexicon,
      ),
    )
    expect(fits[0]).toBeGreaterThan(0.6)
    expect(fits[1]).toBeLessThan(0.2)
    expect(fitOf(Float32Array.of(1, 0))).toBeCloseTo(fits[0]!, 5)
  })
})
