import { existsSync } from 'node:fs'
import { writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import type { BedPlan } from '@tidy-reel/core/film/music/bed-plan'
import { BedFacts } from '@tidy-reel/core/views/episode'
import { runProgram } from '../run/program.ts'
import { contentHash, keptFile } from '../storage/kept-file.ts'
import { keptJson } from '../storage/kept-json.ts'
import { makeBed } from './bed.ts'

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

/** Makes a film's bed ready to be played in the monitor. */
export async function monitorBed(
  folder: string,
  plan: BedPlan,
  signal: AbortSignal,
  onPlayed?: (done: number, all: number) => void,
): Promise<void> {
  await keptFile(factsFile(folder, plan), async (half) => {
    const { pieces, levels } = await makeBed(folder, plan, signal, onPlayed)
    for (const { hash, file } of pieces)
      await keptFile(bedFile(folder, hash), async (part) => {
        await runProgram(
          'ffmpeg',
          [
            ...['-hide_banner', '-v', 'error', '-nostdin', '-y', '-i', file],
            ...['-c:a', 'flac', '-sample_fmt', 's16', '-f', 'flac', part],
          ],
          { signal },
        )
      })
    const facts: BedFacts = {
      pieces: pieces.map(({ hash, at }) => ({ hash, at })),
      ...levels,
      levels: [...levels.levels],
    }
    await writeFile(half, JSON.stringify(facts))
  })
}
