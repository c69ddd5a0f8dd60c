import { execFileSync } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { beforeAll, describe, expect, it } from 'vitest'
import type { Document } from '@tidy-reel/core/document/document'
import { filmOf } from '@tidy-reel/core/document/film-scenes'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { TAKE_LUFS } from '@tidy-reel/core/film/sound/mix'
import type { FilmShape } from '@tidy-reel/core/render/plan'
import type { FilmReport } from '@tidy-reel/core/render/report'
import { timeline } from '@tidy-reel/core/timeline/timeline'
import { takeOf } from '../speech/take.ts'
import { voiceList } from '../speech/voice-list.ts'
import type { PictureLibrary } from '../stock/contract.ts'
import { clip, item, memoryLibrary, photograph } from '../test/lying-library.ts'
import {
  ebur128,
  filterLog,
  keyframesOf,
  lumaFrames,
  probe,
  silencesOf,
} from '../test/media-facts.ts'
import { shownDocument } from '../test/shown-document.ts'
import { makeFilm } from './make-film.ts'
import type { MakeContext } from './making.ts'

const data = mkdtempSync(join(tmpdir(), 'tidy-film-'))
const SMALL: FilmShape = { width: 320, height: 180, fps: [30, 1], burnIn: true }
const SCRIPT =
  '# The lamp\nThe lamp burns all night above the sea. [super: 1822]\n\n' +
  '# The keeper\nThe keeper climbs the stairs. He winds the weight, and the great lens begins to turn.'
let library: PictureLibrary

let outs = 0
async function make(
  document: Document,
  shape = SMALL,
  more: Partial<MakeContext> = {},
): Promise<{ out: string; film: string; report: FilmReport }> {
  const out = join(data, `out-${outs++}`)
  const report = await makeFilm(document, shape, out, {
    config: { data, stock: 'http://none', statistics: 'http://none' },
    library,
    signal: new AbortController().signal,
    onProgress: () => undefined,
    ...more,
  })
  return { out, film: join(out, 'film.mp4'), report }
}

beforeAll(() => {
  library = memoryLibrary({
    photo1: photograph('photo1'),
    photo2: photograph('photo2', 1200, 1200),
    clip1: clip('clip1', 2),
    clip2: clip('clip2', 4, '25'),
  })
})

