import { existsSync } from 'node:fs'
import { writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import type { Mood } from '@tidy-reel/core/style/film-choices'
import { BedFacts } from '@tidy-reel/core/views/episode'
import { runProgram } from '../run/program.ts'
import { contentHash, keptFile } from '../storage/kept-file.ts'
import { keptJson } from '../storage/kept-json.ts'
import { chordSheet, makeBed } from './bed.ts'

/** The bed of a film as the monitor plays it: the render's own, without loss but smaller. */
export const bedFile = (folder: string, hash: string) => join(folder, `${hash}.flac`)

const hashOf = (mood: Exclude<Mood, 'none'>, seconds: number, seed: string) =>
  contentHash({ sheet: chordSheet(mood, seconds, seed).sheet, monitor: 2 }).slice(0, 32)

/** What is known of a film's bed, if it is there. */
export async function knownBed(
  folder: string,
  mood: Mood,
  seconds: number,
  seed: string,
): Promise<BedFacts | null> {
  if (mood === 'none') return null
  const facts = join(folder, `${hashOf(mood, seconds, seed)}.json`)
  return existsSync(facts) ? keptJson(facts, BedFacts) : null
}

export async function monitorBed(
  folder: string,
  mood: Exclude<Mood, 'none'>,
  seconds: number,
  seed: string,
  signal: AbortSignal,
): Promise<void> {
  const hash = hashOf(mood, seconds, seed)
  await keptFile(join(folder, `${hash}.json`), async (half) => {
    const bed = await makeBed(folder, mood, seconds, seed, signal)
    await keptFile(bedFile(folder, hash), async (part) => {
      await runProgram(
        'ffmpeg',
        [
          '-hide_banner',
          '-v',
          'error',
          '-nostdin',
          '-y',
          '-i',
          bed.file,
          '-c:a',
          'flac',
          '-sample_fmt',
          's16',
          '-f',
          'flac',
          part,
        ],
        { signal },
      )
    })
    await writeFile(
      half,
      JSON.stringify({ hash, ...bed.levels, levels: [...bed.levels.levels] } satisfies BedFacts),
    )
  })
}
