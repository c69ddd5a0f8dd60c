import { randomUUID } from 'node:crypto'
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Document } from '@tidy-reel/core/document/document'
import { emptyDocument } from '@tidy-reel/core/document/document'
import { takenBack } from '@tidy-reel/core/document/inverse'
import type { FilmReport } from '@tidy-reel/core/render/report'
import type { EpisodeRow, RenderView } from '@tidy-reel/core/views/episode'
import { serverConfig } from './config.ts'
import { Change, Episode, LOCAL_OWNER, Render } from './db/models.ts'
import { type FreshApp, freshApp } from './test/fresh-app.ts'

let fresh: FreshApp
beforeAll(async () => {
  fresh = await freshApp()
})
afterAll(() => fresh.close())

interface View {
  id: string
  revision: number
  document: Document
}
interface Problem {
  type: string
  status: number
  detail: string
  code: string
}
const create = async (script = 'The lamp burns. The sea is calm.') =>
  (await fresh.ask('POST', '/api/episodes', { title: 'A film', script })).body as { id: string }
const view = async (id: string) => (await fresh.ask('GET', `/api/episodes/${id}`)).body as View
const command = (id: string, revision: number, change: object) =>
  fresh.ask('POST', `/api/episodes/${id}/commands`, { revision, command: change })

describe('episodes', () => {
  it('are duplicated, put away and taken up again', async () => {
    const { id } = await create()
    const copy = await fresh.ask<{ id: string }>('POST', `/api/episodes/${id}/duplicate`)
    const [one, other] = [(await view(id)).document, (await view(copy.body.id)).document]
    expect(other).toEqual({ ...one, title: 'A film, a copy' })
    const archived = async () =>
      (await fresh.ask<{ episodes: EpisodeRow[] }>('GET', '/api/episodes')).body.episodes.find(
        (row) => row.id === id,
      )!.archived
    for (const away of [true, false]) {
      await fresh.ask('PUT', `/api/episodes/${id}/archived`, { archived: away })
      expect(await archived()).toBe(away)
    }
  })
  it('are gone when they have been in the bin for 30 days, and not before', async () => {
    const { id } = await create()
    await fresh.ask('DELETE', `/api/episodes/${id}`)
    const inBin = async () => (await Episode.count({ where: { id } })) === 1
    const day = 86_400_000
    const nowhere = join(fresh.data, 'no-such-film')
    await fresh.app.episodes.emptyBin(() => nowhere, Date.now() + 29 * day)
    expect(await inBin()).toBe(true)
    await fresh.app.episodes.emptyBin(() => nowhere, Date.now() + 31 * day)
    expect(await inBin()).toBe(false)
  })
  it('are created, listed with their facts, deleted and brought back', async () => {
    const { id } = await create()
    const listed = async () =>
      ((await fresh.ask('GET', '/api/episodes')).body as { episodes: EpisodeRow[] }).episodes.find(
        (row) => row.id === id,
      )
    expect(await listed()).toMatchObject({
      title: 'A film',
      scenes: 2,
      words: 7,
      state: 'script',
      picture: null,
    })
    expect((await fresh.ask('DELETE', `/api/episodes/${id}`)).status).toBe(204)
    expect((await listed())!.deletedAt).not.toBeNull()
    expect((await fresh.ask('GET', `/api/episodes/${id}`)).status).toBe(404)
    expect((await fresh.ask('POST', `/api/episodes/${id}/restore`)).status).toBe(204)
    expect(await listed()).toBeDefined()
  })
  it('keep every change with what takes it back', async () => {
    const { id } = await create()
    const before = await view(id)
    await command(id, before.revision, { type: 'setTitle', title: 'Another' })
    await command(id, before.revision + 1, {
      type: 'setScript',
      script: 'The lamp burns. A gull cries. The sea is calm.',
    })
    const after = await view(id)
    expect(after.revision).toBe(before.revision + 2)
    const changes = await Change.findAll({
      where: { episodeId: id },
      order: [['revision', 'DESC']],
    })
    const back = changes.reduce(
      (document, { inverse }) => takenBack(document, inverse),
      after.document,
    )
    expect(back).toEqual(before.document)
  })
  it('refuse a script made against an older one, and leave the newer', async () => {
    const { id } = await create()
    const { revision } = await view(id)
    await command(id, revision, { type: 'setScript', script: 'Newer words.' })
    const stale = await command(id, revision, { type: 'setScript', script: 'Older words.' })
    expect(stale.status).toBe(409)
    expect((stale.body as Problem).code).toBe('revision_stale')
    expect((await view(id)).document.script).toBe('Newer words.')
  })
  it('merge a script made against an older one where others changed other lines', async () => {
    const { id } = await create('One is here.\n\nTwo is here.\n\nThree is here.')
    const { revision } = await view(id)
    await command(id, revision, { type: 'editNarration', sceneId: 's3', text: 'Three was here.' })
    expect(
      (
        await command(id, revision, {
          type: 'setScript',
          base: 'One is here.\n\nTwo is here.\n\nThree is here.',
          script: 'One was here.\n\nTwo is here.\n\nThree is here.',
        })
      ).status,
    ).toBe(200)
    expect((await view(id)).document.script).toBe(
      'One was here.\n\nTwo is here.\n\nThree was here.',
    )
  })
  it('take an edit that is sent twice, because its answer was lost, once', async () => {
    const { id } = await create()
    const { revision } = await view(id)
    const send = () =>
      fresh.ask('POST', `/api/episodes/${id}/commands`, {
        revision,
        key: 'k1',
        command: { type: 'setScript', script: 'Sent twice.' },
      })
    await send()
    const again = await send()
    expect([again.status, (again.body as View).revision]).toEqual([200, revision + 1])
  })
  it('take a change that names its scene at any revision', async () => {
    const { id } = await create()
    const { revision } = await view(id)
    await command(id, revision, { type: 'setTitle', title: 'Meanwhile' })
    expect(
      (
        await command(id, revision, {
          type: 'editNarration',
          sceneId: 's2',
          text: 'The sea is rough.',
        })
      ).status,
    ).toBe(200)
    expect((await view(id)).document).toMatchObject({
      title: 'Meanwhile',
      script: 'The lamp burns. The sea is rough.',
    })
  })
  it('lose nothing when many changes come at once', async () => {
    const { id } = await create('One. Two. Three. Four. Five. Six.')
    const { revision } = await view(id)
    const answers = await Promise.all(
      ['s1', 's2', 's3', 's4', 's5', 's6'].map((sceneId, i) =>
        command(id, revision, { type: 'editNarration', sceneId, text: `Number ${i}.` }),
      ),
    )
    expect(answers.map(({ status }) => status)).toEqual([200, 200, 200, 200, 200, 200])
    expect((await view(id)).document.scenes.map(({ text }) => text)).toEqual(
      [0, 1, 2, 3, 4, 5].map((i) => `Number ${i}.`),
    )
    expect((await view(id)).revision).toBe(revision + 6)
  })
  it('take any text as it is: quotes, markup, database words, emoji, Arabic', async () => {
    const script = `'; drop table episodes; -- <script>alert(1)</script> "x" \\ 🌊 البحر عميق. $1 :id`
    const { id } = await create(script)
    expect((await view(id)).document.script).toBe(script)
  })
})

