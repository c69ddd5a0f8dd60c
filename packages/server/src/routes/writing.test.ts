import { readdirSync, statSync } from 'node:fs'
import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { type Brief, emptyBrief, type Writing } from '@tidy-reel/core/writing/brief'
import { WriterSettings } from '../db/models.ts'
import { type FreshApp, freshApp } from '../test/fresh-app.ts'

let fresh: FreshApp
let service: Server
let asked: { key: string | undefined; model: string }[] = []
beforeAll(async () => {
  service = createServer((request, response) => {
    let body = ''
    request.on('data', (chunk: Buffer) => (body += String(chunk)))
    request.on('end', () => {
      asked.push({
        key: request.headers.authorization,
        model: (JSON.parse(body) as { model: string }).model,
      })
      response.setHeader('content-type', 'application/json').end(
        JSON.stringify({
          choices: [{ message: { content: 'The lamp burned whale oil. [1.2]' } }],
        }),
      )
    })
  })
  await new Promise<void>((done) => service.listen(0, '127.0.0.1', done))
  const { port } = service.address() as AddressInfo
  fresh = await freshApp(undefined, undefined, undefined, [`127.0.0.1:${port}`, '127.0.0.1:1'])
})
afterAll(async () => {
  await fresh.close()
  service.close()
})

const TEXT =
  'The lamp was lit in 1822 by a baker. It burned whale oil for fifty years. Nobody remembers his name today. The tower still stands on its rock above the sea. Every night its light turns over the water and finds no ship.'
const brief = (more: Partial<Brief> = {}): Brief => ({
  ...emptyBrief('Lamps', 1),
  sources: [{ id: 's1', title: 'Book', text: TEXT }],
  ...more,
})
const episode = async () =>
  ((await fresh.ask('POST', '/api/episodes', { title: 'The lamp' })).body as { id: string }).id
const at = (id: string, path = '') => `/api/episodes/${id}/writing${path}`

