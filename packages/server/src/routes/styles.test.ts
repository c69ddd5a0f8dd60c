import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { CALM } from '@tidy-reel/core/style/calm'
import type { HouseStyle } from '@tidy-reel/core/style/house-style'
import { type FreshApp, freshApp } from '../test/fresh-app.ts'

let fresh: FreshApp
beforeAll(async () => void (fresh = await freshApp()))
afterAll(() => fresh.close())

const { id: _id, version: _version, ...CONTENT } = CALM
type Kept = { shipped: HouseStyle[]; own: HouseStyle[] }
const all = async () => (await fresh.ask<Kept>('GET', '/api/styles')).body
const add = async (name: string) =>
  (await fresh.ask<HouseStyle>('POST', '/api/styles', { ...CONTENT, name })).body
const change = (id: string, version: number, name: string) =>
  fresh.ask<HouseStyle & { code: string }>('PUT', `/api/styles/${id}`, {
    version,
    content: { ...CONTENT, name },
  })

describe('house styles of a channel', () => {
  it('are six to start from, and its own', async () => {
    const made = await add('Ours')
    const { shipped, own } = await all()
    expect(shipped).toHaveLength(6)
    expect(own).toEqual([made])
    expect(made).toMatchObject({ ...CONTENT, name: 'Ours', version: 1 })
  })
  it('count their versions, and lose nothing to who did not know of the last one', async () => {
    const { id } = await add('Two people')
    expect((await change(id, 1, 'First')).body).toMatchObject({ version: 2, name: 'First' })
    const stale = await change(id, 1, 'Second')
    expect(stale.status).toBe(409)
    expect(stale.body.code).toBe('style_stale')
    expect((await all()).own.find((style) => style.id === id)?.name).toBe('First')
  })
  it('come back as they were when they have been removed', async () => {
    const style = await add('Gone')
    expect((await fresh.ask('DELETE', `/api/styles/${style.id}`)).status).toBe(204)
    expect((await all()).own).not.toContainEqual(style)
    const gone = await change(style.id, 1, 'x')
    expect(gone.body.code).toBe('style_not_found')
    await fresh.ask('POST', '/api/styles/restore', style)
    expect((await all()).own).toContainEqual(style)
  })
  it.each([
    [
      'a colour with an order in it',
      { lettering: { ...CALM.lettering, palette: { ...CALM.lettering.palette, ink: '{\\an8}' } } },
    ],
    [
      'a face that is none',
      { lettering: { ...CALM.lettering, card: { face: '../../x', size: 0.1 } } },
    ],
    ['letters of no size', { lettering: { ...CALM.lettering, card: { face: 'jost', size: 0 } } }],
    ['no name', { name: ' ' }],
  ])('are refused with %s', async (_what, wrong) => {
    const answer = await fresh.ask<{ code: string }>('POST', '/api/styles', {
      ...CONTENT,
      ...wrong,
    })
    expect(answer.status).toBe(400)
    expect(answer.body.code).toBe('input_invalid')
  })
  it('are not changed where they ship', async () => {
    expect((await change('calm', 1, 'x')).status).toBe(400)
    expect((await fresh.ask('DELETE', '/api/styles/calm')).status).toBe(400)
  })
  it('end at two hundred', async () => {
    const left = 200 - (await all()).own.length
    await Promise.all(Array.from({ length: left }, (_, i) => add(`Style ${i}`)))
    const answer = await fresh.ask<{ code: string }>('POST', '/api/styles', CONTENT)
    expect(answer.body.code).toBe('styles_too_many')
  })
})
