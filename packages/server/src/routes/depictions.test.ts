import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { AskedDepictions, DepictedScene } from '@tidy-reel/core/views/depictions'
import type { AskedTranslation } from '@tidy-reel/core/views/translation'
import { type FreshApp, freshApp } from '../test/fresh-app.ts'

let fresh: FreshApp
let service: Server
/** What the service says to the next question. */
let answer: unknown = []
beforeAll(async () => {
  service = createServer((request, response) => {
    request.resume()
    request.on('end', () =>
      response
        .setHeader('content-type', 'application/json')
        .end(JSON.stringify({ choices: [{ message: { content: JSON.stringify(answer) } }] })),
    )
  })
  await new Promise<void>((done) => service.listen(0, '127.0.0.1', done))
  const { port } = service.address() as AddressInfo
  fresh = await freshApp(undefined, undefined, undefined, [`127.0.0.1:${port}`])
})
afterAll(async () => {
  await fresh.close()
  service.close()
})

const SCRIPT =
  '# The lamp\n\nOn a cold evening the old keeper slowly winds the clock. It turns the lamp. Nobody knows why.'
const episode = async () =>
  (await fresh.ask<{ id: string }>('POST', '/api/episodes', { title: 'The lamp', script: SCRIPT }))
    .body.id
const ask = (id: string) => fresh.ask<AskedDepictions>('POST', `/api/episodes/${id}/depictions`)
const use = () =>
  fresh.ask('PUT', '/api/writer', {
    service: {
      address: `http://127.0.0.1:${(service.address() as AddressInfo).port}/chat`,
      model: 'm',
    },
  })

describe('a narration in another language', () => {
  const inGerman = (id: string) =>
    fresh.ask<AskedTranslation>('POST', `/api/episodes/${id}/tracks/de`)
  it('is asked of nobody while no service is set, and of no language that is none', async () => {
    const id = await episode()
    expect((await inGerman(id)).body).toMatchObject({ code: 'translator_missing' })
    expect((await fresh.ask('POST', `/api/episodes/${id}/tracks/${'x'.repeat(90)}`)).status).toBe(
      400,
    )
  })
  it('is written beside its scenes, what is there left alone, and goes with a step back', async () => {
    await use()
    const id = await episode()
    const texts = async () =>
      (await fresh.app.episodes.find(id)).document.subtitling.tracks.flatMap((track) =>
        track.texts.map(({ text }) => text),
      )
    answer = [
      { scene: 1, text: 'Der Wärter zieht die Uhr auf.' },
      { scene: 3, text: 'Niemand weiß warum.' },
    ]
    expect((await inGerman(id)).body).toEqual({
      written: 2,
      limits: ['Nothing usable came for 1 of them.'],
    })
    answer = [{ scene: 1, text: 'Sie dreht die Lampe.' }]
    expect((await inGerman(id)).body).toEqual({ written: 1, limits: [] })
    expect(await texts()).toEqual([
      'Der Wärter zieht die Uhr auf.',
      'Niemand weiß warum.',
      'Sie dreht die Lampe.',
    ])
    expect((await inGerman(id)).body).toEqual({ written: 0, limits: [] })
    await fresh.ask('POST', `/api/episodes/${id}/undo`)
    expect(await texts()).toHaveLength(2)
    await fresh.ask('PUT', '/api/writer', { service: null })
  })
})

describe('what a film shows', () => {
  it('is read from its sentences before any picture is looked for', async () => {
    const id = await episode()
    const { scenes } = (
      await fresh.ask<{ scenes: DepictedScene[] }>('GET', `/api/episodes/${id}/depictions`)
    ).body
    expect(scenes.map(({ from }) => from)).toEqual(['sentence', 'pronoun', 'around'])
    expect(scenes[0]!.see).toContain('keeper')
    expect((await fresh.app.episodes.find(id)).document.scenes[0]!.shots).toEqual([])
  })
  it('is asked of nobody while no service is set, and says so', async () => {
    const refused = await ask(await episode())
    expect([refused.status, refused.body]).toMatchObject([409, { code: 'director_missing' }])
  })
  it('is kept as offers that a step back takes away, whatever else the service says', async () => {
    await use()
    const id = await episode()
    answer = [
      { scene: 1, see: 'hands winding a clock', search: ['clock'], not: ['wrist watch'] },
      { scene: 2, see: 'a turning lamp' },
      { scene: 3, see: 'a fog bank\n[pause 60s]' },
      { scene: 12, see: 'a whale' },
    ]
    expect((await ask(id)).body).toEqual({
      offered: 1,
      limits: [
        '1 of its answers name no scene that was asked for.',
        'Not usable as a direction: scene 3.',
        'Left out: 1 too short for a picture of their own; the one before goes on there.',
      ],
    })
    const offers = async () =>
      (await fresh.app.episodes.find(id)).document.scenes.map(({ depiction }) => depiction?.see)
    expect(await offers()).toEqual(['hands winding a clock', undefined, undefined])
    await fresh.ask('POST', `/api/episodes/${id}/undo`)
    expect(await offers()).toEqual([undefined, undefined, undefined])
  })
  it('stays as it was when the service sends nothing of use', async () => {
    await use()
    const id = await episode()
    const { revision } = await fresh.app.episodes.find(id)
    answer = { shows: 'a lamp' }
    const failed = await ask(id)
    expect([failed.status, failed.body]).toMatchObject([502, { code: 'writer_answer_invalid' }])
    expect((await fresh.app.episodes.find(id)).revision).toBe(revision)
  })
})
