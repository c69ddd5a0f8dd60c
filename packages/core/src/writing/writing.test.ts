import { describe, expect, it } from 'vitest'
import canalLock from '../../../../demo/canal-lock.txt?raw'
import lighthouse from '../../../../demo/lighthouse.txt?raw'
import tides from '../../../../demo/tides.txt?raw'
import { Brief, emptyBrief } from './brief.ts'
import { composeDraft } from './compose-draft.ts'
import { draftScript, scriptSeconds } from './draft-script.ts'
import { outlineOf } from './outline.ts'
import { centrality, cosine, sourceFit, weightedVectors } from './rank-units.ts'
import { joined, shortened } from './shorten.ts'
import { termsOf, unitsOf } from './source-units.ts'
import { departures, styleOf } from './style.ts'

const sources = [
  { id: 'light', title: 'Lighthouses', text: lighthouse },
  { id: 'tides', title: 'Tides', text: tides },
  { id: 'locks', title: 'Locks', text: canalLock },
]
const brief = (topic: string, minutes: number, more: Partial<Brief> = {}): Brief => ({
  ...emptyBrief(topic, minutes),
  sources,
  ...more,
})
const written = (asked: Brief, speed = 1) => {
  const outline = outlineOf(asked)
  const draft = composeDraft(asked, outline, speed)
  return { outline, draft, script: draftScript(draft.sentences, outline) }
}

describe('unitsOf', () => {
  it('takes whole sentences, with those that lean on them, without what is not spoken', () => {
    const units = unitsOf([
      {
        id: 'a',
        title: 'A',
        text: '# Lamps\n\nHOST: The lamp is old.[1] It burns whale oil. (Read more at https://a.org.) And half a\n\nThe tower stands alone here.',
      },
    ])
    expect(units.map(({ sentences, heading }) => [heading, sentences])).toEqual([
      ['Lamps', ['The lamp is old.', 'It burns whale oil.']],
      ['Lamps', ['The tower stands alone here.']],
    ])
  })
})

describe('centrality', () => {
  const units = unitsOf([
    {
      id: 'a',
      title: 'A',
      text: 'The lamp burns whale oil.\n\nWhale oil makes the lamp bright.\n\nBread was baked on Friday.\n\nThe bright lamp burns all night.',
    },
  ])
  const rank = centrality(
    weightedVectors(units),
    units.map(() => 1),
  )
  it('adds to 1 and puts the odd one last', () => {
    expect(rank.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 6)
    expect(rank.indexOf(Math.min(...rank))).toBe(2)
  })
  it('is the fixed point it claims to be, worked out by solving for it', () => {
    // Plain power iteration with the full matrix, written the long way round.
    const vectors = weightedVectors(units)
    const n = vectors.length
    const weight = (i: number, j: number) => (i === j ? 0 : cosine(vectors[i]!, vectors[j]!))
    const row = (i: number) =>
      Array.from({ length: n }, (_, j) => weight(i, j)).reduce((a, b) => a + b, 0)
    const entry = 1 / n
    const step = (j: number) =>
      rank.reduce(
        (sum, share, i) => sum + 0.85 * (row(i) ? (share * weight(i, j)) / row(i) : share * entry),
        0.15 * entry,
      )
    rank.forEach((share, j) => expect(step(j)).toBeCloseTo(share, 3))
  })
  it('knows which source a subject is about', () => {
    const fit = sourceFit(unitsOf(sources), termsOf('Why the tide comes twice a day'))
    expect(fit.get('tides')).toBe(1)
    expect(fit.get('locks')).toBeLessThan(0.5)
  })
})