describe('own files', () => {
  it('are taken as pictures, served as thumbnails, and refused with a sentence when they are none', async () => {
    const { createCanvas } = await import('@napi-rs/canvas')
    const send = (name: string, body: Uint8Array<ArrayBuffer>) =>
      fresh.web.request(`http://localhost/api/own?name=${encodeURIComponent(name)}`, {
        method: 'POST',
        body,
      })
    const taken = await send(
      'My boat.png',
      new Uint8Array(createCanvas(320, 180).toBuffer('image/png')),
    )
    expect(taken.status).toBe(201)
    const item = (await taken.json()) as { id: string; title: string }
    expect(item.title).toBe('My boat')
    await expect
      .poll(
        async () =>
          (await fresh.web.request(`http://localhost/api/pictures/${item.id}/thumbnail`)).status,
      )
      .toBe(200)
    const refused = await send('x.png', new Uint8Array([1, 2, 3]))
    expect([refused.status, ((await refused.json()) as Problem).code]).toEqual([
      415,
      'own_file_unusable',
    ])
  })
})

describe('versions', () => {
  const keep = async (id: string, name: string) =>
    (await fresh.ask('POST', `/api/episodes/${id}/versions`, { name })).body as { id: string }
  it('are kept under a name, compared with what is now, and brought back as a change that can be undone', async () => {
    const { id } = await create('One. Two. Three.')
    const version = await keep(id, 'First cut')
    const before = await view(id)
    await command(id, before.revision, { type: 'deleteScenes', sceneIds: ['s2'] })
    await command(id, before.revision, {
      type: 'editNarration',
      sceneId: 's3',
      text: 'Three and more.',
    })
    const changed = await view(id)
    const { body } = await fresh.ask('GET', `/api/episodes/${id}/versions/${version.id}/changes`)
    expect(
      (body as { scenes: { id: string; changes: string[] }[] }).scenes.map((scene) => [
        scene.id,
        ...scene.changes,
      ]),
    ).toEqual([
      ['s2', 'taken out'],
      ['s3', 'words'],
    ])
    expect(
      (await fresh.ask('POST', `/api/episodes/${id}/versions/${version.id}/restore`)).status,
    ).toBe(200)
    expect((await view(id)).document).toEqual(before.document)
    await fresh.ask('POST', `/api/episodes/${id}/undo`)
    expect((await view(id)).document).toEqual(changed.document)
  })
  it('are listed newest first, and those of another episode are not there', async () => {
    const { id } = await create()
    const other = await create()
    const first = await keep(id, 'First')
    await keep(id, 'Second')
    expect(
      (
        (await fresh.ask('GET', `/api/episodes/${id}/versions`)).body as {
          versions: { name: string }[]
        }
      ).versions.map(({ name }) => name),
    ).toEqual(['Second', 'First'])
    expect(
      (await fresh.ask('POST', `/api/episodes/${other.id}/versions/${first.id}/restore`)).status,
    ).toBe(404)
    expect((await fresh.ask('DELETE', `/api/episodes/${id}/versions/${first.id}`)).status).toBe(204)
    expect((await fresh.ask('POST', `/api/episodes/${id}/versions`, { name: ' ' })).status).toBe(
      400,
    )
  })
})

