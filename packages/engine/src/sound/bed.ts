import pLimit from 'p-limit'
import { entryOf } from '@tidy-reel/core/faults/certain'
import { bedBars, type OrderedSection } from '@tidy-reel/core/film/music/bed-plan'
import type { FilmMusic, PlacedMusic } from '@tidy-reel/core/film/music/film-music'
import type { OwnCut } from '@tidy-reel/core/film/music/own/own-cuts'
import { type BedLevels, fadeOf } from '@tidy-reel/core/film/sound/mix'
import { type MusicPiece, sequenceLevels } from '@tidy-reel/core/film/sound/sequence-levels'
import { SAMPLE_RATE } from '@tidy-reel/core/time/time'
import { contentHash } from '../storage/kept-file.ts'
import { type CutMusic, cutMusic, type Cutting, ownSound } from './music/own-sound.ts'
import { type SectionSound, sectionSound } from './music/section-sound.ts'

/** A piece of a film's music: a file, 48 kHz stereo WAV, and what of it is played where. */
export interface BedPiece extends MusicPiece {
  hash: string
  file: string
  /** Just what is played of it is known by its hash. */
  isCut: boolean
}

/** A stretch of a film's music as it is played. */
export interface BedPart extends PlacedMusic {
  /** Where its bars begin, and where own music is joined; samples of the film. */
  bars: readonly number[]
  joins: readonly number[]
}

/** A film's music: its pieces at their places, and how loud all of it is. */
export interface Bed {
  parts: readonly BedPart[]
  /** In order; they ring on over the beginning of the next. */
  pieces: readonly BedPiece[]
  levels: BedLevels
}

/** What music is brought to, whatever it was: of a stretch as a whole, LUFS. */
const MUSIC_LUFS = -26
/** What is not over at the end of its stretch leaves after it for so long. */
const LEAVE = 1.5 * SAMPLE_RATE
/** Own music is played in pieces of about so many samples, that overlap by a few. */
const CHUNK = 24 * SAMPLE_RATE
const CHUNK_JOIN = SAMPLE_RATE / 50

/** Where the sounds of a film's music come from. */
export interface MusicPlace {
  beds: string
  music: string
}

export type PlaySection = (order: OrderedSection) => Promise<SectionSound>

/** How a bed is made. */
export interface Making {
  signal?: AbortSignal
  /** Plays a section, wherever that is done; here, where nothing is said. */
  play?: PlaySection
  /** Cuts own music, wherever that is done. */
  cut?: (asked: Cutting) => Promise<CutMusic>
  /** As loud as it was made: for parts that are to add up. */
  asMade?: boolean
  /** Is told how many sounds are there. */
  onPlayed?: ((done: number, all: number) => void) | undefined
}

/** Plays what of a film's music has not been played before. */
export async function makeBed(
  place: MusicPlace,
  music: FilmMusic,
  making: Making = {},
): Promise<Bed> {
  const sounds = await soundsOf(place, music.parts, making)
  const played = await Promise.all(
    music.parts.map((part) => partOf(part, sounds, music, making.cut ?? cutMusic, place)),
  )
  const pieces = played.flatMap((part) =>
    making.asMade ? part.pieces : levelled(part.pieces, music),
  )
  return {
    parts: played.map(({ pieces: _pieces, ...part }) => part),
    pieces,
    levels: sequenceLevels(pieces, music.samples),
  }
}

type Sounds = ReadonlyMap<string, SectionSound>

/** Every sound that is needed, once. */
async function soundsOf(
  place: MusicPlace,
  parts: readonly PlacedMusic[],
  { signal, onPlayed, play = (order) => sectionSound(place.beds, order, signal) }: Making,
): Promise<Sounds> {
  const wanted = new Map<string, () => Promise<SectionSound>>()
  for (const { music } of parts)
    if (music.kind === 'own') wanted.set(music.id, () => ownSound(place.music, music.id))
    else for (const { id, order } of music.plan.sections) wanted.set(id, () => play(order))
  const sounds = new Map<string, SectionSound>()
  // While one is played by its own program, another is measured here.
  const limit = pLimit(2)
  await Promise.all(
    [...wanted].map(([id, make]) =>
      limit(async () => {
        signal?.throwIfAborted()
        sounds.set(id, await make())
        onPlayed?.(sounds.size, wanted.size)
      }),
    ),
  )
  return sounds
}

