import { existsSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { createCanvas } from '@napi-rs/canvas'
import { describe, expect, it } from 'vitest'
import { catalogue } from './catalogue.ts'
import { type Contributor, CONTRIBUTORS } from './contributors.ts'
import { hasDrawing } from './paint/subject.ts'
import { type Recipe, stageOf } from './recipes.ts'
import { MACHINES, PLACES, SUBJECTS } from './subjects.ts'

const MEDIA = fileURLToPath(new URL('../../../../.data/media', import.meta.url))
const entries = [...catalogue(MEDIA).values()]
const items = entries.map(({ item }) => item)

describe('catalogue', () => {
  it('offers at least 3,000 items, clips and photographs both, each id once', () => {
    expect(items.length).toBeGreaterThanOrEqual(3000)
    expect(items.filter(({ kind }) => kind === 'clip').length).toBeGreaterThanOrEqual(1000)
    expect(new Set(items.map(({ id }) => id)).size).toBe(items.length)
  })
  it('holds at least 150 real photographs, each with author, licence and source', () => {
    const photos = items.filter(({ id }) => id.startsWith('photo-'))
    expect(photos.length).toBeGreaterThanOrEqual(150)
    for (const { author, licence, source, width, height } of photos) {
      for (const text of [author, licence, source]) expect(text.length).toBeGreaterThan(1)
      expect(Math.min(width, height)).toBeGreaterThan(200)
    }
    expect(photos.filter(({ licence }) => /NC|non-?commercial/i.test(licence))).toEqual([])
  })
  it.each([
    'lighthouse',
    'ship',
    'forest',
    'city',
    'kitchen',
    'moon',
    'horse',
    'bread',
    'train',
    'castle',
    'rain',
    'book',
    'clock',
    'factory',
    'hospital',
    'school',
    'bridge',
    'flower',
  ])('has something for %s', (word) => {
    expect(
      items.some(({ title, tags }) => `${title} ${tags.join(' ')}`.toLowerCase().includes(word)),
    ).toBe(true)
  })
  it('paints at 1080 lines, or as many as its contributor does, and says the right shape', () => {
    for (const { id, author, width, height, orientation } of items.filter((item) =>
      item.id.startsWith('paper-'),
    )) {
      expect([id, Math.min(width, height)]).toEqual([
        id,
        CONTRIBUTORS.find(({ name }) => name === author)?.lines ?? 1080,
      ])
      expect(orientation).toBe(width > height ? 'landscape' : 'portrait')
    }
  })
  it('is truthful: what a painted title names is what is drawn', () => {
    for (const { item, made } of entries) {
      if (!('recipe' in made) || !made.recipe.subject) continue
      const subject = SUBJECTS.find(({ drawing }) => drawing === made.recipe.subject!.drawing)!
      expect(item.title.toLowerCase()).toContain(subject.name.toLowerCase())
    }
  })
  it('has every drawing and every setting its recipes name', async () => {
    expect(
      SUBJECTS.filter(({ drawing }) => !hasDrawing(drawing)).map(({ drawing }) => drawing),
    ).toEqual([])
    expect(
      SUBJECTS.flatMap(({ places }) => places).filter(
        (place) => !PLACES[place] && place !== 'plain',
      ),
    ).toEqual([])
  })
  it('takes no picture for its own where photographs are missing', () => {
    expect(
      [...catalogue('/nowhere').values()].some(({ item }) => item.id.startsWith('photo-')),
    ).toBe(false)
  })
  it('finds its photographs unpacked', () => {
    for (const { made } of entries) if ('photo' in made) expect(existsSync(made.photo)).toBe(true)
  })
})

describe('contributors', () => {
  const by = (name: string) => items.filter(({ author }) => author === name)
  it.each(CONTRIBUTORS)('$name gives a good many, under one licence', ({ name, licence }) => {
    expect(by(name).length).toBeGreaterThan(100)
    expect(new Set(by(name).map((item) => item.licence))).toEqual(new Set([licence]))
  })
  it('some tag with everything, some misspell, some hardly tag, and titles stay true', () => {
    const tags = (tagging: Contributor['tagging']) =>
      CONTRIBUTORS.filter((each) => each.tagging === tagging).flatMap(({ name }) =>
        by(name).flatMap((item) => item.tags),
      )
    const mean = (tagging: Contributor['tagging']) =>
      tags(tagging).length /
      CONTRIBUTORS.filter((each) => each.tagging === tagging).flatMap(({ name }) => by(name)).length
    expect(mean('stuffed')).toBeGreaterThan(mean('honest') + 8)
    expect(mean('sparse')).toBeLessThanOrEqual(2)
    const known = new Set(tags('honest'))
    expect(tags('misspelt').filter((tag) => !known.has(tag)).length).toBeGreaterThan(100)
  })
  it('some are upright and some small', () => {
    expect(items.filter(({ orientation }) => orientation === 'portrait').length).toBeGreaterThan(
      200,
    )
    expect(items.filter(({ height }) => height === 540).length).toBeGreaterThan(200)
  })
})

describe('every setting', () => {
  const settings = [...Object.keys(PLACES), ...Object.keys(MACHINES)]
  it.each(
    settings.map(
      (setting, i) => [setting, (['day', 'night', 'dusk', 'grey'] as const)[i % 4]!] as const,
    ),
  )('%s is painted to the edges, in many tones (%s)', async (setting, time) => {
    const recipe: Recipe = { seed: setting, setting, time }
    const canvas = createCanvas(160, 90)
    ;(await stageOf(recipe, 160)).draw(canvas, 2, 9)
    const pixels = canvas.data()
    const tones = new Set<number>()
    for (let i = 0; i < pixels.length; i += 4) {
      if (pixels[i + 3] !== 255) throw new Error(`a hole at pixel ${i / 4}`)
      tones.add((pixels[i]! >> 4) * 256 + (pixels[i + 1]! >> 4) * 16 + (pixels[i + 2]! >> 4))
    }
    expect(tones.size).toBeGreaterThan(12)
  })
})
