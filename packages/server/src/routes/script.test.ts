import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { ChannelView, ScriptChecks } from '@tidy-reel/core/views/checks'
import type { ImportedScriptView } from '@tidy-reel/core/views/imported-script'
import { type FreshApp, freshApp } from '../test/fresh-app.ts'

let fresh: FreshApp
beforeAll(async () => {
  fresh = await freshApp()
})
afterAll(() => fresh.close())

const checks = async (script: string) =>
  (await fresh.ask('POST', '/api/checks', { script })).body as ScriptChecks
const send = (path: string, body: Buffer | string, type = 'application/octet-stream') =>
  fresh.web.request(path, {
    method: 'POST',
    body: new Uint8Array(Buffer.from(body)),
    headers: { 'content-type': type },
  })

describe('checks of a script', () => {
  it('tell wrong words and new things to show, of the narration alone', async () => {
    const { misspelt, things } = await checks(
      '# Lihgt\n\nThe lihgthouse stands on a rock. [picture: a hruse]',
    )
    expect(misspelt.map(({ word }) => word)).toEqual(['lihgthouse'])
    expect(things.fresh.flat()).toContain('rock')
  })
  it('know the words of the channel, until they are taken out again', async () => {
    const { words } = (await fresh.ask('POST', '/api/channel/words', { word: 'Zorbling' }))
      .body as ChannelView
    expect(words).toContain('Zorbling')
    expect((await checks('The Zorbling turns, zorblings turn.')).misspelt).toEqual([])
    await fresh.ask('DELETE', '/api/channel/words', { word: 'Zorbling' })
    expect((await checks('The Zorbling turns.')).misspelt).toHaveLength(1)
  })
  it('refuse a script that is none', async () =>
    expect((await fresh.ask('POST', '/api/checks', { script: 3 })).status).toBe(400))
})

describe('a sentence said aloud', () => {
  it('is a WAV file', async () => {
    const said = await fresh.ask('POST', '/api/say', {
      text: 'The lamp burns in 1822.',
      voice: 'flite-slt',
    })
    expect(said.body).toMatchObject({ spoken: 'The lamp burns in eighteen twenty-two.' })
    const answer = await fresh.web.request(`/api/takes/${(said.body as { hash: string }).hash}`)
    expect(answer.status).toBe(200)
    expect(Buffer.from(await answer.arrayBuffer()).toString('latin1', 0, 4)).toBe('RIFF')
  })
  it('needs a voice there is', async () =>
    expect(
      (await fresh.ask('POST', '/api/say', { text: 'x', voice: 'nobody' })).body,
    ).toMatchObject({ code: 'voice_unknown' }))
})

describe('import', () => {
  it('makes a script of a file and says what was left out', async () => {
    const answer = await send(
      '/api/import?name=film.csv',
      'Visual;Narration;Who\nA rope;It holds.;Ann',
    )
    expect((await answer.json()) as ImportedScriptView).toEqual({
      title: 'film',
      script: '[picture: A rope] It holds.',
      left: ['Left out: the columns “Who”.'],
      pictures: [],
    })
  })
  it('answers a file that is none with a sentence, and changes nothing', async () => {
    const answer = await send('/api/import?name=a.docx', Buffer.from([0xff, 0xd8, 0xff, 0xe0]))
    expect(answer.status).toBe(415)
    expect(await answer.json()).toMatchObject({
      code: 'import_unreadable',
      detail: expect.stringContaining('jpeg'),
    })
  })
  it('answers one that is too large with a sentence', async () => {
    const answer = await send('/api/import?name=a.docx', Buffer.alloc(45 * 1024 * 1024))
    expect(answer.status).toBe(413)
    expect(await answer.json()).toMatchObject({ code: 'import_too_large' })
  })
  it.each(['http://127.0.0.1:4300/', 'http://localhost/', 'file:///etc/passwd', 'nonsense'])(
    'does not fetch %s',
    async (address) => {
      expect((await fresh.ask('POST', '/api/import/link', { address })).body).toMatchObject({
        code: 'link_refused',
      })
    },
  )
})

describe('a kept version', () => {
  it('is read whole, to be laid beside what is now', async () => {
    const { id } = (
      await fresh.ask('POST', '/api/episodes', { title: 'A film', script: 'The lamp burns.' })
    ).body as { id: string }
    const version = (await fresh.ask('POST', `/api/episodes/${id}/versions`, { name: 'first' }))
      .body as { id: string }
    expect(
      (await fresh.ask('GET', `/api/episodes/${id}/versions/${version.id}`)).body,
    ).toMatchObject({ name: 'first', document: { script: 'The lamp burns.' } })
  })
})
