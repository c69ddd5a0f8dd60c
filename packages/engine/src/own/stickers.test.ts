import sharp from 'sharp'
import { describe, expect, it } from 'vitest'
import { stickersFor, stickerSvg } from './stickers.ts'

describe('stickers', () => {
  it.each([
    ['anchor', 'anchor'],
    ['Fishing poles', 'fishing-pole'],
    ['a sailboat', 'sailboat'],
  ])('finds by “%s” first of all %s', async (words, name) =>
    expect((await stickersFor(words, 4))[0]).toMatchObject({ name }),
  )
  it('finds none by nothing, or by what no drawing is called', async () => {
    expect(await stickersFor('  ', 4)).toEqual([])
    expect(await stickersFor('constructor __proto__', 4)).toEqual([])
    expect(await stickersFor('grinning', 3)).toHaveLength(3)
  })
  it('is drawn on nothing: an opaque middle, clear corners', async () => {
    const drawn = await sharp(Buffer.from((await stickerSvg('anchor'))!))
      .raw()
      .toBuffer()
    expect(drawn[3]).toBe(0)
    expect(drawn.filter((value, i) => i % 4 === 3 && value > 250).length).toBeGreaterThan(9000)
    for (const none of ['nothing-such', 'constructor', '../icons'])
      expect(await stickerSvg(none)).toBeUndefined()
  })
})
