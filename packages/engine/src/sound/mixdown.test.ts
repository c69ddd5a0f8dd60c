import { mkdtempSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { parseMidi } from 'midi-file'
import { beforeAll, describe, expect, it } from 'vitest'
import { itemAt } from '@tidy-reel/core/faults/certain'
import { bedPlan } from '@tidy-reel/core/film/music/bed-plan'
import type { SoundCue } from '@tidy-reel/core/film/sound/effects/sound-cue'
import { integratedLoudness } from '@tidy-reel/core/film/sound/loudness'
import { spokenSpans } from '@tidy-reel/core/film/sound/spoken-spans'
import { MUSIC_PARTS, type MusicPart } from '@tidy-reel/core/style/film-choices'
import { type Mood, PLAIN_MIXING } from '@tidy-reel/core/style/film-choices'
import type { TimelineScene } from '@tidy-reel/core/timeline/timeline'
import { type Take, takeOf } from '../speech/take.ts'
import { voiceList } from '../speech/voice-list.ts'
import { ebur128, probe, silencesOf } from '../test/media-facts.ts'
import { bedAlone, makeBed } from './bed.ts'
import { soundFacts } from './effects/sound-file.ts'
import { listedSounds } from './effects/sound-library.ts'
import { mixdown } from './mixdown.ts'
import { bedFile, bedMidi } from './music/bed-file.ts'
import { voiceTrack } from './voice-track.ts'

const work = mkdtempSync(join(tmpdir(), 'tidy-mix-'))
const SAMPLES = 48_000 * 12
let takes: Take[]
const scene = (speechStart: number) => ({ speechStart }) as TimelineScene
const mixing = PLAIN_MIXING
/** Both takes at 30,000 and 260,000, as a timeline would have them. */
const spoken = () =>
  spokenSpans(
    [30_000, 260_000].map(
      (speechStart, i) =>
        ({
          id: `s${i}`,
          text: 'A.',
          chapter: 0,
          speechStart,
          speechEnd: speechStart + takes[i]!.samples,
          words: [],
        }) as unknown as TimelineScene,
    ),
    () => true,
  )
const pcm = (file: string) => {
  const bytes = readFileSync(file).subarray(44)
  return Int16Array.from({ length: bytes.length >> 1 }, (_, i) => bytes.readInt16LE(i * 2))
}

beforeAll(async () => {
  takes = await Promise.all(
    [
      'The lamp burns all night above the sea.',
      'By day it is wound and cleaned and filled again.',
    ].map((text) =>
      takeOf({ takes: work, voices: voiceList(work) }, { text, voice: 'flite-slt', speed: 1 }),
    ),
  )
})

describe('voiceTrack', () => {
  it('lays each take at its exact sample and is exactly as long as asked', async () => {
    const out = join(work, 'voice.wav')
    await voiceTrack(
      out,
      [scene(12_345), scene(260_001)],
      takes.map(({ file }) => file),
      SAMPLES,
    )
    const [track, first, second] = [pcm(out), pcm(takes[0]!.file), pcm(takes[1]!.file)]
    expect(track).toHaveLength(SAMPLES)
    expect(track.subarray(12_345, 12_345 + first.length)).toEqual(first)
    expect(track.subarray(260_001, 260_001 + second.length)).toEqual(second)
    expect(track.subarray(0, 12_345).every((x) => x === 0)).toBe(true)
  })
  it('leaves silence for a scene that could not be spoken, and cuts what runs past the end', async () => {
    const out = join(work, 'short.wav')
    await voiceTrack(out, [scene(0), scene(48_000)], [undefined, takes[1]!.file], 96_000)
    const track = pcm(out)
    expect(track).toHaveLength(96_000)
    expect(track.subarray(0, 48_000).every((x) => x === 0)).toBe(true)
  })
})

/** Music of a mood for a film of so many samples in which nobody speaks. */
const bedOf = (mood: Exclude<Mood, 'none'>, samples: number) => {
  const form = { samples, chapters: [], spokenStart: samples, spokenEnd: samples }
  const plan = bedPlan({ mood, seed: 'test' }, form)
  return makeBed({ beds: work, music: work }, bedAlone({ kind: 'made', mood, plan }, samples))
}

const floats = (file: string) => {
  const bytes = readFileSync(file).subarray(44)
  return new Float32Array(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.length))
}

/** A cue of a made sound, below speech by so much. */
async function cueOf(id: string, [start, end]: [number, number], below: number): Promise<SoundCue> {
  const listed = (await listedSounds(work)).find((one) => one.id === id)!
  const sound = await soundFacts(work, listed)
  const asked = { words: sound.title }
  return {
    sceneId: 's1',
    index: 0,
    asked,
    sound,
    start,
    end,
    from: 0,
    speed: 1,
    fades: [480, 480],
    below,
  }
}