describe('who may reach it', () => {
  it('answers under its own names alone, whatever name a page points to this machine (DNS rebinding)', async () => {
    const asked = (host: string) =>
      fresh.ask<{ code: string }>(
        'POST',
        '/api/episodes',
        { title: 'x' },
        { host, origin: `http://${host}` },
      )
    for (const host of ['localhost:4300', '127.0.0.1:4300', '[::1]:4300', 'LOCALHOST'])
      expect((await asked(host)).status).toBe(201)
    for (const host of ['evil.example', '127.0.0.1.evil.example:80', '0.0.0.0:4300', '']) {
      const { status, body } = await asked(host)
      expect([status, body.code]).toEqual([421, 'host_refused'])
    }
  })
  it('listens to this machine alone until there are accounts', () => {
    const told = () =>
      serverConfig({ TIDY_DATABASE: 'postgres://a@127.0.0.1/b', TIDY_HOST: '0.0.0.0' })
    expect(told).toThrow(/TIDY_HOST.*no accounts/)
  })
  it('lets one address open so many streams of news and no more', async () => {
    const { id } = await create()
    const streams = await Promise.all(
      Array.from({ length: 61 }, async () => {
        const stop = new AbortController()
        const answer = await fresh.web.request(`http://localhost/api/episodes/${id}/events`, {
          headers: { host: 'localhost' },
          signal: stop.signal,
        })
        return { answer, stop }
      }),
    )
    expect(
      streams
        .map(({ answer }) => answer.status)
        .sort((a, b) => a - b)
        .slice(-2),
    ).toEqual([200, 429])
    for (const { answer } of streams) await answer.body?.cancel()
    await expect
      .poll(async () => {
        const again = await fresh.web.request(`http://localhost/api/episodes/${id}/events`, {
          headers: { host: 'localhost' },
        })
        await again.body?.cancel()
        return again.status
      })
      .toBe(200)
  })
})

