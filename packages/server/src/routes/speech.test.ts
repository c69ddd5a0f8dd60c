import { execFileSync } from 'node:child_process'
import { mkdtempSync, readdirSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { VoicesView } from '@tidy-reel/core/views/speech'
import { prepare } from '../actions/prepare.ts'
import { connect } from '../db/models.ts'
import { type FreshApp, freshApp } from '../test/fresh-app.ts'

let fresh: FreshApp
beforeAll(async () => {
  fresh = await freshApp()
})
afterAll(() => fresh.close())

describe('voices', () => {
  it("are those of the machine and the person's own, read anew each time; what is wrong with the list is said", async () => {
    const voices = async () => (await fresh.ask('GET', '/api/voices')).body as VoicesView
    const before = await voices()
    expect(before.fault).toBeNull()
    writeFileSync(
      join(fresh.data, 'voices.json'),
      JSON.stringify({
        voices: [
          {
            id: 'mine',
            name: 'Mine',
            language: 'en-GB',
            kind: 'program',
            program: 'espeak-ng',
            args: ['--stdin', '-w', '{out}'],
          },
        ],
      }),
    )
    expect((await voices()).voices.at(-1)).toMatchObject({
      id: 'mine',
      engine: 'program',
      rate: 1,
      realTimeFactor: null,
    })
    expect(
      (await fresh.ask('POST', '/api/say', { text: 'Hello there.', voice: 'mine' })).status,
    ).toBe(200)
    expect((await voices()).voices.at(-1)!.realTimeFactor).toBeGreaterThan(0)
    writeFileSync(join(fresh.data, 'voices.json'), '{"voices": [{}]}')
    expect(await voices()).toMatchObject({
      voices: { length: before.voices.length },
      fault: expect.stringContaining('voices.0'),
    })
    writeFileSync(join(fresh.data, 'voices.json'), '{"voices": []}')
  })
  it.each([
    ['nothing to say', { text: ' ', voice: 'flite-slt' }, 400],
    ['only signs', { text: '—…', voice: 'flite-slt' }, 502],
    ['a pace no voice has', { text: 'x', voice: 'flite-slt', speed: 9 }, 400],
    ['5,000 letters without a stop', { text: 'lamp '.repeat(1000), voice: 'flite-slt' }, 400],
  ])('refuse %s with a sentence', async (_what, body, status) => {
    const answer = await fresh.ask('POST', '/api/say', body)
    expect(answer.status).toBe(status)
    expect((answer.body as { detail: string }).detail).toMatch(/\w+ \w+/)
  })
})

describe('the voice of a film, saved', () => {
  let id: string
  const get = async (name: string) => {
    const answer = await fresh.web.request(`http://localhost/api/episodes/${id}/voice/${name}`, {
      headers: { host: 'localhost' },
    })
    return {
      status: answer.status,
      name: answer.headers.get('content-disposition') ?? '',
      bytes: Buffer.from(await answer.arrayBuffer()),
    }
  }
  beforeAll(async () => {
    id = (
      await fresh.app.episodes.create(
        'Reed: a light',
        'The lamp burns. [pause 1s] It turns in 1822.',
      )
    ).id
  })
  it('needs something spoken', async () => {
    const { status, bytes } = await get('voice.wav')
    expect([status, JSON.parse(bytes.toString()).code]).toEqual([409, 'voice_not_spoken'])
    await prepare(
      connect(fresh.database),
      fresh.engine,
      fresh.app.episodes,
      id,
      new AbortController().signal,
    )
  })
  it.each([
    ['voice.wav', 'pcm_s16le'],
    ['voice.flac', 'flac'],
    ['voice.mp3', 'mp3'],
  ])('as %s, all as long', async (name, codec) => {
    const { bytes, name: saved } = await get(name)
    const file = join(mkdtempSync(join(tmpdir(), 'tidy-voice-')), name)
    writeFileSync(file, bytes)
    const [stream] = JSON.parse(
      execFileSync('ffprobe', ['-v', 'error', '-show_streams', '-of', 'json', file], {
        encoding: 'utf8',
      }),
    ).streams
    expect(stream).toMatchObject({ codec_name: codec, sample_rate: '48000', channels: 1 })
    expect(decodeURIComponent(saved)).toContain(`Reed a light – voice.${name.split('.')[1]}`)
    expect(Number(stream.duration)).toBeGreaterThan(5)
  })
  it('as a file a scene, named by number and words, that unzip finds whole', async () => {
    const file = join(mkdtempSync(join(tmpdir(), 'tidy-voice-')), 'scenes.zip')
    writeFileSync(file, (await get('scenes.zip')).bytes)
    const listed = execFileSync(
      'python3',
      [
        '-c',
        'import sys,zipfile; z=zipfile.ZipFile(sys.argv[1]); print(z.testzip()); print("\\n".join(z.namelist()))',
        file,
      ],
      { encoding: 'utf8' },
    )
    expect(listed.trim().split('\n')).toEqual([
      'None',
      '01 The lamp burns.wav',
      '02 It turns in 1822.wav',
    ])
  })
  it.each([
    ['marks.json', '"word": "1822."'],
    ['marks.vtt', 'WEBVTT'],
    ['marks.TextGrid', 'IntervalTier'],
  ])('with its words as %s', async (name, sign) =>
    expect((await get(name)).bytes.toString()).toContain(sign),
  )
  it('says which take is gone where its file was deleted, and goes on', async () => {
    const takes = join(fresh.data, 'takes')
    const before = readdirSync(takes).filter((file) => file.endsWith('.wav'))
    for (const file of before) renameSync(join(takes, file), join(takes, `${file}.away`))
    rmSync(join(fresh.data, 'voices'), { recursive: true, force: true })
    const answer = await fresh.ask('GET', `/api/episodes/${id}/voice/scenes.zip`)
    expect([answer.status, answer.body]).toEqual([
      404,
      expect.objectContaining({ code: 'take_gone', detail: expect.stringContaining('The lamp') }),
    ])
    for (const file of before) renameSync(join(takes, `${file}.away`), join(takes, file))
    expect((await fresh.ask('GET', `/api/episodes/${id}/voice/scenes.zip`)).status).toBe(200)
  })
  it('not under any other name', async () => expect((await get('passwd')).status).toBe(400))
})
