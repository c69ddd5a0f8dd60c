import { geoDistance } from 'd3-geo'
import { describe, expect, it } from 'vitest'
import { documentFrom } from '../../document/apply.ts'
import { filmOf } from '../../document/film-scenes.ts'
import { timeline } from '../../timeline/timeline.ts'
import { filmLetters } from '../film-letters.ts'
import { frameOf, isInside } from '../lettering/frame.ts'
import { inkBox } from '../lettering/mark.ts'
import { leftOutRemarks } from '../supers/left-out.ts'
import { placesCalled } from './atlas.ts'
import { mapOffers } from './map-offers.ts'
import { mapView } from './map-view.ts'
import { WORLD } from './world.ts'

const SIZE = { width: 860, height: 550 }
const found = (name: string, about = '') => placesCalled(WORLD, name, about)
const KILOMETRES = 6371

describe('placesCalled', () => {
  it('finds towns and countries, whatever their accents and capitals (GeoNames; positions from memory, half a degree)', () => {
    const positions: Record<string, [number, number]> = {
      bremen: [8.8, 53.1],
      'Den Helder': [4.76, 52.96],
      'São Paulo': [-46.6, -23.5],
      'sao paulo': [-46.6, -23.5],
      Reykjavík: [-21.9, 64.1],
      Sydney: [151.2, -33.9],
    }
    for (const [name, [longitude, latitude]] of Object.entries(positions)) {
      const at = found(name)[0]?.at as [number, number]
      expect(Math.abs(at[0] - longitude), name).toBeLessThan(0.5)
      expect(Math.abs(at[1] - latitude), name).toBeLessThan(0.5)
    }
    expect(found('Norway')[0]?.at).toHaveProperty('type', 'Feature')
    expect(found('the United States')[0]?.at).toHaveProperty('type', 'Feature')
  })
  it('takes the larger of two of one name, the one whose country is named, or spoken of', () => {
    expect(found('Birmingham')[0]?.country).toBe('United Kingdom')
    expect(found('Birmingham, United States')[0]?.country).toBe('United States')
    expect(found('Birmingham', 'In the United States there were three.')[0]?.country).toBe(
      'United States',
    )
    expect(found('Birmingham').length).toBeGreaterThan(1)
  })
  it.each([
    ['Skellig (51.77, -10.54)', 'Skellig', [-10.54, 51.77]],
    ['Skellig, 51.77 N 10.54 W', 'Skellig', [-10.54, 51.77]],
    ['Skellig Michael 51°46′16″N 10°32′26″W', 'Skellig Michael', [-10.5406, 51.7711]],
    ['Cape Horn (−55.98, −67.27)', 'Cape Horn', [-67.27, -55.98]],
    ['1859 Rock, 33.9 s, 18.4 e', '1859 Rock', [18.4, -33.9]],
  ] as const)('takes a place where it is said to lie: %s', (text, name, at) => {
    const place = found(text)[0]!
    expect(place.name).toBe(name)
    const [longitude, latitude] = place.at as [number, number]
    expect(longitude).toBeCloseTo(at[0], 3)
    expect(latitude).toBeCloseTo(at[1], 3)
  })
  it.each(['Rock (95, 10)', 'Rock (10, 190)', '(51, 10)', 'Rock 51', `${'1 '.repeat(400)}`])(
    'takes no place where there is none: %s',
    (text) => expect(found(text)).toEqual([]),
  )
  it('knows a town of 16,000, and thinks of none so small by itself', () => {
    expect(found('Guérande')[0]?.country).toBe('France')
    expect(mapOffers(WORLD, 'Farmers grow potatoes high in the Andes.', '')).toEqual([])
  })
  it('knows no place that is none', () => {
    for (const name of ['', ',', 'Nowherehaven', '☃', 'x'.repeat(600)])
      expect(found(name)).toEqual([])
  })
})

