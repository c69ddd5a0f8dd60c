import pLimit from 'p-limit'
import type { Document } from '@tidy-reel/core/document/document'
import type { MusicCue } from '@tidy-reel/core/export/cue-sheet'
import { entryOf } from '@tidy-reel/core/faults/certain'
import { type BedPlan, bedPlan, filmForm } from '@tidy-reel/core/film/music/bed-plan'
import type { BedLevels } from '@tidy-reel/core/film/sound/mix'
import { sequenceLevels } from '@tidy-reel/core/film/sound/sequence-levels'
import type { Timeline } from '@tidy-reel/core/timeline/timeline'
import { type SectionSound, sectionSound } from './music/section-sound.ts'

/** A film's music: its sections at their places, and how loud all of it is. */
export interface Bed {
  /** 48 kHz stereo WAV each; they ring on over the beginning of the next. */
  pieces: readonly { hash: string; file: string; at: number }[]
  levels: BedLevels
}

/** The music a film asks for; undefined where it asks for none. */
export function filmBedPlan(
  { mood, title, score }: Pick<Document, 'mood' | 'title' | 'score'>,
  plan: Timeline,
): BedPlan | undefined {
  if (mood === 'none') return undefined
  const { instruments, without } = score
  const asked = { mood, seed: title, without, ...(instruments ? { instruments } : {}) }
  return bedPlan(asked, filmForm(plan))
}

/** The bed of a film as a cue sheet tells of it; `[]` where there is none. */
export const musicCues = (
  { mood, title }: Pick<Document, 'mood' | 'title'>,
  plan: Timeline,
): MusicCue[] =>
  mood === 'none'
    ? []
    : [
        {
          title: `Bed “${title}”, ${mood}`,
          maker: 'Tidy Reel, played by FluidSynth',
          licence: 'Made for this channel',
          start: 0,
          end: plan.samples,
        },
      ]

/**
 * Plays the sections of a bed that have not been played before.
 *
 * @param onPlayed is told how many are there
 */
export async function makeBed(
  folder: string,
  plan: BedPlan,
  signal?: AbortSignal,
  onPlayed: (done: number, all: number) => void = () => undefined,
): Promise<Bed> {
  const sounds = new Map<string, SectionSound>()
  // While one is played by its own program, another is measured here.
  const limit = pLimit(2)
  await Promise.all(
    plan.sections.map(({ id, order }) =>
      limit(async () => {
        signal?.throwIfAborted()
        sounds.set(id, await sectionSound(folder, order, signal))
        onPlayed(sounds.size, plan.sections.length)
      }),
    ),
  )
  const pieces = plan.placed.map(({ id, at }) => ({ ...entryOf(sounds, id), at }))
  return {
    pieces: pieces.map(({ hash, file, at }) => ({ hash, file, at })),
    levels: sequenceLevels(pieces, plan.samples),
  }
}

/** Adds what a section that begins at `start` sounds from `at` on. */
export function addPiece(
  music: Int16Array,
  start: number,
  at: number,
  [left, right]: readonly [Float32Array, Float32Array],
): void {
  const first = Math.max(0, start - at)
  const last = Math.min(left.length, start + (music.length >> 1) - at)
  for (let i = first; i < last; i++) {
    const place = 2 * (at + i - start)
    left[i]! += music[place]! / 32768
    right[i]! += music[place + 1]! / 32768
  }
}
