import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import sharp from 'sharp'
import { describe, expect, it } from 'vitest'
import { openapi } from './openapi.ts'
import { stockServer } from './server.ts'

const app = stockServer({
  media: fileURLToPath(new URL('../../../../.data/media', import.meta.url)),
  files: mkdtempSync(join(tmpdir(), 'tidy-stock-')),
})
interface Page {
  total: number
  page: number
  items: { id: string; kind: string; title: string; orientation: string }[]
}
const find = async (query: string) =>
  (await (await app.request(`/v1/items?${query}`)).json()) as Page

describe('the stock stand-in', () => {
  it('finds by title, tag and description, best first', async () => {
    const { items } = await find('q=lighthouse')
    expect(items.length).toBeGreaterThan(3)
    for (const { title } of items.slice(0, 3)) expect(title.toLowerCase()).toMatch(/light/)
  })
  it('narrows by kind and shape', async () => {
    expect((await find('q=sea&kind=photo')).items.every(({ kind }) => kind === 'photo')).toBe(true)
    const upright = (await find('orientation=portrait&kind=clip')).items
    expect(upright.length).toBeGreaterThan(5)
    expect(upright.every(({ orientation }) => orientation === 'portrait')).toBe(true)
  })
  it('pages without losing or repeating anything', async () => {
    const { total } = await find('')
    const ids = new Set<string>()
    for (let page = 1; ids.size < total && page < 50; page++)
      for (const { id } of (await find(`page=${page}&per_page=100`)).items) ids.add(id)
    expect(ids.size).toBe(total)
    expect((await find('page=9999')).items).toEqual([])
  })
  it.each([
    'q=' + 'x'.repeat(5000),
    'page=-1',
    'page=abc',
    'per_page=100000',
    'kind=nonsense',
    'q=%F0%9F%8C%8A',
  ])('answers %.30s with a page', async (query) => {
    const answer = await app.request(`/v1/items?${query}`)
    expect(answer.status).toBe(200)
    expect(((await answer.json()) as Page).items.length).toBeLessThanOrEqual(100)
  })
  it('tells everything about one item, and 404 of one it has not', async () => {
    const [first] = (await find('q=harbour')).items
    const item = (await (await app.request(`/v1/items/${first!.id}`)).json()) as Record<
      string,
      unknown
    >
    for (const field of [
      'id',
      'kind',
      'title',
      'description',
      'tags',
      'width',
      'height',
      'orientation',
      'source',
      'licence',
      'author',
    ])
      expect(item[field]).toBeTruthy()
    for (const path of [
      '/v1/items/none',
      '/v1/items/none/file',
      '/v1/items/..%2F..%2Fetc%2Fpasswd/file',
    ])
      expect((await app.request(path)).status).toBe(404)
  })
  it('paints the same picture each time, at the size asked for', async () => {
    const [photo] = (await find('q=harbour&kind=photo')).items.filter(({ id }) =>
      id.startsWith('paper-'),
    )
    const bytes = async () =>
      Buffer.from(await (await app.request(`/v1/items/${photo!.id}/file?height=360`)).arrayBuffer())
    const [first, second] = [await bytes(), await bytes()]
    expect(first.equals(second)).toBe(true)
    expect(await sharp(first).metadata()).toMatchObject({ width: 640, height: 360, format: 'jpeg' })
  })
  it('describes each of its routes (OpenAPI 3.1)', async () => {
    expect(await (await app.request('/openapi.json')).json()).toEqual(openapi)
    const served = app.routes
      .map(({ path }) => path.replace(/:(\w+)/g, '{$1}'))
      .filter((path) => path !== '/openapi.json')
    expect(new Set(Object.keys(openapi.paths))).toEqual(new Set(served))
  })
})
