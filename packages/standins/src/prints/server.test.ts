import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import sharp from 'sharp'
import { describe, expect, it } from 'vitest'
import { openapi } from './openapi.ts'
import { printsServer } from './server.ts'

const files = mkdtempSync(join(tmpdir(), 'tidy-prints-'))
const app = printsServer({ files, perSecond: 10_000 })
interface Page {
  records: {
    identifier: string
    caption: string
    medium: string
    rights: string | null
    files: { href: string }[]
  }[]
  next: string | null
}
const find = async (search: object) =>
  (await (
    await app.request('/api/records', { method: 'POST', body: JSON.stringify(search) })
  ).json()) as Page

describe('the prints stand-in', () => {
  it('finds records with any of the words', async () => {
    const { records } = await find({ any: ['lighthouse', 'lens'] })
    expect(records.slice(0, 3).every(({ caption }) => /light|lens/i.test(caption))).toBe(true)
    expect((await find({ medium: 'film' })).records.every(({ medium }) => medium === 'film')).toBe(
      true,
    )
  })
  it('leads from page to page without losing or repeating anything', async () => {
    const seen = new Set<string>()
    let after: string | undefined
    do {
      const { records, next } = await find({ limit: 50, ...(after ? { after } : {}) })
      for (const { identifier } of records) seen.add(identifier)
      after = next ?? undefined
    } while (after)
    expect(seen.size).toBeGreaterThan(200)
  })
  it('knows the rights of most and says of the others that it does not', async () => {
    const { records } = await find({ limit: 50 })
    expect(records.some(({ rights }) => rights === null)).toBe(true)
    expect(records.some(({ rights }) => rights?.startsWith('https://creativecommons.org/'))).toBe(
      true,
    )
  })
  it('serves what its links say', async () => {
    const {
      records: [first],
    } = await find({ any: ['lens'], medium: 'print' })
    const scan = Buffer.from(await (await app.request(first!.files[0]!.href)).arrayBuffer())
    expect(await sharp(scan).metadata()).toMatchObject({ format: 'jpeg', width: 854, height: 480 })
  })
  it.each([
    ['/api/records/none', 404],
    ['/scans/none/480', 404],
    ['/scans/HP.00001/481', 404],
  ])('answers %s with %i', async (path, status) =>
    expect((await app.request(path)).status).toBe(status),
  )
  it.each(['', '[1,2', '"text"'])('answers 400 to %s', async (body) =>
    expect((await app.request('/api/records', { method: 'POST', body })).status).toBe(400),
  )
  it('says when it is asked too quickly, and when to come back', async () => {
    const slow = printsServer({ files, perSecond: 3 })
    const answers = await Promise.all(
      Array.from({ length: 5 }, async () =>
        slow.request('/api/records', { method: 'POST', body: '{}' }),
      ),
    )
    expect(answers.map(({ status }) => status)).toEqual([200, 200, 200, 429, 429])
    expect(answers[4]!.headers.get('retry-after')).toBe('1')
  })
  it('describes each of its routes (OpenAPI 3.1)', async () => {
    expect(await (await app.request('/openapi.json')).json()).toEqual(openapi)
    const served = app.routes
      .map(({ path }) => path.replace(/:(\w+)/g, '{$1}'))
      .filter((path) => path !== '/openapi.json' && !path.includes('*'))
    expect(new Set(Object.keys(openapi.paths))).toEqual(new Set(served))
  })
})
