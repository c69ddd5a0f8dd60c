import { existsSync } from 'node:fs'
import { writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { entryOf } from '@tidy-reel/core/faults/certain'
import type { BedPlan, OrderedSection } from '@tidy-reel/core/film/music/bed-plan'
import { sequenceLevels } from '@tidy-reel/core/film/sound/sequence-levels'
import { SAMPLE_RATE } from '@tidy-reel/core/time/time'
import { BedFacts } from '@tidy-reel/core/views/episode'
import { runProgram } from '../run/program.ts'
import { contentHash, keptFile } from '../storage/kept-file.ts'
import { keptJson } from '../storage/kept-json.ts'
import { type Bed, makeBed } from './bed.ts'
import type { SectionSound } from './music/section-sound.ts'

/** A section of a bed as the monitor plays it: the render's own, without loss but smaller. */
export const bedFile = (folder: string, hash: string) => join(folder, `${hash}.flac`)

/** Raised when what is kept of a bed changes. */
const VERSION = 3
const factsFile = (folder: string, { samples, placed, sections }: BedPlan) =>
  join(folder, `${contentHash({ samples, placed, sections, monitor: VERSION })}.json`)

/** What is known of a film's bed, if it is there. */
export async function knownBed(
  folder: string,
  plan: BedPlan | undefined,
): Promise<BedFacts | null> {
  if (!plan) return null
  const facts = factsFile(folder, plan)
  return existsSync(facts) ? keptJson(facts, BedFacts) : null
}

/** A section's sound without loss, as the monitor fetches it. */
const monitorPiece = (
  folder: string,
  { hash, file }: Pick<SectionSound, 'hash' | 'file'>,
  signal: AbortSignal,
) =>
  keptFile(bedFile(folder, hash), async (part) => {
    await runProgram(
      'ffmpeg',
      [
        ...['-hide_banner', '-v', 'error', '-nostdin', '-y', '-i', file],
        ...['-c:a', 'flac', '-sample_fmt', 's16', '-f', 'flac', part],
      ],
      { signal },
    )
  })

/** Music is tried for so long from a place on, in samples. */
const TRIED_SAMPLES = 25 * SAMPLE_RATE

/**
 * A stretch of a bed, to be heard before it is chosen: the sections from a place of the film on.
 *
 * @param play plays a section, wherever that is done
 */
export async function triedBed(
  folder: string,
  { sections, placed, samples }: BedPlan,
  at: number,
  play: (order: OrderedSection) => Promise<SectionSound>,
  signal: AbortSignal,
): Promise<BedFacts> {
  const orders = new Map(sections.map(({ id, order }) => [id, order]))
  const near = placed.filter(
    (piece, i) => piece.at < at + TRIED_SAMPLES && (placed[i + 1]?.at ?? samples) > at,
  )
  const pieces = await Promise.all(
    near.map(async (piece) => {
      const sound = await play(entryOf(orders, piece.id))
      await monitorPiece(folder, sound, signal)
      return { ...sound, at: piece.at }
    }),
  )
  return factsOf({ pieces, levels: sequenceLevels(pieces, samples) })
}

/** What the monitor is told of a bed. */
const factsOf = ({ pieces, levels }: Bed): BedFacts => ({
  pieces: pieces.map(({ hash, at }) => ({ hash, at })),
  ...levels,
  levels: [...levels.levels],
})

/** Makes a film's bed ready to be played in the monitor. */
export async function monitorBed(
  folder: string,
  plan: BedPlan,
  signal: AbortSignal,
  onPlayed?: (done: number, all: number) => void,
): Promise<void> {
  await keptFile(factsFile(folder, plan), async (half) => {
    const bed = await makeBed(folder, plan, signal, onPlayed)
    for (const piece of bed.pieces) await monitorPiece(folder, piece, signal)
    await writeFile(half, JSON.stringify(factsOf(bed)))
  })
}