describe('composeDraft', () => {
  const asked: [string, number, Partial<Brief>, number][] = [
    ['How a lighthouse throws its light', 1, {}, 1],
    ['How a lighthouse throws its light', 2, {}, 1],
    ['Why tides come twice a day', 1.5, {}, 1],
    [
      'Why tides come twice a day',
      2.5,
      { points: ['two bulges', 'spring tides', 'the shape of the coast'] },
      1,
    ],
    ['What a canal lock does', 1, {}, 1.1],
    ['What a canal lock does', 2.2, {}, 0.9],
    ['The sea', 3, {}, 1],
    ['Lights, locks and tides', 4, {}, 1],
    ['Lights, locks and tides', 5, {}, 1],
    ['Lights, locks and tides', 6, {}, 1.2],
  ]
  it.each(asked)('%s in %d minutes comes within 5 %%', (topic, minutes, more, speed) => {
    const { script } = written(brief(topic, minutes, more), speed)
    expect(Math.abs(scriptSeconds(script, speed) / 60 - minutes) / minutes).toBeLessThan(0.05)
  })
  it('has no sentence that no source has, but for what was left out of it, and keeps where each is from', () => {
    const { draft } = written(brief('How a lighthouse throws its light', 3))
    const plain = new Map(
      sources.map(({ id, text }) => [id, text.replace(/\[[^\]]*\]/g, '').replace(/\s+/g, ' ')]),
    )
    for (const { text, from } of draft.sentences) {
      expect(from.length).toBeGreaterThan(0)
      for (const { source, words } of from) expect(plain.get(source)).toContain(words)
      expect(
        new Set(
          text
            .toLowerCase()
            .match(/\p{L}+/gu)!
            .filter(
              (word) =>
                word !== 'and' && !from.some(({ words }) => words.toLowerCase().includes(word)),
            ),
        ),
      ).toEqual(new Set())
    }
    const said = draft.sentences.flatMap(({ from }) => from.map(({ words }) => words))
    expect(new Set(said).size).toBe(said.length)
  })
  it('stays with the subject while its source lasts', () => {
    const { draft } = written(brief('How a lighthouse throws its light', 2))
    expect(
      new Set(draft.sentences.flatMap(({ from }) => from.map(({ source }) => source))),
    ).toEqual(new Set(['light']))
  })
  it('comes out the same each time', () =>
    expect(written(brief('The sea', 3)).script).toBe(written(brief('The sea', 3)).script))
  it('follows the outline a person changed', () => {
    const asked = brief('The sea', 3)
    const outline = [
      { title: 'Locks first', minutes: 1.5, points: ['chamber, gates and water level'] },
      { title: 'Then tides', minutes: 1.5, points: ['moon, sun and bulges'] },
    ]
    const { sentences } = composeDraft(asked, outline)
    expect(draftScript(sentences, outline)).toMatch(
      /# Locks first[\s\S]*chamber[\s\S]*# Then tides[\s\S]*moon/,
    )
  })
  it('says plainly what it cannot do', () => {
    expect(written(brief('A lighthouse', 20)).draft.limits.join(' ')).toMatch(
      /The sources hold \d\.\d of the 20 minutes/,
    )
    expect(
      written(brief('A lighthouse', 2, { points: ['the price of penguins'] })).draft.limits.join(
        ' ',
      ),
    ).toContain('Nothing was found on “the price of penguins”')
    expect(
      composeDraft(emptyBrief('A lighthouse', 2), [{ title: 'One', minutes: 2, points: [] }]),
    ).toMatchObject({ sentences: [], limits: [expect.stringContaining('nothing to write from')] })
    expect(written(brief('A lighthouse', 2, { tone: 'funny' })).draft.limits.join(' ')).toContain(
      'tone',
    )
  })
})

describe('outlineOf', () => {
  it('makes chapters of the points, in their order, with minutes that add up', () => {
    const outline = outlineOf(
      brief('The sea', 6, { points: ['why tides come twice', 'spring tides', 'how a lock fills'] }),
    )
    expect(outline.map(({ title }) => title)).toEqual([
      'Why tides come twice',
      'Spring tides',
      'How a lock fills',
    ])
    expect(outline.reduce((sum, { minutes }) => sum + minutes, 0)).toBeCloseTo(6, 0)
  })
  it('takes what the sources dwell on where no points are given, under their own headings', () => {
    const outline = outlineOf(brief('How a lighthouse throws its light', 4))
    expect(outline.length).toBeGreaterThanOrEqual(2)
    for (const { title } of outline)
      expect(lighthouse.includes(`# ${title}`) || title.startsWith('The ')).toBe(true)
  })
  it('fills up a long film of which one point is given', () =>
    expect(
      outlineOf(brief('How a lighthouse throws its light', 5, { points: ['the keeper'] })).map(
        ({ title }) => title,
      ),
    ).toEqual(['The keeper', expect.any(String), expect.any(String), expect.any(String)]))
  it('has something to say of nothing', () =>
    expect(outlineOf(emptyBrief('Fog', 3))).toEqual([{ title: 'Fog', points: [], minutes: 3 }]))
})

describe('shortened and joined', () => {
  it.each([
    ['However, the lamp (a small one) was, of course, lit.', 'The lamp was lit.'],
    ['It rose – nobody knows why – at noon.', 'It rose at noon.'],
    ['He did it in order to sleep.', 'He did it to sleep.'],
    ['The lamp burns.', 'The lamp burns.'],
    ['It stood (1822–1901) there.', 'It stood (1822–1901) there.'],
  ])('%j', (long, short) => expect(shortened(long)).toBe(short))
  it('join only short statements', () => {
    expect(joined('The lamp burns.', 'It turns.')).toBe('The lamp burns, and it turns.')
    expect(joined('Why?', 'It turns.')).toBeUndefined()
    expect(joined('The lamp burns.', 'London sleeps.')).toBeUndefined()
  })
})

describe('styleOf', () => {
  const plain =
    'You see the sea. You hear it. It’s cold, isn’t it? You go in. You come out. '.repeat(5)
  const learned =
    'The atmospheric attenuation of luminous intensity necessarily constrains navigational visibility in meteorologically unfavourable circumstances. '.repeat(
      5,
    )
  it('measures sentences, person, short forms and questions by hand-counted shares', () => {
    const style = styleOf(plain)!
    // 17 words in 5 sentences: 5 times you; it’s, isn’t; one question.
    expect(style.sentenceWords).toBeCloseTo(17 / 5, 6)
    expect(style.you).toBeCloseTo((4 / 17) * 100, 6)
    expect(style.contractions).toBeCloseTo((2 / 17) * 100, 6)
    expect(style.questions).toBeCloseTo(20, 6)
    expect(style.openings[0]).toMatchObject({ word: 'you' })
  })
  it('tells where one departs from the other, and nothing where it does not', () => {
    expect(departures(styleOf(learned)!, styleOf(plain)!).join(' ')).toMatch(
      /words; yours have.*school year.*speaks to the viewer.*short forms.*ask.*You often begin with “you”/s,
    )
    expect(departures(styleOf(plain)!, styleOf(plain)!)).toEqual([])
    expect(styleOf('Too short.')).toBeUndefined()
  })
})
