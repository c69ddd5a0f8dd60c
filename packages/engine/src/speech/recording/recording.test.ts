import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, truncateSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { beforeAll, describe, expect, it } from 'vitest'
import { TAKE_LUFS } from '@tidy-reel/core/film/sound/mix'
import { wordsOf } from '@tidy-reel/core/text/written-words'
import { ebur128 } from '../../test/media-facts.ts'
import { type SpeechPlace, takeOf } from '../take.ts'
import { voiceList } from '../voice-list.ts'
import { alignRecording } from './align-recording.ts'
import { keepReading } from './recorded-take.ts'
import { readRecording, type Recording } from './recording.ts'

const work = mkdtempSync(join(tmpdir(), 'tidy-recording-'))
const place: SpeechPlace = { takes: join(work, 'takes'), voices: voiceList(work) }
const at = (name: string) => join(work, name)
const ffmpeg = (...args: string[]) =>
  execFileSync('ffmpeg', ['-v', 'error', '-nostdin', '-y', ...args])

const SCRIPT = [
  'On a clear night the beam of a good lighthouse is seen from twenty miles away.',
  'The lamp was lit in 1822.',
  'Nobody sleeps on the rock.',
  'A thick lens of glass would have done the same, but it would have weighed as much as a loaded wagon.',
]
/**
 * What the reader says: a false start, a slip, a sentence said again, one word left out and one too
 * many.
 */
const SAID = [
  'On a clear night the beam of',
  SCRIPT[0]!,
  SCRIPT[1]!,
  'Nobody sleeps',
  SCRIPT[2]!,
  SCRIPT[1]!,
  'A thick lens of um glass would have done the same, but it would weighed as much as a loaded wagon.',
]
const GAP = 0.7
/** Where each thing said begins and ends, by the engine that said it. */
const truth: { start: number; end: number; words: number[] }[] = []
let recording: Recording

/**
 * No voice of a person is at hand: another engine reads, with hiss under it, as a stand-in for one.
 */
beforeAll(async () => {
  const takes = await Promise.all(
    SAID.map((text) => takeOf(place, { text, voice: 'flite-awb', speed: 1, finish: 'plain' })),
  )
  let from = 0
  for (const take of takes) {
    const words = take.words!.map(([start]) => from + start / 48_000)
    truth.push({ start: words[0]!, end: from + take.words!.at(-1)![1] / 48_000, words })
    from += take.samples / 48_000 + GAP
  }
  const padded = takes.map((_, i) => `[${i}]apad=pad_dur=${GAP}[a${i}]`).join(';')
  ffmpeg(
    ...takes.flatMap(({ file }) => ['-i', file]),
    '-filter_complex',
    `${padded};${takes.map((_, i) => `[a${i}]`).join('')}concat=n=${takes.length}:v=0:a=1[v];anoisesrc=a=0.004:c=pink:r=48000:seed=1:d=${from}[n];[v][n]amix=inputs=2:duration=first:normalize=0[o]`,
    '-map',
    '[o]',
    at('whole.wav'),
  )
  recording = await readRecording(at('whole.wav'))
}, 60_000)

describe('alignRecording', () => {
  it('finds the last good reading of each sentence under hiss, its words within 80 ms in the middle, and says what is not as written', async () => {
    const shares: number[] = []
    const found = await alignRecording(recording, SCRIPT, {
      onProgress: (share) => shares.push(share),
    })
    expect(shares.at(-1)).toBeGreaterThan(0.7)
    const readings = [1, 5, 4, 6].map((i) => truth[i]!)
    found.forEach(({ start, end }, i) => {
      expect(Math.abs(start! - readings[i]!.start)).toBeLessThan(0.15)
      expect(Math.abs(end! - readings[i]!.end)).toBeLessThan(0.2)
    })
    expect(found.map(({ tries }) => tries)).toEqual([2, 2, 2, 1])
    expect(found.map(({ missing }) => missing)).toEqual([[], [], [], ['have']])
    expect(found[3]!.extra.map(({ word }) => word)).toEqual(['um'])
    const errors = found[0]!.words
      .map(({ start }, i) => Math.abs(start - readings[0]!.words[i]!))
      .sort((a, b) => a - b)
    expect(errors[errors.length >> 1]).toBeLessThanOrEqual(0.08)
  })
  it('finds nothing of another script', async () => {
    const other = await alignRecording(recording, [
      'Bread is made of flour, water, salt and patience.',
      'The oven must be hot.',
    ])
    expect(other.map(({ start }) => start)).toEqual([null, null])
  })
  it('stops when told to', async () => {
    const stop = new AbortController()
    stop.abort()
    await expect(alignRecording(recording, SCRIPT, { signal: stop.signal })).rejects.toMatchObject({
      code: 'cancelled',
    })
  })
})

