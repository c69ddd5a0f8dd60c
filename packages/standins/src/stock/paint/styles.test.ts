import { createCanvas } from '@napi-rs/canvas'
import { beforeAll, describe, expect, it } from 'vitest'
import { stageOf } from '../recipes.ts'
import { restyle, type Style, STYLES } from './styles.ts'

const [WIDTH, HEIGHT] = [320, 180]
let plain: Uint8ClampedArray
beforeAll(async () => {
  const canvas = createCanvas(WIDTH, HEIGHT)
  ;(await stageOf({ seed: 'styles', setting: 'lighthouse', time: 'day' }, WIDTH)).draw(canvas, 2, 6)
  plain = canvas.getContext('2d').getImageData(0, 0, WIDTH, HEIGHT).data
})
const drawn = (style: Style) => {
  const pixels = plain.slice()
  restyle(pixels, WIDTH, HEIGHT, style)
  return pixels
}
const colours = (pixels: Uint8ClampedArray) =>
  new Set(
    Array.from({ length: pixels.length / 4 }, (_, i) => pixels.slice(i * 4, i * 4 + 3).join()),
  )
/** Mean difference of a channel, 0 to 255. */
const apart = (a: Uint8ClampedArray, b: Uint8ClampedArray) =>
  a.reduce((sum, value, i) => sum + Math.abs(value - b[i]!), 0) / a.length

/** Compared as bytes: element by element it takes seconds. */
const same = (a: Uint8ClampedArray, b: Uint8ClampedArray) => Buffer.from(a).equals(Buffer.from(b))

describe('restyle', () => {
  it('leaves paper as it is', () => expect(same(drawn('paper'), plain)).toBe(true))
  it('draws each style so that none looks like another', () => {
    for (const [i, one] of STYLES.entries())
      for (const other of STYLES.slice(i + 1))
        expect([one, other, apart(drawn(one), drawn(other)) > 12]).toEqual([one, other, true])
  })
  it('prints a linocut in four colours and an engraving in two', () => {
    expect(colours(drawn('linocut')).size).toBe(4)
    expect(colours(drawn('engraving')).size).toBe(2)
  })
  it('is the same each time and leaves no hole', () => {
    for (const style of STYLES) {
      expect(same(drawn(style), drawn(style))).toBe(true)
      expect(drawn(style).every((value, i) => i % 4 !== 3 || value === 255)).toBe(true)
    }
  })
  it('bears a picture of one pixel', () => {
    for (const style of STYLES) restyle(new Uint8ClampedArray([10, 20, 30, 255]), 1, 1, style)
  })
})