describe('mapOffers', () => {
  it.each([
    ['The packet sailed from Bremen to Bergen in a day.', 'Bremen to Bergen'],
    ['In March the sea froze near Den Helder.', 'Den Helder'],
    ['Every light in Norway was put out.', 'Norway'],
    ['Boats wait outside Bremen Harbour for the tide.', 'Bremen'],
    ['Between São Paulo and Lisbon lies an ocean.', 'São Paulo to Lisbon'],
  ])('of “%s” is %s', (sentence, map) =>
    expect(mapOffers(WORLD, sentence, sentence).map(({ text }) => text)).toEqual([map]),
  )
  it.each([
    'In May it rained, and on Friday it did not.',
    'He walked from Monday to Wednesday.',
    'The keeper went to bed at nine.',
    'Look into Fresnel and his lens.',
    'Paris is a word at the beginning.',
  ])('is none of “%s”', (sentence) => expect(mapOffers(WORLD, sentence, '')).toEqual([]))
  it('is taken by itself where the dial says so, and never again where it was refused', () => {
    const film = filmOf(documentFrom('T', 'The lamp was built near Bremen. It burns.'))
    const letters = (drawing: typeof film.drawing) =>
      filmLetters(
        timeline(film, [], [30, 1]),
        { ...film, drawing },
        { width: 1920, height: 1080 },
        { atlas: WORLD },
      ).supers.map(({ kind }) => kind)
    expect(letters({ dial: 'some', refused: [] })).toEqual(['map'])
    expect(letters({ dial: 'some', refused: ['map'] })).toEqual([])
    expect(letters({ dial: 'none', refused: [] })).toEqual([])
  })
})

describe('mapView', () => {
  it('keeps lengths near its middle: a degree of latitude is 111 km (sphere of 6,371 km)', () => {
    const [bremen, hamburg] = [found('Bremen')[0]!, found('Hamburg')[0]!]
    const { points, route } = mapView(WORLD, [bremen, hamburg], SIZE)
    const ends = [bremen.at, hamburg.at] as [[number, number], [number, number]]
    const pixels = Math.hypot(points[0]![0] - points[1]![0], points[0]![1] - points[1]![1])
    const degrees = (geoDistance(...ends) * 180) / Math.PI
    expect(degrees * 111.19).toBeCloseTo(geoDistance(...ends) * KILOMETRES, 0)
    const [alone] = [mapView(WORLD, [bremen], SIZE)]
    // Alone, a town is shown with eleven degrees from foot to head: two near ones no closer.
    expect(pixels / degrees).toBeCloseTo(SIZE.height / 11, 0)
    expect(alone.points[0]![0]).toBeCloseTo(SIZE.width / 2, 3)
    expect(route.length).toBeGreaterThanOrEqual(2)
  })
  it('shows both ends of a way round half the world, and all of a country', () => {
    const inside = ([x, y]: readonly [number, number]) =>
      x > 0 && y > 0 && x < SIZE.width && y < SIZE.height
    const far = mapView(WORLD, [found('Amsterdam')[0]!, found('Jakarta')[0]!], SIZE)
    expect(far.points.every(inside)).toBe(true)
    expect(far.route.length).toBeGreaterThanOrEqual(5)
    const norway = mapView(WORLD, found('Norway').slice(0, 1), SIZE)
    expect(norway.meant.length).toBeGreaterThan(0)
    expect(norway.meant.flat().filter(inside).length).toBe(norway.meant.flat().length)
  })
})

describe('a map on a film', () => {
  const letters = (script: string, shape: { width: number; height: number }) => {
    const film = filmOf(documentFrom('T', script))
    return filmLetters(timeline(film, [], [30, 1]), film, shape, { atlas: WORLD })
  }
  it('lies inside the safe area in three shapes, and names its places', () => {
    for (const [width, height] of [
      [1920, 1080],
      [1080, 1080],
      [1080, 1920],
    ] as const) {
      const { supers } = letters('[map: Bremen to Oslo] She sailed north from Bremen.', {
        width,
        height,
      })
      expect(supers).toHaveLength(1)
      const { marks } = supers[0]!
      for (const mark of marks)
        expect(isInside(inkBox(mark), frameOf(width, height).safe)).toBe(true)
      const names = marks.flatMap(({ body }) => (body.kind === 'text' ? [body.text] : []))
      expect(names).toEqual(['Bremen', 'Oslo'])
    }
  })
  it('is left out with a sentence where nobody knows its place', () => {
    const placing = letters('[map: Nowherehaven] There it was.', { width: 1920, height: 1080 })
    expect(placing.supers).toEqual([])
    expect(leftOutRemarks(placing)).toEqual([
      'No place called "Nowherehaven" is known, so the map at 0:01 was left out. ' +
        'Write it as "Town, Country"; towns of 30,000 people and more are known.',
    ])
  })
})
