import { execFileSync } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { mkdtempSync, readFileSync } from 'node:fs'
import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { EpisodeView, SceneTakeView } from '@tidy-reel/core/views/episode'
import { Candidates, connect, Render } from '../db/models.ts'
import { RENDER } from '../jobs/kinds.ts'
import { openQueue } from '../jobs/queue.ts'
import { type FreshApp, freshApp } from '../test/fresh-app.ts'
import { prepare } from './prepare.ts'

const SHAPE = { width: 320, height: 180, fps: [30, 1] as const, burnIn: false }
let fresh: FreshApp
let stock: Server
let serving = true
const never = new AbortController().signal

/** A stock library of one photograph under twelve names. */
function library(): Promise<Server> {
  const file = join(mkdtempSync(join(tmpdir(), 'tidy-jobs-')), 'photo.jpg')
  execFileSync('ffmpeg', [
    '-v',
    'error',
    '-f',
    'lavfi',
    '-i',
    'testsrc2=s=640x360:r=1',
    '-frames:v',
    '1',
    file,
  ])
  const items = Array.from({ length: 12 }, (_, i) => ({
    id: `p${i}`,
    kind: 'photo',
    title: `Lamp ${i}`,
    tags: ['lamp', 'sea'],
    width: 640,
    height: 360,
    source: 's',
    licence: 'l',
    author: 'a',
  }))
  const server = createServer((request, response) => {
    if (!serving) return void response.destroy()
    if (request.url!.includes('/file')) return void response.end(readFileSync(file))
    response.end(JSON.stringify({ total: 12, page: 1, items }))
  })
  return new Promise((resolve) => server.listen(0, '127.0.0.1', () => resolve(server)))
}

beforeAll(async () => {
  stock = await library()
  fresh = await freshApp(`http://127.0.0.1:${(stock.address() as AddressInfo).port}`)
})
afterAll(async () => {
  await fresh.close()
  stock.close()
})

const create = (script: string) => fresh.app.episodes.create('A film', script)
const prepareIt = (id: string) =>
  prepare(connect(fresh.database), fresh.engine, fresh.app.episodes, id, never)
const heard = (id: string) => {
  const remarks: string[] = []
  const leave = fresh.app.hub.follow(
    id,
    ({ kind, data }) =>
      kind === 'prepare' &&
      remarks.splice(0, remarks.length, ...(data as { remarks: string[] }).remarks),
  )
  return { remarks, leave }
}