describe('mixdown', () => {
  it('brings a film to −14 LUFS ± 0.5 with true peaks under −1 dBTP and the music 20 dB under the speech (EBU R 128; WCAG 2.2 SC 1.4.7), by ffmpeg ebur128', async () => {
    const voice = join(work, 'film-voice.wav')
    await voiceTrack(
      voice,
      [scene(30_000), scene(260_000)],
      takes.map(({ file }) => file),
      SAMPLES,
    )
    const bed = await bedOf('calm', SAMPLES)
    const mix = await mixdown(work, { voice, spoken: spoken(), bed, samples: SAMPLES, mixing })
    const { lufs, peak } = ebur128(mix.file)
    expect(Math.abs(lufs + 14)).toBeLessThanOrEqual(0.5)
    expect(peak).toBeLessThanOrEqual(-1)
    expect(mix.lufs).toBeCloseTo(lufs, 1)
    expect(mix.bedBelowSpeech!).toBeGreaterThanOrEqual(20)
    expect(mix.bedBelowSpeech!).toBeLessThan(24)
    expect(Number(probe(mix.file).streams[0]!.duration)).toBeCloseTo(SAMPLES / 48_000, 4)
    // Music is heard where nobody speaks: no hole in the sound but the fade's very end.
    for (const [from] of silencesOf(mix.file, '-60dB', 0.3)) expect(from).toBeGreaterThan(11)
  })
  it('holds a loud film under −1 dBTP (EBU R 128), by ffmpeg ebur128, and its stems add up to it within −90 dBFS', async () => {
    const voice = join(work, 'loud-voice.wav')
    await voiceTrack(
      voice,
      [scene(30_000), scene(260_000)],
      takes.map(({ file }) => file),
      SAMPLES,
    )
    const bed = await bedOf('bright', SAMPLES)
    const stemFile = (name: string) => join(work, `stem-${name}.wav`)
    const stems = {
      voice: stemFile('voice'),
      music: stemFile('music'),
      effects: stemFile('effects'),
    }
    const cues = [
      await cueOf('made-rain', [20_000, 500_000], 6),
      await cueOf('made-bell', [90_000, 370_000], 2),
    ]
    const mix = await mixdown(work, {
      voice,
      spoken: spoken().map((span) => ({ ...span, lufs: span.lufs + 9 })),
      bed,
      effects: { cues, folder: work },
      samples: SAMPLES,
      mixing: { below: 6, rise: 15, lufs: -14 },
      stems,
    })
    const { peak, lufs } = ebur128(mix.file)
    expect(peak).toBeLessThanOrEqual(-1)
    expect(mix.truePeak).toBeCloseTo(peak, 0)
    expect(Math.abs(lufs + 14)).toBeLessThanOrEqual(0.5)
    const [whole, ...parts] = [mix.file, stems.voice, stems.music, stems.effects].map(floats)
    let most = 0
    const sumAt = (i: number) => parts.reduce((sum, part) => sum + part[i]!, 0)
    whole!.forEach((x, i) => (most = Math.max(most, Math.abs(x - sumAt(i)))))
    expect(20 * Math.log10(most)).toBeLessThan(-90)
    for (const part of parts) expect(part.some((x) => Math.abs(x) > 0.05)).toBe(true)
  })
  it('lifts the music by 8 to 10 dB where nobody speaks, and brings a film to −23 LUFS (EBU R 128), by ffmpeg ebur128', async () => {
    const voice = join(work, 'unheard.wav')
    await voiceTrack(voice, [], [], SAMPLES)
    const bed = await bedOf('solemn', SAMPLES)
    const { file, lufs } = await mixdown(work, {
      voice,
      spoken: spoken(),
      bed,
      samples: SAMPLES,
      mixing: { ...mixing, lufs: -23 },
    })
    expect(Math.abs(lufs + 23)).toBeLessThanOrEqual(0.5)
    const [first, second] = spoken()
    const heard = (from: number, to: number) =>
      ebur128(file, { from: from / 48_000, seconds: (to - from) / 48_000 }).lufs
    const between = heard(first!.end + 60_000, second!.start - 24_000)
    const under = heard(first!.start, first!.end)
    expect(between - under).toBeGreaterThan(7)
    expect(between - under).toBeLessThan(12)
  })
  it('keeps rain under speech by 20 dB (WCAG 2.2 SC 1.4.7) and rings a bell where it stands, by ffmpeg', async () => {
    const voice = join(work, 'rain-voice.wav')
    await voiceTrack(
      voice,
      [scene(30_000), scene(260_000)],
      takes.map(({ file }) => file),
      SAMPLES,
    )
    const effects = join(work, 'effects-alone.wav')
    const other = join(work, 'not-asked.wav')
    const [rain, bell] = [
      await cueOf('made-rain', [0, SAMPLES], 26),
      await cueOf('made-bell', [430_000, SAMPLES], 6),
    ]
    const mix = await mixdown(work, {
      voice,
      spoken: spoken(),
      bed: undefined,
      effects: { cues: [rain, bell], folder: work },
      samples: SAMPLES,
      mixing,
      stems: { voice: other, music: join(work, 'no-music.wav'), effects },
    })
    expect(mix.bedBelowSpeech!).toBeGreaterThan(20)
    for (const { start, end } of spoken()) {
      const part = { from: start / 48_000, seconds: (end - start) / 48_000 }
      expect(ebur128(other, part).lufs - ebur128(effects, part).lufs).toBeGreaterThan(20)
    }
    const loudest = (from: number, to: number) =>
      ebur128(effects, { from: from / 48_000, seconds: (to - from) / 48_000 }).peak
    expect(loudest(430_000, 470_000) - loudest(380_000, 428_000)).toBeGreaterThan(6)
  })
  it('mixes without music and without anybody speaking', async () => {
    const voice = join(work, 'silent.wav')
    await voiceTrack(voice, [], [], 96_000)
    const request = { voice, spoken: [], bed: undefined, samples: 96_000, mixing }
    const silent = await mixdown(work, request)
    expect(silent.bedBelowSpeech).toBeNull()
    const bed = await bedOf('warm', 96_000)
    expect((await mixdown(work, { ...request, bed })).lufs).toBeGreaterThan(-30)
  })
})

