import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { Item, type Orientation } from '../pictures/item.ts'
import { emptyLexicon, type Lexicon, type Sense } from '../words/lexicon.ts'
import { pickPictures } from './pick.ts'
import { pictureIndex } from './picture-index.ts'
import { queriesOf } from './queries.ts'
import type { SceneToMatch } from './scene-to-match.ts'
import { SCENES_APART } from './scenes-apart.ts'

const photo = (id: string, title: string, tags = title, more: object = {}) =>
  Item.parse({
    id,
    kind: 'photo',
    title,
    description: `Photograph: ${title}.`,
    tags: tags.split(' '),
    width: 1920,
    height: 1080,
    ...more,
  })
const scene = (text: string, more: Partial<SceneToMatch> = {}): SceneToMatch => ({
  text,
  chapter: 0,
  seconds: 4,
  ...more,
})
const POOL = [
  photo('lighthouse', 'A lighthouse on a rock', 'lighthouse rock sea light'),
  photo('lamp', 'An oil lamp', 'lamp oil flame'),
  photo('ship', 'A ship at sea', 'ship sea voyage'),
  photo('bread', 'Bread in an oven', 'bread oven food'),
  photo('cow', 'A cow in a field', 'cow field farm'),
  photo('moon', 'The moon', 'moon night sky'),
]
const picks = (
  scenes: SceneToMatch[],
  {
    lexicon = emptyLexicon,
    pool = POOL,
    kept = new Map<number, string[]>(),
    orientation = 'landscape',
  }: {
    lexicon?: Lexicon
    pool?: Item[]
    kept?: Map<number, string[]>
    orientation?: Orientation
  } = {},
) =>
  pickPictures(scenes, queriesOf(scenes, lexicon), pictureIndex(pool, lexicon), lexicon, {
    orientation,
    kept,
  })
const first = (scenes: SceneToMatch[], lexicon: Lexicon = emptyLexicon, pool = POOL) =>
  picks(scenes, { lexicon, pool }).map(({ chosen }) => chosen[0]?.id)