describe('prepare', () => {
  it('gives every scene a picture, four to choose from and a take; a second time changes nothing', async () => {
    const { id } = await create('The lamp burns. The sea is calm.')
    await prepareIt(id)
    const { document, revision } = await fresh.app.episodes.find(id)
    expect(document.scenes.every(({ shots }) => shots[0]?.item)).toBe(true)
    for (const { picks } of await Candidates.findAll({ where: { episodeId: id } }))
      expect(picks.length).toBeGreaterThanOrEqual(8)
    const answer = (await fresh.ask('GET', `/api/episodes/${id}`)).body as {
      takes: Record<string, { samples: number }>
    }
    expect(Object.values(answer.takes).every(({ samples }) => samples > 10_000)).toBe(true)
    await prepareIt(id)
    expect((await fresh.app.episodes.find(id)).revision).toBe(revision)
  })
  it('keeps the takes a scene has had, of the same words, and speaks with the one a person goes back to', async () => {
    const { id } = await create('The lamp burns. The sea is calm.')
    const view = async () => (await fresh.ask('GET', `/api/episodes/${id}`)).body as EpisodeView
    const earlier = async (scene = 's1') =>
      (
        (await fresh.ask('GET', `/api/episodes/${id}/scenes/${scene}/takes`)).body as {
          takes: SceneTakeView[]
        }
      ).takes
    await prepareIt(id)
    const first = (await view()).takes.s1!.hash
    await fresh.app.episodes.command(id, (await view()).revision, {
      type: 'setSpeaking',
      set: { pronunciations: [{ word: 'lamp', say: 'lemp' }] },
    })
    await fresh.app.episodes.command(id, (await view()).revision, {
      type: 'adjustScenes',
      target: ['s2'],
      set: { voice: 'flite-awb', emphasis: 'strong' },
    })
    await prepareIt(id)
    const second = (await view()).takes.s1!.hash
    expect(second).not.toBe(first)
    expect((await earlier()).map(({ hash, voice, kind }) => [hash, voice, kind])).toEqual([
      [second, 'flite-slt', 'spoken'],
      [first, 'flite-slt', 'spoken'],
    ])
    expect((await earlier('s2')).map(({ voice }) => voice)).toEqual(['flite-awb', 'flite-slt'])
    await fresh.app.episodes.command(id, (await view()).revision, {
      type: 'useTakes',
      takes: [{ sceneId: 's1', take: first }],
    })
    expect((await view()).takes.s1).toMatchObject({
      hash: first,
      words: [expect.any(Array), expect.any(Array), expect.any(Array)],
    })
    await fresh.app.episodes.command(id, (await view()).revision, {
      type: 'editNarration',
      sceneId: 's1',
      text: 'The lamp burns on.',
    })
    expect((await view()).takes.s1).toBeUndefined()
    expect(await earlier()).toEqual([])
    expect((await fresh.ask('GET', `/api/episodes/${id}/scenes/s9/takes`)).body).toMatchObject({
      code: 'scene_not_found',
    })
  })
  it('says words as the channel does, unless the episode says them otherwise', async () => {
    const { id } = await create('The lamp burns over Reed Rock.')
    await fresh.ask('PUT', '/api/channel/pronunciations', {
      pronunciations: [
        { word: 'Reed', say: 'Rayd' },
        { word: 'lamp', say: 'lemp' },
      ],
    })
    await fresh.app.episodes.command(id, 1, {
      type: 'setSpeaking',
      set: { pronunciations: [{ word: 'lamp', say: 'lomp' }] },
    })
    await prepareIt(id)
    const take = async (text: string) =>
      ((await fresh.ask('POST', '/api/say', { text, voice: 'flite-slt' })).body as { hash: string })
        .hash
    const view = (await fresh.ask('GET', `/api/episodes/${id}`)).body as EpisodeView
    expect(view.pronunciations).toHaveLength(2)
    expect(view.takes.s1!.hash).toBe(await take('The lomp burns over Rayd Rock.'))
    await fresh.ask('PUT', '/api/channel/pronunciations', { pronunciations: [] })
    expect(
      (await fresh.ask('PUT', '/api/channel/voices', { favourites: ['flite-awb', 'flite-awb'] }))
        .body,
    ).toMatchObject({ favouriteVoices: ['flite-awb'] })
  })
  it('leaves what a person chose', async () => {
    const { id } = await create('The lamp burns. The sea is calm.')
    const chosen = {
      id: 'mine',
      kind: 'photo' as const,
      title: 'Mine',
      seconds: null,
      width: 1,
      height: 1,
      source: '',
      licence: '',
      author: '',
    }
    await fresh.app.episodes.command(id, 1, {
      type: 'setShot',
      sceneId: 's1',
      shot: 0,
      item: chosen,
    })
    await prepareIt(id)
    expect((await fresh.app.episodes.find(id)).document.scenes[0]!.shots[0]).toEqual({
      item: chosen,
      by: 'hand',
    })
  })
  it('speaks all the same when the library is away, says so, and matches once it is back', async () => {
    serving = false
    const { id } = await create('A whale sings under the ice.')
    const { remarks, leave } = heard(id)
    await prepareIt(id)
    await expect.poll(() => remarks.join()).toContain('does not answer')
    leave()
    expect((await fresh.app.episodes.find(id)).document.scenes[0]!.shots).toEqual([])
    serving = true
    await prepareIt(id)
    expect((await fresh.app.episodes.find(id)).document.scenes[0]!.shots).toHaveLength(1)
  })
  it('says what is wrong with a script that makes no film, and ends', async () => {
    const { id } = await create('# Only a heading')
    const { remarks, leave } = heard(id)
    await prepareIt(id)
    await expect.poll(() => remarks.join()).toContain('headings or directions only')
    leave()
  })
})

