import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { ChannelFilm } from './channel-film.ts'
import { median, medianLine, pacedFilms, trendOf } from './pace.ts'
import { ago, rankedSubjects } from './rank-subjects.ts'
import { readFilms } from './read-films.ts'
import { type OwnedFilm, subjectsOf, termsOf } from './subjects.ts'

const NOW = Date.parse('2026-11-25T12:00:00Z')
const DAY = 86_400_000
const film = (title: string, days: number, views: number): ChannelFilm => ({
  id: `${title}${days}`,
  title,
  published: new Date(NOW - days * DAY).toISOString(),
  views,
  seconds: 300,
})
const owned = (title: string, days: number, above: number, own = true): OwnedFilm => ({
  ...film(title, days, 100),
  ageHours: days * 24,
  viewsPerHour: above,
  usualPerHour: 1,
  above,
  channel: own ? 'Mine' : 'Theirs',
  own,
})

describe('readFilms', () => {
  it.each([
    ['commas', 'title,published,views,duration\n"Tides, twice",2026-01-02,"12,345",4:35'],
    [
      'semicolons',
      'Title;Published at;View count;Length\nTides, twice;2026-01-02T00:00:00Z;12345;275',
    ],
    [
      'tabs',
      'Video title\tVideo publish time\tViews\tDuration\nTides, twice\tJan 2, 2026\t12345\tPT4M35S',
    ],
  ])('reads CSV with %s and other names of columns', (_name, text) => {
    expect(readFilms(text, 'a.csv').films[0]).toMatchObject({
      title: 'Tides, twice',
      published: '2026-01-02T00:00:00.000Z',
      views: 12_345,
      seconds: 275,
    })
  })
  it('reads JSON, a list or one inside an object', () => {
    const entry = {
      title: 'Tides',
      published_at: '2026-01-02T10:00:00+01:00',
      view_count: '1.2K',
      duration: 275,
    }
    for (const value of [[entry], { films: [entry] }])
      expect(readFilms(JSON.stringify(value), 'a.json').films[0]).toMatchObject({
        views: 1200,
        seconds: 275,
      })
  })
  it('leaves out rows it cannot use, each with its reason', () => {
    const { films, skipped } = readFilms(
      'title,published,views\nA,2026-01-02,5\n,2026-01-02,5\nB,03/04/2026,5\nC,2026-01-02,many',
      'a.csv',
    )
    expect(films).toHaveLength(1)
    expect(skipped).toEqual([
      { row: 2, reason: 'the title is missing' },
      { row: 3, reason: '"03/04/2026" is no date' },
      { row: 4, reason: '"many" is no count of views' },
    ])
  })
  it.each([
    ['nothing', '', /columns cannot be told apart/],
    [
      'the wrong separator',
      'title#published#views\nA#2026-01-02#5',
      /columns cannot be told apart/,
    ],
    ['no views', 'title,published\nA,2026-01-02', /no column is called views/],
    ['JSON cut off', '[{"title":', /not JSON to its end/],
    ['no list', '{"a":1}', /no list/],
    ['no usable row', 'title,published,views\nA,soon,5', /in its first row "soon" is no date/],
  ])('says what is wrong with %s', (_name, text, why) =>
    expect(() => readFilms(text, 'a')).toThrow(why),
  )
  it('takes any value for any column without falling over', () => {
    const value = fc.oneof(
      fc.jsonValue(),
      fc.double({ noNaN: true }),
      fc.constant({ toString: false }),
    )
    fc.assert(
      fc.property(
        fc.array(
          fc.record({ title: value, published: value, views: value, duration: value, id: value }),
        ),
        (rows) => {
          try {
            expect(readFilms(JSON.stringify(rows), 'a.json').films.length).toBeGreaterThan(0)
          } catch (cause) {
            expect(cause).toMatchObject({ code: 'films_unreadable' })
          }
        },
      ),
      { numRuns: 500 },
    )
    expect(
      readFilms(
        '[{"title":"Tides","published":1e300,"views":5},{"title":"Tides","published":1767312000,"views":5}]',
        'a.json',
      ),
    ).toMatchObject({ films: [{ published: '2026-01-02T00:00:00.000Z' }], skipped: [{ row: 1 }] })
  })
})