describe('makeFilm', () => {
  let made: Awaited<ReturnType<typeof make>>
  beforeAll(async () => {
    made = await make(shownDocument(SCRIPT, ['photo1', 'clip1', 'photo2']))
  }, 120_000)

  it('writes a faststart H.264/AAC film tagged BT.709, of exactly the frames planned, its sound as long within a frame', () => {
    const { streams, format } = probe(made.film)
    const [video, audio, text] = ['video', 'audio', 'subtitle'].map((type) =>
      streams.find(({ codec_type }) => codec_type === type)!,
    )
    expect(video).toMatchObject({
      codec_name: 'h264',
      width: 320,
      height: 180,
      pix_fmt: 'yuv420p',
      color_space: 'bt709',
      color_primaries: 'bt709',
      color_transfer: 'bt709',
      color_range: 'tv',
      r_frame_rate: '30/1',
    })
    expect(audio).toMatchObject({ codec_name: 'aac', sample_rate: '48000', channels: 2 })
    expect(text!.codec_name).toBe('mov_text')
    expect(Number(video!.nb_read_frames)).toBe(made.report.frames)
    expect(Math.abs(Number(audio!.duration) - made.report.frames / 30)).toBeLessThanOrEqual(1 / 30)
    expect(Math.abs(Number(format.duration) - made.report.seconds)).toBeLessThan(0.05)
    const head = readFileSync(made.film).subarray(0, 200_000).toString('latin1')
    expect(head.indexOf('moov')).toBeLessThan(head.indexOf('mdat'))
  })
  it('carries its chapters and soft subtitles', () => {
    const { chapters } = probe(made.film)
    expect(chapters.map(({ tags }) => tags.title)).toEqual(['The lamp', 'The keeper'])
    expect(Number(chapters[0]!.start_time)).toBe(0)
    expect(Math.abs(Number(chapters[1]!.end_time) - made.report.seconds)).toBeLessThan(0.1)
    const soft = execFileSync(
      'ffmpeg',
      ['-v', 'error', '-i', made.film, '-map', '0:s:0', '-f', 'srt', '-'],
      { encoding: 'utf8' },
    )
    const said = (text: string) =>
      text
        .split(/\r?\n|\r/)
        .filter((line) => line.trim() && !/^\d+$|-->/.test(line))
        .join(' ')
    expect(said(soft)).toBe(said(readFileSync(join(made.out, 'film.srt'), 'utf8')))
    expect(said(soft)).toContain('The keeper climbs the stairs.')
  })
  it('sounds at −14 LUFS ± 0.5, true peak under −1 dBTP, and reports what ffmpeg ebur128 measures', () => {
    const { lufs, peak } = ebur128(made.film)
    expect(Math.abs(lufs + 14)).toBeLessThanOrEqual(0.5)
    expect(peak).toBeLessThanOrEqual(-1)
    expect(Math.abs(made.report.lufs - lufs)).toBeLessThan(0.3)
    expect(made.report.bedBelowSpeech).toBeGreaterThanOrEqual(20)
  })
  it('has no hole: nothing black, frozen or silent that the script did not ask for', () => {
    expect(filterLog(made.film, { video: 'blackdetect=d=0.05:pix_th=0.05' })).not.toContain(
      'black_start',
    )
    expect(filterLog(made.film, { video: 'freezedetect=n=0.0003:d=1' })).not.toContain(
      'freeze_start',
    )
    for (const [from, to] of silencesOf(made.film, '-60dB', 0.5))
      expect([from < 0.2, to > made.report.seconds - 1]).toContain(true)
  })
  it('starts each picture on the frame the shot list says', () => {
    const rows = readFileSync(join(made.out, 'shots.csv'), 'utf8')
      .trimEnd()
      .split('\r\n')
      .slice(1)
      .map((row) => row.split(','))
    const cuts = rows.slice(1).map((row) => Number(row[4]))
    const log = filterLog(made.film, { video: "select='gt(scene,0.02)',metadata=print" })
    const seen = [...log.matchAll(/pts_time:([\d.]+)[\s\S]*?scene_score=([\d.]+)/g)].map(
      ([, time]) => Math.round(Number(time) * 30),
    )
    for (const cut of cuts) expect(seen).toContain(cut)
  })
  it('speaks where the timeline says, within 5 ms, all the way through the encoder', async () => {
    const document = {
      ...shownDocument('The lamp burns. [pause 2s] The keeper sleeps.', ['photo1', 'photo2']),
      mood: 'none' as const,
    }
    const { film } = await make(document)
    const takes = await Promise.all(
      document.scenes.map(({ text }) =>
        takeOf(
          { takes: join(data, 'takes'), voices: voiceList(data) },
          { text, voice: document.voice, speed: 1 },
        ),
      ),
    )
    const planned = timeline(filmOf(document), takes, [30, 1]).scenes
    const heard = silencesOf(film, '-45dB', 0.3).map(([, end]) => end)
    takes.forEach((take, i) => {
      // The same moment in the take: its level lower by the gain of the film, which is on two
      // channels (3.01 LU).
      const gain = ebur128(film).lufs - 3.01 - TAKE_LUFS
      const onset = silencesOf(take.file, `${-45 - gain}dB`, 0.01)[0]![1]
      expect(Math.abs(heard[i]! - (planned[i]!.speechStart / 48_000 + onset))).toBeLessThanOrEqual(
        0.005,
      )
    })
  })
  it('keeps a pause that was asked for to 10 ms, from sound to sound', async () => {
    const { film } = await make({
      ...shownDocument(
        'The lamp burns. [pause 1.25s] The keeper sleeps. [pause 700ms] The sea is calm.',
        ['photo1', 'photo2', 'photo1'],
      ),
      mood: 'none' as const,
    })
    // Samples, not a hundredth of a second as `silences` takes: they reach 5 dB over its limit.
    const [, first, second] = silencesOf(film, '-40dB', 0.4).map(([from, to]) => to - from)
    expect(Math.abs(first! - 1.25)).toBeLessThanOrEqual(0.01)
    expect(Math.abs(second! - 0.7)).toBeLessThanOrEqual(0.01)
  })
  it('writes subtitles, credits, chapters and a report beside it', () => {
    expect(readdirSync(made.out).sort()).toEqual([
      'chapters.txt',
      'claims.csv',
      'credits.txt',
      'cues.csv',
      'film.ass',
      'film.mp4',
      'film.srt',
      'film.ttml',
      'film.vtt',
      'ledger.csv',
      'report.json',
      'shots.csv',
      'transcript.txt',
    ])
    expect(readFileSync(join(made.out, 'credits.txt'), 'utf8')).toContain(
      '“A photo1” by nobody, test, CC0 1.0',
    )
    expect(JSON.parse(readFileSync(join(made.out, 'report.json'), 'utf8'))).toEqual(made.report)
    expect(made.report.check).toEqual([])
  })
  it('shows its subtitles on the picture only when asked', async () => {
    const plain = await make(shownDocument(SCRIPT, ['photo1', 'clip1', 'photo2']), {
      ...SMALL,
      burnIn: false,
    })
    const at = 45
    const [burnt, bare] = [made.film, plain.film].map(
      (file) => lumaFrames(file, 320, 180, at + 1)[at]!,
    )
    const difference = (from: number, to: number) =>
      burnt!
        .subarray(320 * from, 320 * to)
        .reduce((sum, y, i) => sum + Math.abs(y - bare![320 * from + i]!), 0) /
      (320 * (to - from))
    expect(difference(150, 175)).toBeGreaterThan(5)
    expect(difference(0, 100)).toBeLessThan(1)
  })

  it('uses all segments again for the same film, and all but one when a picture changes', async () => {
    const again = await make(shownDocument(SCRIPT, ['photo1', 'clip1', 'photo2']))
    expect([again.report.segments, again.report.segmentsReused]).toEqual([3, 3])
    expect(readFileSync(join(again.out, 'film.srt'), 'utf8')).toBe(
      readFileSync(join(made.out, 'film.srt'), 'utf8'),
    )
    const changed = await make(shownDocument(SCRIPT, ['photo1', 'clip2', 'photo2']))
    expect([changed.report.segments, changed.report.segmentsReused]).toEqual([3, 2])
    expect(changed.report.frames).toBe(made.report.frames)
  })
  it.each<[string, FilmShape]>([
    ['upright', { width: 180, height: 320, fps: [30, 1], burnIn: true }],
    ['square', { width: 180, height: 180, fps: [25, 1], burnIn: true }],
    ['at 29.97 frames a second', { ...SMALL, fps: [30000, 1001] }],
    ['at 60', { ...SMALL, fps: [60, 1] }],
  ])('makes a film %s, to the frame', async (_name, shape) => {
    const { film, report } = await make(
      shownDocument('The lamp burns. The sea is calm.', ['clip2', 'photo1']),
      shape,
    )
    const { streams } = probe(film)
    const video = streams.find(({ codec_type }) => codec_type === 'video')!
    expect(video).toMatchObject({
      width: shape.width,
      height: shape.height,
      r_frame_rate: shape.fps.join('/'),
    })
    expect(Number(video.nb_read_frames)).toBe(report.frames)
    const seconds = (report.frames * shape.fps[1]) / shape.fps[0]
    expect(
      Math.abs(
        Number(streams.find(({ codec_type }) => codec_type === 'audio')!.duration) - seconds,
      ),
    ).toBeLessThanOrEqual(shape.fps[1] / shape.fps[0])
  })
  it('shows two stills in one long scene', async () => {
    const document = shownDocument(
      'The lamp burns, and the keeper climbs the stairs once more, and winds the great weight ' +
        'to the top of the tower in the dark.',
      ['photo1'],
    )
    const [scene] = document.scenes
    const two = {
      ...document,
      scenes: [
        { ...scene!, shots: [...scene!.shots, { item: item('photo2'), by: 'match' as const }] },
      ],
    }
    const { report, out, film } = await make(two)
    expect(report.scenes).toBe(1)
    const rows = readFileSync(join(out, 'shots.csv'), 'utf8').trimEnd().split('\r\n')
    expect(rows).toHaveLength(3)
    const keys = keyframesOf(film, 30)
    const startFrame = 4
    expect(keys).toContain(Number(rows[2]!.split(',')[startFrame]))
    // Common practice for films that are sent in pieces: a place to begin at every two seconds.
    keys.slice(1).forEach((key, i) => expect(key - keys[i]!).toBeLessThanOrEqual(2 * 30))
  })
  it('speaks and subtitles Arabic, Chinese and emoji in one film', async () => {
    const { out, report } = await make(
      shownDocument('The sea 🌊 is deep.\n\nالبحر عميق.\n\n海很深。', [
        'photo1',
        'photo2',
        'clip1',
      ]),
    )
    expect(report.scenes).toBe(3)
    expect(report.remarks).toEqual([])
    expect(readFileSync(join(out, 'film.srt'), 'utf8')).toContain('البحر عميق.')
  })
})

