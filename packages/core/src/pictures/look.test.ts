import { describe, expect, it } from 'vitest'
import { colourName, coloursOf, hashDistance, sameLook } from './look.ts'

describe('colourName', () => {
  // Named colours of CSS Color Module Level 4 (from memory), whose names say what they look like.
  it.each([
    ['red', 255, 0, 0, 'red'],
    ['crimson', 220, 20, 60, 'red'],
    ['orange', 255, 165, 0, 'orange'],
    ['gold', 255, 215, 0, 'yellow'],
    ['yellow', 255, 255, 0, 'yellow'],
    ['forestgreen', 34, 139, 34, 'green'],
    ['lime', 0, 255, 0, 'green'],
    ['teal', 0, 128, 128, 'teal'],
    ['royalblue', 65, 105, 225, 'blue'],
    ['navy', 0, 0, 128, 'blue'],
    ['blueviolet', 138, 43, 226, 'violet'],
    ['hotpink', 255, 105, 180, 'pink'],
    ['saddlebrown', 139, 69, 19, 'brown'],
    ['black', 0, 0, 0, 'black'],
    ['dimgray', 105, 105, 105, 'grey'],
    ['silver', 192, 192, 192, 'grey'],
    ['white', 255, 255, 255, 'white'],
    ['snow', 255, 250, 250, 'white'],
  ])('calls %s what it is', (_name, r, g, b, called) => expect(colourName(r, g, b)).toBe(called))
})

describe('coloursOf', () => {
  it('names what covers most, the commonest first, and nothing that hardly shows', () => {
    const pixels = (counts: [number, [number, number, number]][]) =>
      Uint8Array.from(counts.flatMap(([n, rgb]) => Array.from({ length: n }, () => rgb).flat()))
    expect(
      coloursOf(
        pixels([
          [60, [30, 90, 220]],
          [35, [250, 250, 250]],
          [5, [255, 0, 0]],
        ]),
      ),
    ).toEqual(['blue', 'white'])
    expect(coloursOf(new Uint8Array())).toEqual([])
  })
})

describe('hashDistance', () => {
  it('counts the bits that differ', () => {
    expect(hashDistance('0000000000000000', '0000000000000000')).toBe(0)
    expect(hashDistance('ffffffffffffffff', '0000000000000000')).toBe(64)
    expect(hashDistance('8000000000000001', '0000000000000000')).toBe(2)
    expect([
      sameLook('00000000000003ff', '0000000000000000'),
      sameLook('00000000000007ff', '0000000000000000'),
    ]).toEqual([true, false])
  })
})
