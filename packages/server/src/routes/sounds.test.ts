import { execFileSync } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { SoundFacts } from '@tidy-reel/core/film/sound/effects/known-sound'
import type { FoundSoundView } from '@tidy-reel/core/views/sounds'
import { type FreshApp, freshApp } from '../test/fresh-app.ts'

let fresh: FreshApp
beforeAll(async () => void (fresh = await freshApp()))
afterAll(() => fresh.close())

const find = async (query: string) =>
  (await fresh.ask<{ sounds: FoundSoundView[] }>('GET', `/api/sounds?${query}`)).body.sounds
const send = (name: string, body: string | Buffer) =>
  fresh.web.request(`http://localhost/api/sounds?name=${encodeURIComponent(name)}`, {
    method: 'POST',
    body,
    headers: { origin: 'http://localhost', 'content-type': 'application/octet-stream' },
  })
const tone = (() => {
  const file = join(mkdtempSync(join(tmpdir(), 'tidy-tone-')), 'tone.wav')
  const made = ['-f', 'lavfi', '-i', 'sine=frequency=500:duration=1', file]
  execFileSync('ffmpeg', ['-v', 'error', '-nostdin', ...made])
  return readFileSync(file)
})()

describe('sounds', () => {
  it('are found by words, offered for a text, and all there without either', async () => {
    expect((await find('words=foghorn'))[0]).toMatchObject({ title: 'A foghorn' })
    expect((await find('near=rain%20on%20the%20glass'))[0]).toMatchObject({
      title: 'Rain on glass',
      why: 'its title says rain, glass',
    })
    expect((await find('')).length).toBeGreaterThan(80)
    expect(await find('words=zither')).toEqual([])
  })
  it('are made when they are asked for, and then heard', async () => {
    const { body } = await fresh.ask<SoundFacts>('GET', '/api/sounds/made-click')
    const heard = await fresh.web.request(`http://localhost/api/sounds/${body.hash}/played`)
    expect(heard.headers.get('content-type')).toBe('audio/wav')
    expect(Buffer.from(await heard.arrayBuffer()).toString('latin1', 0, 4)).toBe('RIFF')
  })
  it('of one\u2019s own are kept once, called by their file, said more of, and taken away', async () => {
    const answer = await send('Big_bell-two (2).wav', tone)
    expect(answer.status).toBe(201)
    const bell = (await answer.json()) as SoundFacts
    expect(bell).toMatchObject({ title: 'Big bell two', goesOn: false, licence: 'Own' })
    expect(bell.seconds).toBeCloseTo(1, 2)
    expect(((await (await send('other.wav', tone)).json()) as SoundFacts).id).toBe(bell.id)
    const said = { goesOn: true, words: 'temple', author: 'A. Friend', licence: 'CC BY 4.0' }
    const changed = await fresh.ask<SoundFacts>('PATCH', `/api/sounds/${bell.id}`, said)
    expect(changed.body).toMatchObject({ ...said, title: 'Big bell two' })
    expect((await find('words=temple'))[0]).toMatchObject({ id: bell.id })
    expect((await fresh.ask('DELETE', `/api/sounds/${bell.id}`)).status).toBe(204)
    expect(await find('words=big%20bell%20two')).not.toContainEqual(
      expect.objectContaining({ id: bell.id }),
    )
    expect((await fresh.ask('DELETE', `/api/sounds/${bell.id}`)).status).toBe(404)
  })
  it.each<[string, string | Buffer]>([
    ['nothing.wav', ''],
    ['notes.txt.wav', 'no sound at all'],
    ['list.m3u8', '#EXTM3U\n#EXT-X-STREAM-INF:BANDWIDTH=1\nfile:///etc/passwd\n'],
    ['../../etc/cut.wav', tone.subarray(0, 40)],
  ])('refuse %s with a sentence and keep nothing of it', async (name, body) => {
    const before = (await find('')).length
    const answer = await send(name, body)
    expect(answer.status).toBe(415)
    expect(((await answer.json()) as { detail: string }).detail).toMatch(
      /cannot be used as a sound/,
    )
    expect(await find('')).toHaveLength(before)
    expect(readdirSync(join(fresh.data, 'sounds', 'own'))).toEqual([])
  })
})