describe('render', () => {
  const started = async (script: string) => {
    const { id } = await create(script)
    await prepareIt(id)
    return fresh.app.renders.start(id, SHAPE)
  }
  const state = async (id: string) => (await Render.findByPk(id))!.state
  it('makes the film, its files and its report', async () => {
    const { id } = await started('The lamp burns.')
    await fresh.app.renders.run(id, never)
    const render = (await Render.findByPk(id))!
    expect(render).toMatchObject({ state: 'done', fault: null, progress: null })
    expect(render.report!.frames).toBeGreaterThan(60)
    const { headers, status } = await fresh.ask('GET', `/api/renders/${id}/film.srt`)
    expect([status, headers.get('content-type')]).toEqual([200, 'application/x-subrip'])

    const at = `/api/renders/${id}/copies`
    const asked = { kind: 'still', from: 1 }
    const wanted = await fresh.ask('POST', at, asked)
    expect(wanted.body).toMatchObject({
      copies: [{ name: 'copy-still-from1.png', state: 'queued', wish: asked }],
    })
    expect((await fresh.ask('GET', `${at}/copy-still-from1.png`)).status).toBe(404)
    await fresh.app.copies.run(id, 'copy-still-from1.png', never)
    // Asked for twice, it is the same.
    await fresh.ask('POST', at, asked)
    const [copy] = (await Render.findByPk(id))!.copies
    expect(copy).toMatchObject({ state: 'done', done: 1 })
    const frame = await fresh.ask('GET', `${at}/copy-still-from1.png?save=A%20frame`)
    expect(frame.headers.get('content-type')).toBe('image/png')
    expect(frame.headers.get('content-disposition')).toContain('A%20frame.png')
    expect(Number(frame.headers.get('content-length'))).toBe(copy?.bytes)

    await fresh.ask('POST', at, { kind: 'still', from: 900 })
    await fresh.app.copies.run(id, 'copy-still-from900.png', never)
    expect((await Render.findByPk(id))!.copies[1]).toMatchObject({
      state: 'failed',
      fault: expect.stringContaining('Choose an earlier place'),
    })
    const left = await fresh.ask('DELETE', `${at}/copy-still-from900.png`)
    expect(left.body).toMatchObject({ copies: [{ name: 'copy-still-from1.png' }] })
    for (const wrong of [{ kind: 'gif' }, { kind: 'exe' }, {}])
      expect((await fresh.ask('POST', at, wrong)).status).toBe(400)
    expect((await fresh.ask('GET', `${at}/..%2Ffilm.mp4`)).status).toBe(400)
    const unmade = await started('The bell rings.')
    const early = await fresh.ask('POST', `/api/renders/${unmade.id}/copies`, { kind: 'webm' })
    expect(early.body).toMatchObject({ code: 'file_not_ready' })
  })
  it('is run once, however many workers are told to', async () => {
    const { id } = await started('A bell rings.')
    await Promise.all([fresh.app.renders.run(id, never), fresh.app.renders.run(id, never)])
    expect(await state(id)).toBe('done')
  })
  it('stops when a person says so, and stays stopped', async () => {
    const { id } = await started(
      'The lamp burns on and on above the sea. The keeper climbs the stairs again. The weight is wound to the top. The lens turns.',
    )
    const running = fresh.app.renders.run(id, never)
    await expect.poll(() => state(id)).toBe('running')
    await fresh.app.renders.cancel(id)
    await running
    expect(await state(id)).toBe('cancelled')
  })
  it('is put back and finished by the next worker when its own is stopped', async () => {
    const { id } = await started(
      'The moon pulls the sea. The sea rises and falls. The boats lie on the sand.',
    )
    const stopping = new AbortController()
    const running = fresh.app.renders.run(id, stopping.signal)
    await expect.poll(() => state(id)).toBe('running')
    stopping.abort()
    await running
    expect(await state(id)).toBe('queued')
    await fresh.app.renders.run(id, never)
    expect(await state(id)).toBe('done')
  })
  it('is found again by the sweep when its worker died without a word', async () => {
    const { id } = await started('A gull cries.')
    await Render.update({ state: 'running' }, { where: { id } })
    await fresh.app.renders.sweep()
    expect(await state(id)).toBe('running')
    await connect(fresh.database).query(
      "update renders set updated_at = now() - interval '1 minute' where id = $id",
      { bind: { id } },
    )
    await fresh.app.renders.sweep()
    expect(await state(id)).toBe('queued')
  })
  it('says which fault ended it', async () => {
    const { id } = await started('The lamp burns.')
    const render = (await Render.findByPk(id))!
    await render.update({ document: { ...render.document, voice: 'nobody' } })
    await fresh.app.renders.run(id, never)
    expect((await Render.findByPk(id))!).toMatchObject({
      state: 'failed',
      fault: { code: 'voice_unknown', message: expect.stringContaining('flite-slt') },
    })
  })
})

describe('queue', () => {
  it('hands work to a worker, tries again what failed, and gives the key but once while it waits', async () => {
    const queue = await openQueue(fresh.database)
    const kind = { ...RENDER, queue: 'test.work', retryLimit: 2 }
    const done: string[] = []
    let failures = 1
    const [a, b] = [randomUUID(), randomUUID()]
    for (const renderId of [a, a, b]) await queue.send(kind, { renderId }, renderId)
    await queue.work(kind, async ({ renderId }) => {
      if (failures-- > 0) throw new Error('once')
      done.push(renderId)
    })
    await expect.poll(() => [...done].sort(), { timeout: 20_000 }).toEqual([a, b].sort())
    await queue.stop()
  })
})