describe('bad requests', () => {
  const problem = async (
    method: string,
    path: string,
    body?: unknown,
    headers?: Record<string, string>,
  ) => {
    const { status, headers: answered, body: read } = await fresh.ask(method, path, body, headers)
    expect(answered.get('content-type')).toBe('application/problem+json')
    const { detail, type, code } = read as Problem
    expect((read as Problem).status).toBe(status)
    expect(type).toBe(`urn:tidy-reel:${code}`)
    expect(detail).toMatch(/\.$/)
    return [status, code]
  }
  let id: string
  beforeAll(async () => {
    id = (await create()).id
  })
  it.each<[string, string, string, unknown, [number, string]]>([
    ['an unknown address', 'GET', '/api/nothing', undefined, [404, 'route_not_found']],
    ['an id that is none', 'GET', '/api/episodes/1', undefined, [400, 'input_invalid']],
    [
      'an episode that is not there',
      'GET',
      `/api/episodes/${randomUUID()}`,
      undefined,
      [404, 'episode_not_found'],
    ],
    ['a body that is not JSON', 'POST', '/api/episodes', '{"title":', [400, 'input_invalid']],
    ['no title', 'POST', '/api/episodes', { title: '  ' }, [400, 'input_invalid']],
    [
      'a title too long',
      'POST',
      '/api/episodes',
      { title: 'x'.repeat(201) },
      [400, 'input_invalid'],
    ],
    [
      'a NUL in a script',
      'POST',
      '/api/episodes',
      { title: 'x', script: 'PNG\u0000\u0001' },
      [400, 'input_invalid'],
    ],
    [
      'a script too large',
      'POST',
      '/api/episodes',
      { title: 'x', script: 'word '.repeat(90_000) },
      [413, 'script_too_large'],
    ],
    [
      'a body too large',
      'POST',
      '/api/episodes',
      { title: 'x', script: 'x'.repeat(5_000_000) },
      [413, 'script_too_large'],
    ],
    [
      'a render that is not there',
      'POST',
      `/api/renders/${randomUUID()}/cancel`,
      undefined,
      [404, 'render_not_found'],
    ],
    [
      'a file no render has',
      'GET',
      `/api/renders/${randomUUID()}/etc-passwd`,
      undefined,
      [400, 'input_invalid'],
    ],
    [
      'a take by a path',
      'GET',
      '/api/takes/..%2f..%2fetc%2fpasswd',
      undefined,
      [400, 'input_invalid'],
    ],
    [
      'a take nobody spoke',
      'GET',
      `/api/takes/${'a'.repeat(32)}`,
      undefined,
      [404, 'file_not_ready'],
    ],
    [
      'a picture maker that is not there',
      'POST',
      '/api/pictures/made',
      { description: 'A lamp', style: 'paper', seed: 1 },
      [503, 'maker_missing'],
    ],
  ])('%s get a problem of RFC 9457 with a sentence', async (_what, method, path, body, expected) =>
    expect(await problem(method, path, body)).toEqual(expected),
  )
  it.each<[string, object, string]>([
    ['an unknown command', { type: 'explode' }, 'input_invalid'],
    [
      'a scene that is not there',
      { type: 'editNarration', sceneId: 's99', text: 'x' },
      'scene_not_found',
    ],
    [
      'a shot that is not there',
      { type: 'setShot', sceneId: 's1', shot: 3, item: null },
      'shot_not_found',
    ],
    ['a voice at no pace', { type: 'setVoice', voice: 'x', speed: 9 }, 'input_invalid'],
  ])('%s leaves the episode as it was', async (_what, change, code) => {
    const before = await view(id)
    expect(
      (
        await problem('POST', `/api/episodes/${id}/commands`, {
          revision: before.revision,
          command: change,
        })
      )[1],
    ).toBe(code)
    expect(await view(id)).toEqual(before)
  })
  it.each([
    { width: 10, height: 10 },
    { width: 1921, height: 1080 },
    { width: 99_999, height: 1080 },
    { fps: [1, 0] },
    { fps: [-30, 1] },
  ])('a film of %j is refused', async (wrong) => {
    expect(
      (
        await problem('POST', `/api/episodes/${id}/renders`, {
          width: 320,
          height: 180,
          fps: [30, 1],
          burnIn: true,
          ...wrong,
        })
      )[0],
    ).toBe(400)
  })
  it('changes from another site are refused, from our own page taken', async () => {
    expect(
      await problem(
        'POST',
        '/api/episodes',
        { title: 'x' },
        { origin: 'https://elsewhere.example' },
      ),
    ).toEqual([403, 'origin_refused'])
    expect(await problem('POST', '/api/episodes', { title: 'x' }, { origin: 'null' })).toEqual([
      403,
      'origin_refused',
    ])
    expect(
      (await fresh.ask('POST', '/api/episodes', { title: 'x' }, { origin: 'http://localhost' }))
        .status,
    ).toBe(201)
  })
  it('every answer carries strict headers', async () => {
    const { headers } = await fresh.ask('GET', '/api/voices')
    expect(headers.get('content-security-policy')).toContain("default-src 'self'")
    expect(headers.get('x-content-type-options')).toBe('nosniff')
    expect(headers.get('x-frame-options')).toBeTruthy()
  })
})