describe('makeBed', () => {
  // One of each kind of instruments and density; the notes of all are tested in core.
  it.each(['bright', 'tense'] as const)(
    'plays %s: as long as the film, sounding all the way, in the levels it is measured by',
    async (mood) => {
      const samples = 20 * 48_000
      const bed = await bedOf(mood, samples)
      const file = join(work, `bed-${mood}.wav`)
      await bedFile(bed, samples, file)
      expect(Number(probe(file).format.duration)).toBeCloseTo(20, 2)
      // A bar of rest before the way home is allowed; the last chord rings to the end.
      expect(silencesOf(file, '-70dB', 3)).toEqual([])
      expect(Math.abs(bed.levels.lufs - ebur128(file).lufs)).toBeLessThan(1)
    },
  )
  it('plays a section once, wherever it stands', () => {
    const film = { samples: 480 * 48_000, chapters: [], spokenStart: 0, spokenEnd: 476 * 48_000 }
    const plan = bedPlan({ mood: 'calm', seed: 'long' }, film)
    expect(plan.sections.length).toBeLessThan(plan.placed.length / 2)
  })
  it('parts add up to the whole, and its notes are a Standard MIDI File, by midi-file', async () => {
    const samples = 12 * 48_000
    const asked = { mood: 'warm' as const, seed: 'parts' }
    const form = { samples, chapters: [], spokenStart: samples, spokenEnd: 9 * 48_000 }
    const rendered = async (without: readonly MusicPart[], name: string) => {
      const file = join(work, `parts-${name}.wav`)
      const plan = bedPlan({ ...asked, without }, form)
      const music = bedAlone({ kind: 'made', mood: 'warm', plan }, samples)
      const bed = await makeBed({ beds: work, music: work }, music, { asMade: true })
      await bedFile(bed, samples, file)
      return floats(file)
    }
    const whole = await rendered([], 'whole')
    const parts = await Promise.all(
      MUSIC_PARTS.map((part) =>
        rendered(
          MUSIC_PARTS.filter((one) => one !== part),
          part,
        ),
      ),
    )
    let power = 0
    let off = 0
    whole.forEach((x, i) => {
      power += x * x
      off += (x - parts.reduce((sum, part) => sum + part[i]!, 0)) ** 2
    })
    expect(10 * Math.log10(off / power)).toBeLessThan(-30)
    const { tracks, header } = parseMidi(bedMidi(bedPlan(asked, form)))
    expect(header).toMatchObject({ format: 1, ticksPerBeat: 480 })
    const ons = tracks.flat().filter(({ type }) => type === 'noteOn').length
    const offs = tracks.flat().filter(({ type }) => type === 'noteOff').length
    expect(ons).toBeGreaterThan(20)
    expect(offs).toBe(ons)
  })
})

describe('integratedLoudness of core', () => {
  it('agrees with ffmpeg ebur128 on speech and on music within 0.2 LU', async () => {
    const voice = Float32Array.from(pcm(takes[0]!.file), (x) => x / 32768)
    // ffmpeg plays a mono file as one channel; the recommendation's meter adds up what it is given.
    expect(
      Math.abs(integratedLoudness([voice], 48_000) - ebur128(takes[0]!.file).lufs),
    ).toBeLessThanOrEqual(0.2)
    const bed = await bedOf('bright', 480_000)
    const music = itemAt(bed.pieces, 0).file
    const both = pcm(music)
    const channel = (c: number) =>
      Float32Array.from({ length: both.length >> 1 }, (_, i) => both[i * 2 + c]! / 32768)
    expect(
      Math.abs(integratedLoudness([channel(0), channel(1)], 48_000) - ebur128(music).lufs),
    ).toBeLessThanOrEqual(0.2)
  })
})