/** A stretch with its pieces, as loud as they are. */
async function partOf(
  part: PlacedMusic,
  sounds: Sounds,
  { samples }: Pick<FilmMusic, 'samples'>,
  cut: (asked: Cutting) => Promise<CutMusic>,
  { music: folder }: MusicPlace,
): Promise<BedPart & { pieces: BedPiece[] }> {
  const { from, to, music } = part
  const endsFilm = to >= samples
  if (music.kind === 'own') {
    const asked = { folder, id: music.id, wanted: to - from, endsFilm }
    const { cuts, bars } = await cut(asked)
    return {
      ...part,
      bars: bars.map((bar) => from + bar),
      joins: cuts.slice(1).map(({ at, fades }) => Math.round(from + at + fades[0] / 2)),
      pieces: ownPieces(entryOf(sounds, music.id), cuts, from, samples),
    }
  }
  const until = endsFilm ? samples : Math.min(samples, to + LEAVE)
  const pieces = music.plan.placed.map(({ id, at }) => ({
    ...entryOf(sounds, id),
    isCut: false,
    gain: 1,
    from: 0,
    at: from + at,
    until,
    fades: [0, endsFilm ? 0 : LEAVE] as const,
  }))
  return { ...part, bars: bedBars(music.plan).map((bar) => from + bar), joins: [], pieces }
}

const ownPieces = (
  sound: SectionSound,
  cuts: readonly OwnCut[],
  start: number,
  samples: number,
): BedPiece[] =>
  cuts.flatMap(inChunks).map(({ from, length, at, fades }) => ({
    ...sound,
    hash: contentHash({ own: sound.hash, from, length }),
    isCut: true,
    gain: 1,
    from,
    at: start + at,
    until: Math.min(samples, start + at + length),
    fades,
  }))

/** A long stretch in pieces that a browser holds with ease, each given way to by the next. */
function inChunks({ from, length, at, fades: [rise, fall] }: OwnCut): OwnCut[] {
  const count = Math.max(1, Math.round(length / CHUNK))
  const step = Math.floor(length / count)
  return Array.from({ length: count }, (_, i) => {
    const start = i * step
    const end = i === count - 1 ? length : (i + 1) * step + CHUNK_JOIN
    return {
      from: from + start,
      length: end - start,
      at: at + start,
      fades: [i ? CHUNK_JOIN : rise, i === count - 1 ? fall : CHUNK_JOIN] as const,
    }
  })
}

/** A stretch brought to the loudness that all music has. */
function levelled(pieces: readonly BedPiece[], { samples }: Pick<FilmMusic, 'samples'>) {
  const gain = 10 ** ((MUSIC_LUFS - sequenceLevels(pieces, samples).lufs) / 20)
  return pieces.map((piece) => ({ ...piece, gain }))
}

/** Adds what a piece sounds from sample `at` of the film on. */
export function addPiece(
  sound: Int16Array,
  { at: start, from, until, fades, gain }: MusicPiece,
  at: number,
  [left, right]: readonly [Float32Array, Float32Array],
): void {
  const first = Math.max(0, Math.ceil(start) - at)
  const length = Math.min(until - start, (sound.length >> 1) - from)
  const last = Math.min(left.length, Math.floor(start + length) - at)
  const whole = until - start
  for (let i = first; i < last; i++) {
    const passed = at + i - start
    const place = 2 * Math.round(from + passed)
    const isFading = passed < fades[0] || whole - passed < fades[1]
    const share = (isFading ? fadeOf(whole, passed, fades) : 1) * (gain / 32768)
    left[i]! += (sound[place] ?? 0) * share
    right[i]! += (sound[place + 1] ?? 0) * share
  }
}

/** Sections of a bed by itself, as music of a film that is nothing else. */
export const bedAlone = (music: PlacedMusic['music'], samples: number): FilmMusic => ({
  samples,
  parts: [{ from: 0, to: samples, music }],
})
