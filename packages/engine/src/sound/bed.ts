import pLimit from 'p-limit'
import { entryOf } from '@tidy-reel/core/faults/certain'
import type { BedPlan } from '@tidy-reel/core/film/music/bed-plan'
import type { BedLevels } from '@tidy-reel/core/film/sound/mix'
import { sequenceLevels } from '@tidy-reel/core/film/sound/sequence-levels'
import { type SectionSound, sectionSound } from './music/section-sound.ts'

/** A film's music: its sections at their places, and how loud all of it is. */
export interface Bed {
  /** 48 kHz stereo WAV each; they ring on over the beginning of the next. */
  pieces: readonly { hash: string; file: string; at: number }[]
  levels: BedLevels
}

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
