import { mkdtempSync, readFileSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { TAKE_LUFS } from '@tidy-reel/core/sound/mix'
import { spokenText } from '@tidy-reel/core/speech/spoken'
import { ebur128, probe, silencesOf } from '../test/media-facts.ts'
import { speakCommand } from './engines.ts'
import { takeAll } from './take-all.ts'
import { takeHash, takeOf } from './take.ts'
import { foreignLanguage, VOICES, voiceById } from './voices.ts'

const folder = mkdtempSync(join(tmpdir(), 'tidy-takes-'))
const TEXT = 'The lamp was lit in 1822, and ships could see it from 20 miles away.'

describe('takeOf', () => {
  it.each(VOICES.map(({ id }) => id))('speaks with %s: 48 kHz mono, at the level of all takes, no dead air at its ends', async (voice) => {
    const take = await takeOf(folder, { text: TEXT, voice, speed: 1 })
    const [stream] = probe(take.file).streams
    expect(stream).toMatchObject({ codec_name: 'pcm_s16le', sample_rate: '48000', channels: 1 })
    expect(Number(stream!.duration)).toBeCloseTo(take.samples / 48_000, 3)
    // Common practice: about 14 characters a second with pauses, 140 to 170 words a minute.
    const pace = spokenText(TEXT).length / (take.samples / 48_000)
    expect(pace).toBeGreaterThan(12.5)
    expect(pace).toBeLessThan(17)
    // Within 1 LU by ffmpeg's meter; a voice with high peaks stays a little below.
    const { lufs, peak } = ebur128(take.file)
    expect(lufs).toBeLessThanOrEqual(TAKE_LUFS + 0.5)
    expect(lufs).toBeGreaterThanOrEqual(TAKE_LUFS - 3)
    expect(peak).toBeLessThanOrEqual(-1)
    const quiet = silencesOf(take.file, '-45dB', 0.15)
    for (const [from, to] of quiet) expect(from > 0.05 && to < take.samples / 48_000 - 0.05).toBe(true)
  })
  it('finds the pauses between sentences where ffmpeg silencedetect finds them, within 20 ms', async () => {
    const take = await takeOf(folder, { text: 'The lamp burns. The sea is calm. The keeper sleeps.', voice: 'flite-slt', speed: 1 })
    const reference = silencesOf(take.file, '-38dB', 0.1)
    expect(reference.length).toBeGreaterThanOrEqual(2)
    for (const [from, to] of reference) {
      const near = take.pauses.find(([a]) => Math.abs(a / 48_000 - from) < 0.2)!
      expect(Math.abs(near[0] / 48_000 - from)).toBeLessThanOrEqual(0.02)
      expect(Math.abs(near[1] / 48_000 - to)).toBeLessThanOrEqual(0.02)
    }
  })
  it('is spoken once and kept under what is said, by whom and how fast', async () => {
    const request = { text: 'It is 5 km off.', voice: 'flite-rms', speed: 1 }
    const first = await takeOf(folder, request)
    const made = statSync(first.file).mtimeMs
    expect(statSync((await takeOf(folder, request)).file).mtimeMs).toBe(made)
    expect(takeHash({ ...request, text: 'It is five kilometres off.' })).toBe(first.hash)
    expect(new Set([request, { ...request, speed: 1.2 }, { ...request, voice: 'flite-awb' }, { ...request, text: 'It is 6 km off.' }].map(takeHash)).size).toBe(4)
  })
  it('says the same twice to the byte', async () => {
    const other = mkdtempSync(join(tmpdir(), 'tidy-takes-'))
    const request = { text: 'The tide turns.', voice: 'flite-slt', speed: 1 }
    const [a, b] = await Promise.all([takeOf(folder, request), takeOf(other, request)])
    expect(readFileSync(a.file).equals(readFileSync(b.file))).toBe(true)
  })
  it.each(['flite-slt', 'espeak-gb', 'festival-slt'])('speaks faster with %s when told to, by as much', async (voice) => {
    const [slow, fast] = await Promise.all([0.8, 1.25].map((speed) => takeOf(folder, { text: TEXT, voice, speed })))
    expect(fast!.samples / slow!.samples).toBeGreaterThan(0.54)
    expect(fast!.samples / slow!.samples).toBeLessThan(0.74)
  })
  it.each([['海很深，船很小。', 'cmn'], ['البحر عميق.', 'ar'], ['Море глубокое.', 'ru']])('speaks %s in its own language', async (text, language) => {
    expect(foreignLanguage(text)).toBe(language)
    const take = await takeOf(folder, { text, voice: 'flite-slt', speed: 1 })
    expect(take.samples).toBeGreaterThan(24_000)
  })
  it('names the voices there are when asked for another', async () => {
    await expect(takeOf(folder, { text: TEXT, voice: 'nobody', speed: 1 })).rejects.toMatchObject({ code: 'voice_unknown', details: { known: expect.stringContaining('flite-slt') } })
  })
})

describe('takeAll', () => {
  it('goes on when one sentence cannot be spoken and where none is wanted, and says which', async () => {
    const spoken = await takeAll(folder, [{ text: 'One.', voice: 'flite-slt', speed: 1 }, { text: '…', voice: 'flite-slt', speed: 1 }, undefined, { text: 'Two.', voice: 'flite-slt', speed: 1 }])
    expect(spoken.map((s) => s && ('take' in s ? 'take' : s.fault.code))).toEqual(['take', 'voice_silent', undefined, 'take'])
  })
  it('stops when told to', async () => {
    const stop = new AbortController()
    stop.abort()
    await expect(takeAll(folder, [{ text: 'Never said before.', voice: 'flite-slt', speed: 1 }], { signal: stop.signal })).rejects.toThrow()
  })
})

describe('speakCommand', () => {
  it('gives the text as one argument or as input, never to a shell', () => {
    const text = '"; rm -rf / $(id)'
    for (const { id } of VOICES) {
      const { args, input } = speakCommand(voiceById(id), 1, text, 'out.wav')
      expect(args.includes(text) || input === text).toBe(true)
    }
  })
})
