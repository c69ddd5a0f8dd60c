import { describe, expect, it } from 'vitest'
import { DRAWN_EXAMPLES, DRAWN_FORMS, figureText, readDrawn, readFigure } from './drawn.ts'
import { drawnOffers } from './drawn-offers.ts'
import { parseScript } from './parse.ts'

describe('readFigure', () => {
  it.each([
    ['13.8 billion years', 13.8, '13.8'],
    ['1,250 people', 1250, '1,250'],
    ['1.250.000 Tonnen', 1_250_000, '1.250.000'],
    ['1.234,5 km', 1234.5, '1.234,5'],
    ['12 345 m', 12_345, '12\u00a0345'],
    ['13,8 Milliarden Jahre', 13.8, '13,8'],
    ['£3,203.50', 3203.5, '3,203.50'],
    ['−4 °C', -4, '\u22124'],
    ['0.007', 0.007, '0.007'],
  ])('reads %s as %d and writes it as %s', (text, value, written) => {
    const figure = readFigure(text)!
    expect(figure.value).toBeCloseTo(value, 9)
    expect(figureText(figure)).toBe(written)
  })
  it('writes thousands as Intl.NumberFormat does (ECMA-402, a second opinion)', () => {
    for (const value of [0, 7, 999, 1000, 65_536, 1_234_567])
      expect(figureText({ ...readFigure('1,000')!, value })).toBe(
        new Intl.NumberFormat('en-GB').format(value),
      )
  })
  it('finds none where there is none', () => expect(readFigure('no figure at all')).toBeUndefined())
})

describe('readDrawn', () => {
  it.each(DRAWN_FORMS)('reads the example it shows for %s', (form) => {
    const [direction] = parseScript(`${DRAWN_EXAMPLES[form]} It turns.`).scenes[0]!.directions
    expect(direction?.kind).toBe(form)
    expect(readDrawn(form, (direction as { text: string }).text)?.form).toBe(form)
  })
  it('gives no bar to what has no figure, and a share only to what can be one', () => {
    expect(readDrawn('bars', 'Coal 35; Gas; Wind 8')).toMatchObject({
      bars: [{ label: 'Coal' }, { label: 'Wind' }],
    })
    expect(readDrawn('bars', 'Coal; Gas')).toBeUndefined()
    expect(readDrawn('share', '120 % of it')).toBeUndefined()
    expect(readDrawn('share', '3 of 4 boats')).toMatchObject({ part: 0.75, written: '3 of 4' })
    expect(readDrawn('share', 'a third of the boats')).toMatchObject({ part: 1 / 3 })
  })
  it.each([
    ['ring', { kind: 'ring', width: 0.24, height: 0.24 }],
    ['Ring 30 @ 20 40', { kind: 'ring', width: 0.3, height: 0.3 }],
    ['box 60 x 20', { kind: 'box', width: 0.6, height: 0.2 }],
    ['box 68', { kind: 'box', width: 0.68, height: 0.48 }],
    ['arrow up 40 %', { kind: 'arrow', way: 'up', width: 0.4 }],
    ['spotlight 999', { kind: 'spotlight', width: 1, height: 1 }],
  ])('reads a shape and how large it is: %s', (text, read) =>
    expect(readDrawn('mark', text)).toMatchObject({ form: 'mark', ...read }),
  )
  it.each(['a ring', 'ringing', 'box x', 'ring 20 of gold', 'star 20', ''])(
    'draws no shape for %j',
    (text) => expect(readDrawn('mark', text)).toBeUndefined(),
  )
  it.each([
    ['the gate; the sluice, of iron; the chamber', 3],
    ['the gate | the sluice, of iron | the chamber', 3],
    ['the gate / the sluice', 2],
    ['1,250 gates, 30 locks', 2],
    ['البوابة، السد، الغرفة', 3],
    ['水门、水闸、闸室', 3],
  ])('parts a list by the mark its writer used: %s', (text, count) =>
    expect(readDrawn('list', text)).toMatchObject({ items: { length: count } }),
  )
  it('says of a direction that nothing can be drawn from how it is written', () => {
    const { remarks, scenes } = parseScript('[bars: lots] It turns.')
    expect(remarks).toEqual([expect.stringContaining('[bars: Coal 35 %')])
    expect(scenes[0]!.text).toBe('It turns.')
  })
})

describe('drawnOffers', () => {
  const first = (text: string) => {
    const [offer] = drawnOffers(text)
    return offer && `${offer.form}: ${offer.text}`
  }
  it.each([
    ['The universe is 13.8 billion years old.', 'number: 13.8 billion years'],
    ['It is seen from 20 miles out.', 'number: 20 miles'],
    ['Water covers 71 % of the surface.', 'share: 71 % of the surface'],
    ['The tide rises from 4 metres to 12 metres here.', 'change: 4 metres to 12 metres'],
    ['The lens came in 1822 and the arc lamp in 1859.', 'years: 1822; 1859'],
    [
      'A lock has three parts: the gate, the sluice and the chamber.',
      'list: the gate; the sluice; the chamber',
    ],
    ['She said “it never goes out while I am awake”.', 'quote: it never goes out while I am awake'],
    ['It was lit in 1822.', 'super: 1822'],
  ])('offers for %s %s', (text, offer) => expect(first(text)).toBe(offer))
  it.each([
    'It turns all night.',
    'Two boats came in.',
    'There are 3 of them.',
    'The gate, as far as anyone knows, was never closed.',
  ])('offers nothing for %s', (text) => expect(drawnOffers(text)).toEqual([]))
})
