import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import sharp from 'sharp'
import { describe, expect, it } from 'vitest'
import { STYLES } from '../stock/paint/styles.ts'
import { compose, type Wish } from './composition.ts'
import { openapi } from './openapi.ts'
import { makerServer } from './server.ts'

const app = makerServer({ files: mkdtempSync(join(tmpdir(), 'tidy-maker-')) })
const ask = (wish: unknown) =>
  app.request('/v1/paintings', {
    method: 'POST',
    body: typeof wish === 'string' ? wish : JSON.stringify(wish),
  })
interface Painting {
  id: string
  seed: number
  shows: string[]
}
const paintings = async (wish: object) =>
  ((await (await ask(wish)).json()) as { paintings: Painting[] }).paintings
const wish = (description: string, more: Partial<Wish> = {}): Wish => ({
  description,
  style: 'paper',
  without: [],
  upright: false,
  seed: 1,
  ...more,
})
const shows = (description: string, more: Partial<Wish> = {}) =>
  compose(wish(description, more)).shows.join(', ').toLowerCase()

describe('compose', () => {
  it.each([
    ['A lighthouse at night', /lighthouse/],
    ['A cow in a field', /cow/],
    ['the gears of a clock', /gear/],
    ['An octopus on the sea floor', /octopus.*sea floor/],
    ['a harbour', /harbour/],
    ['Two boats in a canal lock', /lock/],
  ])('sees in "%s" what it names', (description, seen) => expect(shows(description)).toMatch(seen))
  it('paints the hour that is spoken of', () => {
    expect(compose(wish('A cow in a field at night')).recipe.time).toBe('night')
    expect(compose(wish('A ship in a storm')).recipe.time).toBe('grey')
  })
  it('asks what follows the first sentence only where that names nothing', () => {
    expect(shows('A whale. From a film about lamps.')).toMatch(/whale/)
    expect(shows('Qwertz. From a film about a lighthouse.')).toMatch(/lighthouse/)
  })
  it('leaves out what must not be seen', () => {
    expect(shows('A ship at sea', { without: ['ship'] })).not.toMatch(/ship/)
    expect(shows('A cow in a field', { without: ['cows', 'cattle'] })).not.toMatch(/\bcow\b/)
  })
  it('has a picture for words that name nothing', () =>
    expect(shows('qwertz uiop')).toBe('clouds in a wide sky'))
  it('paints the same for the same seed and another for another', () => {
    expect(compose(wish('A cow'))).toEqual(compose(wish('A cow')))
    expect(
      new Set([1, 2, 3, 4].map((seed) => JSON.stringify(compose(wish('A cow', { seed })).recipe)))
        .size,
    ).toBe(4)
  })
})

describe('the picture maker stand-in', () => {
  it('has at least four styles', async () =>
    expect(
      ((await (await app.request('/v1/styles')).json()) as { styles: unknown[] }).styles,
    ).toHaveLength(STYLES.length))
  it('paints four variants, each a JPEG of its size', async () => {
    const made = await paintings({
      description: 'A lighthouse',
      style: 'linocut',
      variants: 4,
      seed: 7,
    })
    expect(made.map(({ seed }) => seed)).toEqual([7, 8, 9, 10])
    const files = await Promise.all(
      made.map(async ({ id }) =>
        Buffer.from(await (await app.request(`/v1/paintings/${id}/file`)).arrayBuffer()),
      ),
    )
    for (const file of files)
      expect(await sharp(file).metadata()).toMatchObject({
        format: 'jpeg',
        width: 1920,
        height: 1080,
      })
    expect(new Set(files.map((file) => file.toString('base64'))).size).toBe(4)
    // Ten seconds alone; other tests fill the machine.
  }, 120_000)
  it('paints upright', async () => {
    const [made] = await paintings({ description: 'A lamp', style: 'paper', shape: 'portrait' })
    expect(made).toMatchObject({ width: 1080, height: 1920 })
    // Four seconds alone; other tests fill the machine.
  }, 90_000)
  it.each([
    '',
    '[]',
    '{"description":"", "style":"paper"}',
    '{"description":"A cow","style":"oil"}',
    JSON.stringify({ description: 'x'.repeat(1001), style: 'paper' }),
    '{"style":"paper"}',
  ])('answers 422 to %.50s', async (body) => expect((await ask(body)).status).toBe(422))
  it('answers 404 for a painting there is not', async () =>
    expect((await app.request('/v1/paintings/none/file')).status).toBe(404))
  it('describes each of its routes (OpenAPI 3.1)', async () => {
    expect(await (await app.request('/openapi.json')).json()).toEqual(openapi)
    const served = app.routes
      .map(({ path }) => path.replace(/:(\w+)/g, '{$1}'))
      .filter((path) => path !== '/openapi.json')
    expect(new Set(Object.keys(openapi.paths))).toEqual(new Set(served))
  })
})