describe('keepReading', () => {
  it('makes a take of a reading: levelled and finished like any other, with a place for every word', async () => {
    const { start, end } = truth[5]!
    const take = await keepReading(place.takes, recording, SCRIPT[1]!, { start, end })
    const request = { text: SCRIPT[1]!, voice: 'flite-slt', speed: 1, take }
    const finished = await takeOf(place, request)
    expect(Math.abs(ebur128(finished.file).lufs - TAKE_LUFS)).toBeLessThanOrEqual(1)
    expect(finished.samples / 48_000).toBeCloseTo(end - start + 0.1, 0)
    expect(finished.words).toHaveLength(wordsOf(SCRIPT[1]!).length)
    finished.words!.forEach(([from], i) =>
      expect(Math.abs(from / 48_000 - 0.05 - (truth[5]!.words[i]! - start))).toBeLessThan(0.2),
    )
    expect((await takeOf(place, { ...request, finish: 'bright' })).hash).not.toBe(finished.hash)
  })
  it('tightens: silences are no longer than asked, and as much as is told is saved', async () => {
    const { start, end } = truth[6]!
    const take = await keepReading(place.takes, recording, SCRIPT[3]!, { start, end })
    const request = { text: SCRIPT[3]!, voice: 'flite-slt', speed: 1, take }
    const [loose, tight] = await Promise.all([
      takeOf(place, request),
      takeOf(place, { ...request, tighten: 0.1 }),
    ])
    expect(tight.saved ?? 0).toBe(loose.samples - tight.samples)
    for (const [from, to] of tight.pauses) expect(to - from).toBeLessThanOrEqual(0.1 * 48_000)
  })
  it('takes an "um" out of a reading that has every word, when it is tightened', async () => {
    const said = await takeOf(place, {
      text: 'Nobody sleeps, um, on the rock before the morning.',
      voice: 'flite-awb',
      speed: 1,
      finish: 'plain',
    })
    const text = 'Nobody sleeps on the rock before the morning.'
    const alone = await readRecording(said.file)
    const take = await keepReading(place.takes, alone, text, { start: 0, end: alone.seconds })
    const request = { text, voice: 'flite-slt', speed: 1, take }
    const [loose, tight] = await Promise.all([
      takeOf(place, request),
      takeOf(place, { ...request, tighten: 0.1 }),
    ])
    expect(loose.noises?.fillers).toBe(1)
    expect(tight.saved! / 48_000).toBeGreaterThan(0.2)
    expect(tight.words).toHaveLength(wordsOf(text).length)
  })
})

describe('a recording that cannot be used', () => {
  const refused = (file: string) =>
    readRecording(file).then(
      () => 'taken',
      (cause: { code: string; message: string }) => `${cause.code}: ${cause.message}`,
    )
  it('says what is wrong with it', async () => {
    writeFileSync(at('empty.wav'), '')
    writeFileSync(at('text.wav'), 'This is no sound.')
    ffmpeg('-f', 'lavfi', '-i', 'anullsrc=r=44100:cl=stereo', '-t', '2', at('silent.wav'))
    ffmpeg('-f', 'lavfi', '-i', 'testsrc2=s=64x64:d=1', at('picture.mp4'))
    expect(await refused(at('empty.wav'))).toMatch(/recording_unusable.*no sound/)
    expect(await refused(at('text.wav'))).toMatch(/recording_unusable.*no sound/)
    expect(await refused(at('silent.wav'))).toMatch(/nobody speaks/)
    expect(await refused(at('picture.mp4'))).toMatch(/recording_unusable/)
  })
  it('opens no other file of this machine: a list that names one is no sound', async () => {
    // ffmpeg takes such a text for a list of files to be joined (its ffconcat format), and DASH
    // (ISO/IEC 23009-1) and HLS (RFC 8216) name others too.
    writeFileSync(at('joined.wav'), 'ffconcat version 1.0\nfile whole.wav\n')
    writeFileSync(
      at('dash.wav'),
      `<?xml version="1.0"?><MPD xmlns="urn:mpeg:dash:schema:mpd:2011" type="static" mediaPresentationDuration="PT2S"><Period><AdaptationSet mimeType="audio/mp4"><Representation id="1" bandwidth="1"><BaseURL>file://${at('whole.wav')}</BaseURL></Representation></AdaptationSet></Period></MPD>`,
    )
    writeFileSync(at('hls.wav'), `#EXTM3U\n#EXTINF:2,\nfile://${at('whole.wav')}\n#EXT-X-ENDLIST\n`)
    for (const list of ['joined.wav', 'dash.wav', 'hls.wav'])
      expect(await refused(at(list))).toMatch(/recording_unusable.*no sound/)
  })
  it('is taken as far as it goes when it was cut off half-way', async () => {
    writeFileSync(at('cut.wav'), readFileSync(at('whole.wav')))
    truncateSync(at('cut.wav'), 500_001)
    expect((await readRecording(at('cut.wav'))).seconds).toBeCloseTo(5.2, 0)
  })
  it('is taken when its peaks are cut off, and says so', async () => {
    ffmpeg('-i', at('whole.wav'), '-af', 'volume=30dB', '-c:a', 'pcm_s16le', at('clipped.wav'))
    expect((await readRecording(at('clipped.wav'))).remarks).toEqual([
      expect.stringMatching(/too loud/),
    ])
  })
  it('is refused when it lasts over an hour', async () => {
    ffmpeg(
      '-f',
      'lavfi',
      '-i',
      'anullsrc=r=8000:cl=mono:d=3630',
      '-c:a',
      'libmp3lame',
      '-b:a',
      '8k',
      at('hour.mp3'),
    )
    expect(await refused(at('hour.mp3'))).toMatch(/over 60 minutes/)
  }, 60_000)
})
