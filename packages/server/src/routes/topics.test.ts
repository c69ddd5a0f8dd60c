import { type ChildProcess, spawn } from 'node:child_process'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { fileURLToPath } from 'node:url'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Idea, TopicsView } from '@tidy-reel/core/topics/topic-views'
import { type FreshApp, freshApp } from '../test/fresh-app.ts'

let fresh: FreshApp
let statistics: ChildProcess
/** The stand-in as the product ships it, in a process of its own. */
const STANDIN = fileURLToPath(new URL('../../../../dist/statistics.js', import.meta.url))
beforeAll(async () => {
  statistics = spawn(process.execPath, [STANDIN], {
    env: { ...process.env, STATISTICS_PORT: '0' },
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  const address = await new Promise<string>((resolve) =>
    statistics.stdout!.on('data', (text: Buffer) => resolve(/http:\S+/.exec(String(text))![0])),
  )
  fresh = await freshApp(undefined, address)
})
afterAll(async () => {
  await fresh.close()
  statistics.kill()
})
const view = async () => (await fresh.ask('GET', '/api/topics')).body as TopicsView
const list = (name: string, text: string) =>
  fresh.web.request(`/api/topics/channels/list?name=${encodeURIComponent(name)}`, {
    method: 'POST',
    body: text,
  })

describe('topics', () => {
  it("follow channels of the statistics, the first one as one's own", async () => {
    const { channels } = (await fresh.ask('GET', '/api/topics/offered')).body as {
      channels: { id: string; name: string }[]
    }
    for (const { id, name } of channels.slice(0, 3))
      expect((await fresh.ask('POST', '/api/topics/channels', { id, name })).status).toBe(204)
    const followed = await view()
    expect(followed.channels.map(({ name, own, films }) => [name, own, films])).toEqual([
      ['Harbour Light', true, 48],
      ['Slow Machines', false, 48],
      ['The Salt Line', false, 48],
    ])
    expect(followed.films).toHaveLength(144)
    // The stand-in lets films on wrecks and lighthouses do better than those on salt, and the first
    // channel grow.
    const place = (word: string) => followed.subjects.findIndex(({ terms }) => terms.includes(word))
    expect(place('lighthouse')).toBeGreaterThanOrEqual(0)
    expect(place('lighthouse')).toBeLessThan(place('salt'))
    expect(followed.channels[0]!.trend).toBeGreaterThan(0)
  })
  it('take a list, and the same list again in its place', async () => {
    await list('Mine.csv', 'title,published,views\nTides,2026-01-02,100\nBroken,soon,1')
    const answer = await list(
      'Mine.csv',
      'title,published,views\nTides,2026-01-02,150\nRopes,2026-02-02,10',
    )
    expect(await answer.json()).toEqual({ films: 2, skipped: [] })
    const mine = (await view()).channels.find(({ name }) => name === 'Mine')!
    expect(mine.films).toBe(2)
    await fresh.ask('POST', `/api/topics/channels/${mine.id}/own`)
    expect((await view()).channels.filter(({ own }) => own).map(({ name }) => name)).toEqual([
      'Mine',
    ])
    expect((await fresh.ask('DELETE', `/api/topics/channels/${mine.id}`)).status).toBe(204)
    expect((await fresh.ask('DELETE', `/api/topics/channels/${mine.id}`)).body).toMatchObject({
      code: 'channel_not_found',
    })
  })
  it('answer a list with the wrong separator with a sentence', async () => {
    expect(
      await (await list('a.csv', 'title#published#views\nA#2026-01-02#5')).json(),
    ).toMatchObject({
      code: 'films_unreadable',
      detail: expect.stringContaining('columns cannot be told apart'),
    })
  })
  it('keep ideas, and begin the film of one with its notes, once', async () => {
    const made = (
      await fresh.ask('POST', '/api/topics/ideas', {
        title: 'Why fog sits down',
        notes: 'Start on the pier.',
        subject: 'fog',
        state: 'todo',
      })
    ).body as Idea
    const { id } = (await fresh.ask('POST', `/api/topics/ideas/${made.id}/episode`)).body as {
      id: string
    }
    expect((await fresh.ask('POST', `/api/topics/ideas/${made.id}/episode`)).body).toEqual({ id })
    expect((await fresh.ask('GET', `/api/episodes/${id}`)).body).toMatchObject({
      document: { title: 'Why fog sits down', notes: 'Start on the pier.', script: '' },
    })
    expect((await view()).ideas[0]).toMatchObject({ state: 'work', episodeId: id })
    expect(
      ((await fresh.ask('PATCH', `/api/topics/ideas/${made.id}`, { state: 'done' })).body as Idea)
        .state,
    ).toBe('done')
    expect(
      (await fresh.ask('PATCH', `/api/topics/ideas/${made.id}`, { state: 'someday' })).status,
    ).toBe(400)
    expect((await fresh.ask('DELETE', `/api/topics/ideas/${made.id}`)).status).toBe(204)
  })
  it.each([
    ['is down', undefined, 'statistics_unreachable'],
    ['sends no JSON', 'hello', 'statistics_answer_invalid'],
    ['lies about its shape', '{"channels":[{"id":3}]}', 'statistics_answer_invalid'],
  ])('say so when the service %s', async (_what, answer, code) => {
    const lying = createServer((_request, response) => response.end(answer))
    await new Promise<void>((done) => lying.listen(0, '127.0.0.1', done))
    const { port } = lying.address() as AddressInfo
    if (answer === undefined) await new Promise((done) => lying.close(done))
    const other = await freshApp(undefined, `http://127.0.0.1:${port}`)
    expect((await other.ask('GET', '/api/topics/offered')).body).toMatchObject({ code })
    await other.close()
    lying.close()
  })
})