describe('pacedFilms', () => {
  it('compares a film with those of its own age', () => {
    const films = Array.from({ length: 20 }, (_, i) => film(`f${i}`, 10 + i * 10, 1000))
    const paced = pacedFilms([...films, film('hit', 105, 3000)], NOW)
    expect(paced.at(-1)!.above).toBeGreaterThan(2.7)
    expect(paced.at(-1)!.above).toBeLessThan(3.3)
    expect(median(paced.slice(0, -1).map(({ above }) => above))).toBeCloseTo(1, 0)
  })
  it('works out views an hour by hand: 240 views in 10 days are one an hour', () =>
    expect(pacedFilms([film('a', 10, 240)], NOW)[0]).toMatchObject({ viewsPerHour: 1, above: 1 }))
  it('is not moved by the size of a channel', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            days: fc.integer({ min: 1, max: 900 }),
            views: fc.integer({ min: 1, max: 1e6 }),
          }),
          { minLength: 2, maxLength: 25 },
        ),
        fc.constantFrom(10, 1000),
        (facts, scale) => {
          const of = (times: number) =>
            pacedFilms(
              facts.map(({ days, views }, i) => film(`f${i}`, days, views * times)),
              NOW,
            ).map(({ above }) => above)
          of(scale).forEach((above, i) => expect(above).toBeCloseTo(of(1)[i]!, 6))
        },
      ),
      { numRuns: 60 },
    )
  })
  it('finds the growth it was made with', () => {
    for (const growth of [-0.04, 0, 0.06]) {
      const films = Array.from({ length: 40 }, (_, i) =>
        film(
          `f${i}`,
          8 + i * 9,
          Math.round(50_000 * (1 + growth) ** (-(8 + i * 9) / 30.44) * (8 + i * 9) ** 0.2),
        ),
      )
      expect(trendOf(pacedFilms(films, NOW))! / 100).toBeCloseTo(growth, 2)
    }
    expect(trendOf(pacedFilms([film('a', 10, 1)], NOW))).toBeUndefined()
  })
  it('draws the median as a line from young to old', () => {
    const line = medianLine(
      pacedFilms([film('a', 30, 100), film('b', 10, 50), film('c', 90, 150)], NOW),
    )
    expect(line.map(({ ageHours }) => ageHours / 24)).toEqual([10, 30, 90])
  })
})

describe('subjectsOf', () => {
  it('groups titles by the words they share, and words that name the same films', () => {
    const films = [
      owned('How a Fresnel Lens Works', 10, 2),
      owned('The Fresnel Lens That Failed', 60, 2),
      owned('Why Every Lighthouse Is Different', 20, 1),
      owned('Life in a Lighthouse', 90, 1, false),
      owned('The Rope', 30, 1),
    ]
    const subjects = subjectsOf(films)
    expect(
      subjects.map(({ terms, own, others }) => [terms.sort().join(), own.length, others.length]),
    ).toEqual(
      expect.arrayContaining([
        ['fresnel,lens', 2, 0],
        ['lighthouse', 1, 1],
      ]),
    )
    expect(subjects.flatMap(({ terms }) => terms)).not.toContain('rope')
  })
  it('is named by two words that mostly stand together, and knows its neighbours', () => {
    const [subject] = subjectsOf([
      owned('The Tide Mill', 1, 1),
      owned('Life at a Tide Mill', 2, 1),
      owned('A Mill by the Sea', 3, 1),
    ]).filter(({ terms }) => terms.includes('mill'))
    expect(subject).toMatchObject({ name: 'tide mill', neighbours: ['sea'] })
  })
  it('joins words for the same thing', () => {
    const films = [
      owned('The Lift', 1, 1),
      owned('A Lift', 2, 1),
      owned('The Elevator', 3, 1),
      owned('An Elevator', 4, 1),
    ]
    expect(
      subjectsOf(films, (word) => ({ elevator: ['lift'], lift: ['elevator'] })[word] ?? []),
    ).toHaveLength(1)
  })
  it('takes no words that every title has', () =>
    expect(termsOf('How the Secret History of Tides Really Works')).toEqual(['tide']))
})

describe('rankedSubjects', () => {
  const rank = (films: OwnedFilm[]) => rankedSubjects(subjectsOf(films)).map(({ name }) => name)
  it('puts what gains above what does not', () =>
    expect(
      rank([
        owned('Tide one', 200, 4),
        owned('Tide two', 300, 4),
        owned('Rope one', 200, 0.5),
        owned('Rope two', 300, 0.5),
      ]),
    ).toEqual(['tide', 'rope']))
  it('puts what has rested above what was just done', () =>
    expect(
      rank([
        owned('Tide one', 3, 3),
        owned('Tide two', 300, 3),
        owned('Rope one', 200, 3),
        owned('Rope two', 300, 3),
      ]),
    ).toEqual(['rope', 'tide']))
  it('puts what others leave alone above what is crowded', () => {
    const crowd = Array.from({ length: 8 }, (_, i) => owned(`Tide ${i}th`, 2 + i, 3, false))
    expect(
      rank([...crowd, owned('Rope one', 200, 3, false), owned('Rope two', 210, 3, false)])[0],
    ).toBe('rope')
  })
  it('does not trust one lucky film as much as several good ones', () =>
    expect(
      rank([
        owned('Fog first', 200, 4),
        owned('Fog of others', 900, 1, false),
        ...[150, 200, 250, 300].map((d) => owned(`Tide ${d}`, d, 3.2)),
      ])[0],
    ).toBe('tide'))
  it('says why', () => {
    const [tide] = rankedSubjects(
      subjectsOf([
        owned('Tide one', 200, 3),
        owned('Tide two', 300, 2),
        owned('Tide three', 10, 1.5, false),
      ]),
    )
    expect(tide!.why).toEqual([
      '2 films of yours gained 2.5 times, the last one 7 months ago.',
      'One film of others gained 1.5 times of what is usual for them, the last one 10 days ago.',
    ])
  })
  it.each([
    [5, '5 hours'],
    [24 * 9, '9 days'],
    [24 * 100, '3 months'],
    [24 * 1000, '3 years'],
  ])('%i hours are %s', (hours, text) => expect(ago(hours)).toBe(text))
})
