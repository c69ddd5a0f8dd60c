import pLimit from 'p-limit'
import { entryOf } from '@tidy-reel/core/faults/certain'
import type { OrderedSection } from '@tidy-reel/core/film/music/bed-plan'
import type { FilmMusic, PlacedMusic } from '@tidy-reel/core/film/music/film-music'
import type { OwnCut } from '@tidy-reel/core/film/music/own/own-cuts'
import { type BedLevels, fadeOf } from '@tidy-reel/core/film/sound/mix'
import { type MusicPiece, sequenceLevels } from '@tidy-reel/core/film/sound/sequence-levels'
import { SAMPLE_RATE } from '@tidy-reel/core/time/time'
import { contentHash } from '../storage/kept-file.ts'
import { ownSound } from './music/own-sound.ts'
import { type SectionSound, sectionSound } from './music/section-sound.ts'

/** A piece of a film's music: a file, 48 kHz stereo WAV, and what of it is played where. */
export interface BedPiece extends MusicPiece {
  hash: string
  file: string
  /** Just what is played of it is known by its hash. */
  isCut: boolean
}

/** A film's music: its pieces at their places, and how loud all of it is. */
export interface Bed {
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
  const pieces = music.parts.flatMap((part) => {
    const made = piecesOf(part, sounds, music)
    return making.asMade ? made : levelled(made, music)
  })
  return { pieces, levels: sequenceLevels(pieces, music.samples) }
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

/** The pieces of a stretch, as loud as they are. */
function piecesOf(
  { from, to, music }: PlacedMusic,
  sounds: Sounds,
  { samples }: Pick<FilmMusic, 'samples'>,
): BedPiece[] {
  if (music.kind === 'own') {
    const sound = entryOf(sounds, music.id)
    return music.cuts.flatMap(inChunks).map((cut) => ({
      ...sound,
      hash: contentHash({ own: sound.hash, from: cut.from, length: cut.length }),
      isCut: true,
      gain: 1,
      from: cut.from,
      at: from + cut.at,
      until: Math.min(samples, from + cut.at + cut.length),
      fades: cut.fades,
    }))
  }
  const isLast = to >= samples
  const until = isLast ? samples : Math.min(samples, to + LEAVE)
  return music.plan.placed.map(({ id, at }) => ({
    ...entryOf(sounds, id),
    isCut: false,
    gain: 1,
    from: 0,
    at: from + at,
    until,
    fades: [0, isLast ? 0 : LEAVE] as const,
  }))
}

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
  const isFading = fades[0] > 0 || fades[1] > 0
  for (let i = first; i < last; i++) {
    const passed = at + i - start
    const place = 2 * Math.round(from + passed)
    const share = (isFading ? fadeOf(until - start, passed, fades) : 1) * (gain / 32768)
    left[i]! += (sound[place] ?? 0) * share
    right[i]! += (sound[place + 1] ?? 0) * share
  }
}

/** Sections of a bed by itself, as music of a film that is nothing else. */
export const bedAlone = (music: PlacedMusic['music'], samples: number): FilmMusic => ({
  samples,
  parts: [{ from: 0, to: samples, music, bars: [] }],
})