describe('pickPictures', () => {
  it('shows what a sentence names', () => {
    expect(
      first([
        scene('The lighthouse stands alone.'),
        scene('A cow eats grass.'),
        scene('The moon rises.'),
      ]),
    ).toEqual(['lighthouse', 'cow', 'moon'])
  })
  it('lets a direction win over the words', () =>
    expect(
      first([scene('The lighthouse stands alone.', { picture: 'bread in the oven' })]),
    ).toEqual(['bread']))
  it('borrows from the sentence before where one shows nothing', () => {
    const [, second] = first(
      [scene('The ship left port.'), scene('It was gone.')],
      emptyLexicon,
      POOL.concat(photo('ship2', 'Another ship', 'ship sail')),
    )
    expect(second).toMatch(/^ship/)
  })
  it('finds a thing by another name that the lexicon knows', () => {
    const sense: Sense = {
      id: '1',
      file: 6,
      words: ['vessel', 'ship'],
      gloss: '',
      wider: [],
      narrower: [],
    }
    const lexicon: Lexicon = {
      ...emptyLexicon,
      senses: (noun) => (noun === 'vessel' ? [sense] : []),
    }
    expect(first([scene('The vessel sank.')], lexicon)).toEqual(['ship'])
  })
  it('prefers the shape of the film', () => {
    const pool = [
      photo('wide', 'A lamp'),
      photo('tall', 'A lamp', 'lamp', { width: 1080, height: 1920, orientation: 'portrait' }),
    ]
    const scenes = [scene('The lamp burns.')]
    expect(picks(scenes, { pool, orientation: 'portrait' })[0]!.chosen[0]!.id).toBe('tall')
  })
  it('takes what a person marked before another that fits as well, and before no better one', () => {
    const pool = [
      photo('a-lamp', 'A lamp', 'lamp'),
      photo('b-lamp', 'A lamp', 'lamp'),
      photo('ship', 'A ship at sea', 'ship'),
    ]
    const chosen = (text: string, favourites: string[]) =>
      pickPictures(
        [scene(text)],
        queriesOf([scene(text)], emptyLexicon),
        pictureIndex(pool, emptyLexicon),
        emptyLexicon,
        { orientation: 'landscape', favourites: new Set(favourites) },
      )[0]!.chosen[0]!.id
    expect([
      chosen('The lamp burns.', []),
      chosen('The lamp burns.', ['b-lamp']),
      chosen('The lamp burns.', ['ship']),
    ]).toEqual(['a-lamp', 'b-lamp', 'a-lamp'])
  })
  it('counts what a person chose as seen', () => {
    const scenes = [scene('A lamp.'), scene('A lamp.')]
    const [, second] = picks(scenes, {
      pool: [...POOL, photo('lamp2', 'A brass lamp', 'lamp')],
      kept: new Map([[0, ['lamp']]]),
    })
    expect(second!.chosen[0]!.id).toBe('lamp2')
  })
  it('shows the same thing at another hour only where nothing else fits', () => {
    const pool = [
      ...['dawn', 'dusk', 'night'].map((hour) =>
        photo(`light-${hour}`, `A lighthouse at ${hour}`, `lighthouse tower ${hour}`),
      ),
      photo('lens', 'The lens of a lighthouse', 'lens glass lighthouse lamp'),
      photo('cow', 'A cow', 'cow'),
    ]
    const [one, two] = first(
      [scene('The lighthouse has a lamp.'), scene('The lighthouse has a lens.')],
      emptyLexicon,
      pool,
    )
    expect([one, two]).toContain('lens')
    expect(
      first(
        [scene('A lighthouse at dawn.'), scene('A lighthouse at dusk.')],
        emptyLexicon,
        pool.slice(0, 3),
      ).every((id) => id?.startsWith('light')),
    ).toBe(true)
  })
  it("takes what is the channel's own before what fits as well, and leaves what nobody may use", () => {
    const pool = [
      photo('stock', 'A lamp', 'lamp', { licence: 'CC0' }),
      photo('own-1', 'A lamp', 'lamp', { licence: 'Own' }),
      photo('forbidden', 'A lamp', 'lamp', { licence: 'CC BY-NC 4.0' }),
      photo('nobody', 'A lamp', 'lamp', { licence: '' }),
    ]
    const offered = picks([scene('The lamp burns.')], { pool })[0]!.candidates.map(
      ({ item }) => item.id,
    )
    expect(offered[0]).toBe('own-1')
    expect(offered[1]).toBe('stock')
  })
  it('minds no licences where a list tells none', () => {
    const told = picks([scene('The lamp burns.')], {
      pool: [photo('lamp', 'A lamp', 'lamp', { licence: 'CC0' })],
    })[0]!.candidates[0]!
    const untold = picks([scene('The lamp burns.')], {
      pool: [photo('lamp', 'A lamp', 'lamp', { licence: '' })],
    })[0]!.candidates[0]!
    expect(untold).toMatchObject({ score: told.score, sure: told.sure })
  })
  it('says why it passed over what fits better', () => {
    const long = { seconds: 7 }
    const [, second] = picks([scene('A lamp.', long), scene('An oil lamp.', long)], {
      pool: [...POOL, photo('lamp2', 'A brass lamp', 'lamp')],
      kept: new Map([[0, ['lamp']]]),
    })
    expect(second!.chosen[0]!.id).toBe('lamp2')
    expect(second!.candidates.map(({ item, passed }) => [item.id, passed]).slice(0, 2)).toEqual([
      ['lamp2', undefined],
      ['lamp', 'shown 1 scene before'],
    ])
  })
  it('offers candidates that differ from each other', () => {
    const pool = [
      ...['day', 'dawn', 'dusk', 'night', 'gray'].map((hour) =>
        photo(`lamp-${hour}`, `An oil lamp`, `lamp oil flame ${hour}`),
      ),
      photo('street', 'A street lamp', 'lamp street town'),
      photo('desk', 'A desk lamp', 'lamp desk office'),
    ]
    const scenes = [scene('The lamp burns.')]
    const offered = picks(scenes, { pool })[0]!
      .candidates.slice(0, 4)
      .map(({ item }) => item.id)
    expect(offered).toEqual(expect.arrayContaining(['street', 'desk']))
  })
  it('has an answer for an empty library', () => {
    const scenes = [scene('The lamp burns.')]
    expect(picks(scenes, { pool: [] })).toEqual([
      expect.objectContaining({ chosen: [], candidates: [] }),
    ])
  })
  it('says why in a few words', () => {
    const scenes = [scene('The lighthouse stands alone.')]
    expect(picks(scenes)[0]!.candidates[0]!.why).toBe('shows lighthouse')
  })
  describe('with one thing in many pictures', () => {
    const pool = Array.from({ length: 14 }, (_, i) => photo(`lamp-${i}`, 'Lamp', 'lamp'))
    const lamps = picks(
      Array.from({ length: 24 }, () => scene('The lamp burns.')),
      { pool },
    )
    it('offers four at least, what is seen first', () => {
      lamps.forEach(({ chosen, candidates, begins }, n) => {
        const seen = begins === 'hold' ? lamps[n - 1]!.candidates[0]!.item : chosen[0]
        expect(candidates.length).toBeGreaterThanOrEqual(4)
        expect(candidates[0]!.item).toBe(seen)
      })
    })
    it('gives two to a scene over 8 s', () =>
      expect(picks([scene('The lamp burns.', { seconds: 8.5 })], { pool })[0]!.chosen).toHaveLength(
        2,
      ))
  })
  it('repeats no picture within ten scenes while another is left, whatever the words', () => {
    const words = fc.constantFrom('lighthouse', 'lamp', 'ship', 'bread', 'cow', 'moon', 'nothing')
    const pool = Array.from({ length: 30 }, (_, i) =>
      photo(`p${i}`, ['A lighthouse', 'A lamp', 'A ship', 'Bread', 'A cow', 'The moon'][i % 6]!),
    )
    fc.assert(
      fc.property(fc.array(words, { minLength: 1, maxLength: 40 }), (nouns) => {
        const ids = picks(
          nouns.map((noun) => scene(`See the ${noun}.`)),
          { pool },
        ).map(({ chosen, begins }) => (begins === 'hold' ? 'goes on' : chosen[0]?.id))
        ids.forEach((id, i) => {
          if (id !== 'goes on')
            expect(ids.slice(Math.max(0, i - SCENES_APART), i)).not.toContain(id)
        })
      }),
      { numRuns: 50 },
    )
  })
  describe('with a sentence too short for a picture of its own', () => {
    const lamp = scene('The lighthouse stands alone.')
    const aside = scene('Nobody knows.', { seconds: 1.2 })
    const cow = scene('A cow eats grass.')
    it('lets the picture before go on, offers it first, and keeps one for when it does not', () => {
      const [one, two] = picks([lamp, aside, cow])
      expect(two!.begins).toBe('hold')
      expect(two!.candidates[0]!.item).toBe(one!.candidates[0]!.item)
      expect(two!.chosen).toHaveLength(1)
      expect(two!.chosen[0]!.id).not.toBe(one!.chosen[0]!.id)
    })
    it('begins the next one there where a chapter opens with it', () => {
      const [, two, three] = picks([lamp, { ...aside, chapter: 1 }, { ...cow, chapter: 1 }])
      expect(two).not.toHaveProperty('begins')
      expect([two!.chosen[0]!.id, three!.begins]).toEqual(['cow', 'hold'])
    })
    it('holds nothing where a person wrote what is to be seen, or said that it begins anew', () => {
      const pictured = picks([lamp, { ...aside, picture: 'bread in the oven' }, cow])
      expect(pictured[1]!.begins).toBeUndefined()
      const scenes = [lamp, aside, cow]
      const told = (how: 'cut' | 'hold', n: number) =>
        pickPictures(
          scenes,
          queriesOf(scenes, emptyLexicon),
          pictureIndex(POOL, emptyLexicon),
          emptyLexicon,
          { orientation: 'landscape', begins: new Map([[n, how]]) },
        )[n]!.begins
      expect([told('cut', 1), told('hold', 2)]).toEqual([undefined, 'hold'])
    })
  })
  it('begins the picture of an answer under its question', () => {
    const [, answer] = picks([scene('Where does the lighthouse stand?'), scene('A cow knows.')])
    expect(answer!.begins).toBe('early')
  })
})