describe('a film in spite of faults', () => {
  it('shows a card with the words where the library lies, and says so', async () => {
    const page = join(data, 'page.jpg')
    writeFileSync(page, '<html>Not found</html>')
    const { film, report } = await make(
      shownDocument('A gull cries. A bell rings.', ['photo1', 'liar']),
      SMALL,
      { library: memoryLibrary({ photo1: photograph('photo1'), liar: page }) },
    )
    expect(report.remarks).toEqual([expect.stringContaining('"A liar" cannot be used')])
    const last = lumaFrames(film, 320, 180, report.frames).at(-40)!
    expect([...last].sort((a, b) => a - b)[last.length >> 1]!).toBeGreaterThan(200)
  })
  it('makes the film with cards alone when the library is away', async () => {
    const away: PictureLibrary = {
      ...library,
      download: async () => {
        throw new TidyError('stock_unreachable', { address: 'http://none' })
      },
    }
    const { report } = await make(
      shownDocument('A hat hangs there. A coat too.', ['photo9', 'photo8']),
      SMALL,
      { library: away },
    )
    expect(report.remarks).toHaveLength(1)
    expect(report.remarks[0]).toContain('does not answer')
  })
  it('goes on where a stopped run was, with the segments it had', async () => {
    const stop = new AbortController()
    const film = shownDocument(
      'One lamp is lit. Two lamps are lit. Three lamps are lit. Four lamps are lit.',
      ['photo1', 'photo2', 'clip1', 'clip2'],
    )
    const shape = { ...SMALL, width: 640, height: 360 }
    const stopped = make(film, shape, {
      signal: stop.signal,
      onProgress: ({ step, done }) => step === 'render' && done > 0 && stop.abort(),
    })
    await expect(stopped).rejects.toMatchObject({ code: 'cancelled' })
    const { report } = await make(film, shape)
    expect(report.segmentsReused).toBeGreaterThanOrEqual(1)
    expect(report.segments).toBe(4)
  })
  it('leaves no half files or work behind', () => {
    const all = readdirSync(data, { recursive: true, encoding: 'utf8' })
    expect(all.filter((name) => name.includes('.part'))).toEqual([])
    expect(readdirSync(join(data, 'work'))).toEqual([])
  })
  it('names the scene that could not be rendered, and why', async () => {
    const broken = join(data, 'broken.mp4')
    const whole = readFileSync(clip('broken-source', 2))
    writeFileSync(broken, whole)
    const document = shownDocument('A door falls shut. A key turns.', ['photo1', 'clipbroken'])
    const breaking: PictureLibrary = {
      ...memoryLibrary({ photo1: photograph('photo1'), clipbroken: broken }),
    }
    await expect(
      make(document, SMALL, {
        library: breaking,
        onProgress: ({ step }) =>
          step === 'render' && rmSync(join(data, 'footage'), { recursive: true, force: true }),
      }),
    ).rejects.toMatchObject({
      code: 'scene_not_rendered',
      message: expect.stringMatching(/^Scene \d could not be rendered: /),
    })
  })
  it.each<[string, string, string]>([
    ['an empty script', '', 'script_empty'],
    ['headings alone', '# One\n\n## Two', 'script_nothing_spoken'],
    ['30,000 words', 'The sea is deep and cold. '.repeat(5000), 'script_too_long'],
  ])('refuses %s with a sentence', async (_what, script, code) => {
    await expect(make(shownDocument(script, []))).rejects.toMatchObject({ code })
  })
  it('makes a film of one word', async () => {
    const { report } = await make(shownDocument('Light', [null]))
    expect(report).toMatchObject({ scenes: 1, remarks: [] })
    expect(report.seconds).toBeGreaterThan(2)
  })
})
