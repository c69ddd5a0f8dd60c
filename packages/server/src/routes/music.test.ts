import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { writeMidi } from 'midi-file'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { bedPlan } from '@tidy-reel/core/film/music/bed-plan'
import type { OwnMusic } from '@tidy-reel/core/film/music/own/own-music'
import type { BedFacts, EpisodeView } from '@tidy-reel/core/views/episode'
import { bedMidi } from '@tidy-reel/engine/sound/music/bed-file'
import { type FreshApp, freshApp } from '../test/fresh-app.ts'

let fresh: FreshApp
beforeAll(async () => void (fresh = await freshApp()))
afterAll(() => fresh.close())

const SCRIPT = 'The lamp burns all night above the sea, and nobody sleeps. '.repeat(20)
const episode = async (script: string) =>
  (await fresh.ask<EpisodeView>('POST', '/api/episodes', { title: 'Long', script })).body
const tried = (id: string, json: object) =>
  fresh.ask<BedFacts>('POST', `/api/episodes/${id}/music/tried`, { own: null, ...json })
const send = (name: string, body: string | Buffer) =>
  fresh.web.request(`http://localhost/api/music?name=${encodeURIComponent(name)}`, {
    method: 'POST',
    body,
    headers: { origin: 'http://localhost', 'content-type': 'application/octet-stream' },
  })
/** What a file that cannot be used is answered with. */
async function refused(name: string, body: string | Buffer): Promise<string> {
  const answer = await send(name, body)
  expect(answer.status).toBe(415)
  return ((await answer.json()) as { detail: string }).detail
}
const sound = (...made: string[]) => {
  const file = join(mkdtempSync(join(tmpdir(), 'tidy-music-')), 'made.wav')
  execFileSync('ffmpeg', ['-v', 'error', '-nostdin', '-f', 'lavfi', ...made, file])
  return readFileSync(file)
}
/** Music of half a minute as a Standard MIDI File. */
const waltz = (() => {
  const samples = 30 * 48_000
  const form = { samples, chapters: [], spokenStart: samples, spokenEnd: 27 * 48_000 }
  return bedMidi(bedPlan({ mood: 'warm', seed: 'own' }, form))
})()
/** Notes without end, one after another. */
const midi = (notes: number) =>
  Buffer.from(
    writeMidi({
      header: { format: 0, numTracks: 1, ticksPerBeat: 480 },
      tracks: [
        Array.from({ length: 2 * notes }, (_, i) => ({
          ...{ deltaTime: i % 2, channel: 0, noteNumber: 60 },
          ...(i % 2 ? { type: 'noteOff', velocity: 0 } : { type: 'noteOn', velocity: 80 }),
        })) as never,
      ],
    }),
  )

describe('music', () => {
  it('is tried from a place of a film on, before it is chosen', async () => {
    const { id } = await episode(SCRIPT)
    const { body } = await tried(id, { mood: 'night', instruments: 'plucked', at: 48_000 })
    expect(body.pieces.length).toBeGreaterThan(0)
    expect(body.pieces.length).toBeLessThan(4)
    expect(body.lufs).toBeGreaterThan(-60)
    const [first] = body.pieces
    const heard = await fresh.web.request(`http://localhost/api/beds/${first!.hash}`)
    expect(heard.headers.get('content-type')).toBe('audio/flac')
    expect((await tried(id, { mood: 'none', instruments: null, at: 0 })).status).toBe(400)
    expect((await tried(id, { mood: 'calm', instruments: null, at: -1 })).status).toBe(400)
  })

  it('of one\u2019s own, as MIDI too, is heard for its bars, kept once and played under a film', async () => {
    const answer = await send('Harbour_waltz.mid', waltz)
    expect(answer.status).toBe(201)
    const music = (await answer.json()) as OwnMusic
    expect(music).toMatchObject({ title: 'Harbour waltz', licence: 'Own', mood: null })
    expect(music.seconds).toBeGreaterThan(25)
    expect(music.bars).toBeGreaterThan(6)
    expect(music.tempo).toBeGreaterThan(60)
    expect(((await (await send('again.mid', waltz)).json()) as OwnMusic).id).toBe(music.id)
    const said = { author: 'A. Friend', credit: 'Waltz by A. Friend', purpose: 'opening' }
    const { body: changed } = await fresh.ask<OwnMusic>('PATCH', `/api/music/${music.id}`, said)
    expect(changed).toMatchObject({ ...said, title: 'Harbour waltz' })

    const { id } = await episode(SCRIPT)
    const asked = { mood: 'calm', instruments: null, own: music.id, at: 0 }
    const { body: bed } = await tried(id, asked)
    expect(bed.parts).toMatchObject([{ own: music.id, title: 'Harbour waltz' }])
    const heard = await fresh.web.request(`http://localhost/api/beds/${bed.pieces[0]!.hash}`)
    expect(heard.headers.get('content-type')).toBe('audio/flac')
    const asking = await episode('[music: a zither] Nobody sleeps. [music: harbour waltz] Ever.')
    const { body: view } = await fresh.ask<EpisodeView>('GET', `/api/episodes/${asking.id}`)
    expect(view.unmetMusic).toMatchObject([{ words: 'a zither' }])

    expect((await fresh.ask('DELETE', `/api/music/${music.id}`)).status).toBe(204)
    expect((await fresh.ask('DELETE', `/api/music/${music.id}`)).status).toBe(404)
    const { body: gone } = await tried(id, asked)
    expect(gone.parts).toMatchObject([{ mood: 'calm' }])
  })

  it('that is none, silent, short, cut off or without end is refused in a sentence', async () => {
    expect(await refused('note.txt', 'no sound at all')).toContain('there is no sound in it')
    expect(await refused('empty.wav', '')).toContain('it is empty')
    const silence = sound('-i', 'anullsrc', '-t', '6')
    expect(await refused('silence.wav', silence)).toContain('it is silent')
    const short = sound('-i', 'sine=duration=1')
    expect(await refused('short.wav', short)).toContain('shorter than 4 seconds')
    expect(await refused('none.mid', midi(0))).toContain('there are no notes in it')
    expect(await refused('many.mid', midi(100_000))).toContain('it has 100000 notes')
    expect(await refused('cut.mid', waltz.subarray(0, 60))).toContain('ends half-way')
    // Ten hours at eight bits and eight thousand samples a second would be this, and more.
    const long = sound('-i', 'sine=duration=960:sample_rate=8000', '-c:a', 'pcm_u8')
    expect(await refused('long.wav', long)).toContain('longer than 15 minutes')
    // 192 kHz, 24 bits, eight channels are played as they are.
    const wide = sound(
      ...['-i', 'sine=duration=5:sample_rate=192000', '-ac', '8', '-c:a', 'pcm_s24le'],
    )
    expect((await send('wide.wav', wide)).status).toBe(201)
  })
})