describe('writing', () => {
  it('begins with the title, the wish and the notes of the episode', async () => {
    const id = await episode()
    await fresh.ask('POST', `/api/episodes/${id}/commands`, {
      revision: 1,
      command: { type: 'setNotes', notes: 'For children:\n- who lit it\n- what it burned' },
    })
    await fresh.ask('POST', `/api/episodes/${id}/commands`, {
      revision: 2,
      command: { type: 'setWantedMinutes', minutes: 3 },
    })
    expect((await fresh.ask('GET', at(id))).body).toMatchObject({
      brief: { topic: 'The lamp', minutes: 3, points: ['who lit it', 'what it burned'] },
      outline: null,
      draft: null,
    })
  })
  it('makes an outline, then a draft, and keeps both', async () => {
    const id = await episode()
    const { outline } = (await fresh.ask('POST', at(id, '/outline'), { brief: brief() }))
      .body as Writing
    const made = (await fresh.ask('POST', at(id, '/draft'), { brief: brief(), outline }))
      .body as Writing
    expect(made.draft!.sentences.map(({ text }) => text).join(' ')).toContain('whale oil')
    expect(made.draft!.limits.join(' ')).toContain('The sources hold')
    expect((await fresh.ask('GET', at(id))).body).toEqual(made)
    await fresh.ask('PUT', at(id), { brief: brief({ tone: 'calm' }), outline })
    expect((await fresh.ask('GET', at(id))).body).toMatchObject({
      brief: { tone: 'calm' },
      draft: made.draft,
    })
  })
  it("goes to a service of one's own when it is set, and never gives its key away", async () => {
    const { port } = service.address() as AddressInfo
    const id = await episode()
    expect(
      (
        await fresh.ask('PUT', '/api/writer', {
          service: { address: `http://127.0.0.1:${port}/chat`, model: 'm1', key: 'secret' },
        })
      ).status,
    ).toBe(204)
    const shown = await fresh.ask('GET', '/api/writer')
    expect(shown.body).toEqual({
      service: { address: `http://127.0.0.1:${port}/chat`, model: 'm1', hasKey: true },
    })
    expect(shown.text).not.toContain('secret')
    // The key is not sent again when only the model changes.
    await fresh.ask('PUT', '/api/writer', {
      service: { address: `http://127.0.0.1:${port}/chat`, model: 'm2' },
    })
    asked = []
    const made = (
      await fresh.ask('POST', at(id, '/draft'), {
        brief: brief(),
        outline: [{ title: 'One', minutes: 1, points: [] }],
      })
    ).body as Writing
    expect(asked).toEqual([{ key: 'Bearer secret', model: 'm2' }])
    expect(made.draft!.sentences).toEqual([
      {
        text: 'The lamp burned whale oil.',
        chapter: -1,
        from: [{ source: 's1', words: 'It burned whale oil for fifty years.' }],
      },
    ])
  })
  it('keeps the key to the address it was given for, out of the database and of others’ sight', async () => {
    const { port } = service.address() as AddressInfo
    const address = `http://127.0.0.1:${port}/chat`
    await fresh.ask('PUT', '/api/writer', { service: { address, model: 'm', key: 'secret' } })
    const rows = await WriterSettings.findAll({ raw: true })
    expect(JSON.stringify(rows)).not.toContain('secret')
    const files = readdirSync(join(fresh.data, 'secrets'))
    expect(files.map((file) => statSync(join(fresh.data, 'secrets', file)).mode & 0o777)).toEqual([
      0o600,
    ])
    // Another address without a key typed anew gets none.
    const other = `http://127.0.0.1:${port}/listens`
    await fresh.ask('PUT', '/api/writer', { service: { address: other, model: 'm' } })
    asked = []
    const outline = [{ title: 'One', minutes: 1, points: [] }]
    await fresh.ask('POST', at(await episode(), '/draft'), { brief: brief(), outline })
    expect(asked).toEqual([{ key: undefined, model: 'm' }])
    await fresh.ask('PUT', '/api/writer', { service: null })
    expect(readdirSync(join(fresh.data, 'secrets'))).toEqual([])
  })
  it.each([['http://127.0.0.1:5432/'], ['http://169.254.169.254/latest'], ['http://[::1]:80/']])(
    'takes no service in a private network that was not named at the start: %s',
    async (address) => {
      const answer = await fresh.ask('PUT', '/api/writer', { service: { address, model: '' } })
      expect(answer.body).toMatchObject({ code: 'writer_refused' })
      expect(answer.text).toContain('private network')
    },
  )
  it('keeps the draft there was when the service is away, and says so', async () => {
    const id = await episode()
    await fresh.ask('PUT', '/api/writer', { service: null })
    const outline = [{ title: 'One', minutes: 1, points: [] }]
    const before = (await fresh.ask('POST', at(id, '/draft'), { brief: brief(), outline }))
      .body as Writing
    await fresh.ask('PUT', '/api/writer', {
      service: { address: 'http://127.0.0.1:1/', model: '' },
    })
    expect(
      (await fresh.ask('POST', at(id, '/draft'), { brief: brief(), outline })).body,
    ).toMatchObject({ code: 'writer_unreachable' })
    expect(((await fresh.ask('GET', at(id))).body as Writing).draft).toEqual(before.draft)
    await fresh.ask('PUT', '/api/writer', { service: null })
  })
  it.each([['file:///etc/passwd'], ['nonsense']])('takes no %s for a service', async (address) => {
    expect(
      (await fresh.ask('PUT', '/api/writer', { service: { address, model: '' } })).body,
    ).toMatchObject({ code: 'option_invalid' })
  })
  it('refuses a brief that is none', async () =>
    expect(
      (await fresh.ask('POST', at(await episode(), '/outline'), { brief: { topic: 3 } })).status,
    ).toBe(400))
})