describe('films', () => {
  const made = async () => {
    const { id } = await create()
    const render = await Render.create({
      id: randomUUID(),
      ownerId: LOCAL_OWNER,
      episodeId: id,
      state: 'done',
      shape: { width: 320, height: 180, fps: [30, 1], burnIn: true },
      document: emptyDocument('x'),
      progress: null,
      report: null,
      fault: null,
    })
    const folder = fresh.app.renders.folder(render.id)
    mkdirSync(folder, { recursive: true })
    writeFileSync(
      join(folder, 'film.mp4'),
      Buffer.from(Array.from({ length: 1000 }, (_, i) => i % 256)),
    )
    return `/api/renders/${render.id}/film.mp4`
  }
  it('that failed their check are handed over with a reason, which is kept', async () => {
    const film = await made()
    const [, , , renderId = ''] = film.split('/')
    const check = [{ check: 'black', grade: 'wrong', says: 'The picture is black.', seconds: 1 }]
    const report = { remarks: [], check } as unknown as FilmReport
    await Render.update({ report }, { where: { id: renderId } })
    const take = (reason: string) =>
      fresh.ask<RenderView>('POST', `/api/renders/${renderId}/taken`, { reason })
    expect((await take('  ')).status).toBe(400)
    expect((await take('x'.repeat(301))).status).toBe(400)
    expect((await take(' It is meant so. ')).body.report?.taken?.reason).toBe('It is meant so.')
    expect((await take('Another reason.')).body.report?.taken?.reason).toBe('It is meant so.')
    const kept = readFileSync(join(fresh.app.renders.folder(renderId), 'report.json'), 'utf8')
    expect(JSON.parse(kept)).toMatchObject({ check, taken: { reason: 'It is meant so.' } })
    const frame = (found: string) =>
      fresh.web.request(`/api/renders/${renderId}/findings/${found}/frame`)
    expect((await frame('1')).status).toBe(404)
    expect((await frame('-1')).status).toBe(400)
  })
  it('that are what they should be need no reason', async () => {
    const film = await made()
    const [, , , renderId = ''] = film.split('/')
    const report = { remarks: [], check: [] } as unknown as FilmReport
    await Render.update({ report }, { where: { id: renderId } })
    const { body } = await fresh.ask<RenderView>('POST', `/api/renders/${renderId}/taken`, {
      reason: 'Just so.',
    })
    expect(body.report?.taken).toBeUndefined()
  })
  it.each([
    ['bytes=0-99', 206, 'bytes 0-99/1000', 100],
    ['bytes=900-', 206, 'bytes 900-999/1000', 100],
    ['bytes=-10', 206, 'bytes 990-999/1000', 10],
    ['bytes=0-5000', 206, 'bytes 0-999/1000', 1000],
    ['bytes=2000-', 416, 'bytes */1000', 0],
    ['nonsense', 200, null, 1000],
  ])('answer the range %s as RFC 9110 says', async (range, status, contentRange, length) => {
    const answer = await fresh.web.request(await made(), { headers: { range } })
    expect(answer.status).toBe(status)
    expect(answer.headers.get('content-range')).toBe(contentRange)
    expect((await answer.arrayBuffer()).byteLength).toBe(length)
  })
  it('are saved under the title, whatever is in it', async () => {
    const answer = await fresh.web.request(
      `${await made()}?save=${encodeURIComponent('../Why "tea"; is\nhot? 茶')}`,
    )
    expect(decodeURIComponent(answer.headers.get('content-disposition')!)).toBe(
      "attachment; filename*=UTF-8''Why tea ishot 茶.mp4",
    )
  })
  it('are not begun twice at once, nor of nothing', async () => {
    const shape = { width: 320, height: 180, fps: [30, 1], burnIn: true }
    const { id } = await create()
    const start = () => fresh.ask<Problem>('POST', `/api/episodes/${id}/renders`, shape)
    const started = await Promise.all(Array.from({ length: 6 }, start))
    expect(started.filter(({ status }) => status === 201)).toHaveLength(1)
    expect(started.filter(({ body }) => body.code === 'render_running')).toHaveLength(5)
    for (const [script, code] of [
      ['', 'script_empty'],
      ['# Only a heading', 'script_nothing_spoken'],
      ['The sea is deep and cold. '.repeat(5000), 'script_too_long'],
    ] as const)
      expect(
        (
          (await fresh.ask('POST', `/api/episodes/${(await create(script)).id}/renders`, shape))
            .body as Problem
        ).code,
      ).toBe(code)
  })
})

describe('events', () => {
  it('tell the followers of an episode, and nobody else, what changed', async () => {
    const [one, two] = [await create(), await create()]
    const heard: string[] = []
    const leave = fresh.app.hub.follow(one.id, ({ kind }) => heard.push(kind))
    const shape = { width: 320, height: 180, fps: [30, 1], burnIn: true }
    await fresh.ask('POST', `/api/episodes/${two.id}/renders`, shape)
    await fresh.ask('POST', `/api/episodes/${one.id}/renders`, shape)
    await expect.poll(() => heard).toEqual(['render'])
    leave()
  })
})
