import { existsSync } from 'node:fs'
import { writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import type { FilmMusic, PlacedMusic } from '@tidy-reel/core/film/music/film-music'
import { SAMPLE_RATE } from '@tidy-reel/core/time/time'
import { BedFacts } from '@tidy-reel/core/views/episode'
import { runProgram } from '../run/program.ts'
import { contentHash, keptFile } from '../storage/kept-file.ts'
import { keptJson } from '../storage/kept-json.ts'
import { type Bed, type BedPiece, makeBed, type Making, type MusicPlace } from './bed.ts'

/** A piece of a bed as the monitor plays it: the render's own, without loss but smaller. */
export const bedFile = (folder: string, hash: string) => join(folder, `${hash}.flac`)

/** Raised when what is kept of a bed changes. */
const VERSION = 6
const factsFile = ({ beds }: MusicPlace, music: FilmMusic) =>
  join(beds, `${contentHash({ music, monitor: VERSION })}.json`)

/** What is known of a film's bed, if it is there. */
export async function knownBed(
  place: MusicPlace,
  music: FilmMusic | undefined,
): Promise<BedFacts | null> {
  if (!music) return null
  const facts = factsFile(place, music)
  // What cannot be read is not there: a film is opened without its music rather than not at all.
  return existsSync(facts) ? keptJson(facts, BedFacts).catch(() => null) : null
}

/** A piece's sound without loss, as the monitor fetches it. */
const monitorPiece = (
  { beds }: MusicPlace,
  { hash, file, isCut, from, at, until }: BedPiece,
  signal: AbortSignal,
) =>
  keptFile(bedFile(beds, hash), async (part) => {
    await runProgram(
      'ffmpeg',
      [
        ...['-hide_banner', '-v', 'error', '-nostdin', '-y', '-i', file],
        ...(isCut ? ['-af', `atrim=start_sample=${from}:end_sample=${from + until - at}`] : []),
        ...['-c:a', 'flac', '-sample_fmt', 's16', '-f', 'flac', part],
      ],
      { signal },
    )
  })

/** Music is tried for so long from a place on, in samples. */
const TRIED_SAMPLES = 25 * SAMPLE_RATE

/**
 * A stretch of a film's music, to be heard before it is chosen: what is played from a place on.
 *
 * @param making where sections are played and own music is cut
 */
export async function triedBed(
  place: MusicPlace,
  music: FilmMusic,
  at: number,
  making: Making & { signal: AbortSignal },
): Promise<BedFacts> {
  const near = { ...music, parts: music.parts.flatMap((part) => partNear(part, at)) }
  const bed = await makeBed(place, near, making)
  const heard = bed.pieces.filter((piece) => piece.at < at + TRIED_SAMPLES && piece.until > at)
  for (const piece of heard) await monitorPiece(place, piece, making.signal)
  return factsOf({ ...bed, pieces: heard })
}

/** What of a stretch is heard from a place on, for a while. */
function partNear(part: PlacedMusic, at: number): PlacedMusic[] {
  const { from, to, music } = part
  if (to <= at || from >= at + TRIED_SAMPLES) return []
  if (music.kind === 'own') return [part]
  const { plan } = music
  const placed = plan.placed.filter(
    (piece, i) =>
      from + piece.at < at + TRIED_SAMPLES && from + (plan.placed[i + 1]?.at ?? to - from) > at,
  )
  const ids = new Set(placed.map(({ id }) => id))
  const sections = plan.sections.filter(({ id }) => ids.has(id))
  return [{ ...part, music: { ...music, plan: { ...plan, placed, sections } } }]
}

/** What the monitor is told of a bed. */
const factsOf = ({ parts, pieces, levels }: Bed): BedFacts => ({
  pieces: pieces.map(({ hash, at, until, fades, gain }) => ({
    hash,
    at,
    until,
    fades: [...fades],
    gain,
  })),
  parts: parts.map(({ from, to, music, bars, joins }) => ({
    from,
    to,
    bars: [...bars],
    ...(music.kind === 'own'
      ? { own: music.id, title: music.title, joins: [...joins] }
      : { mood: music.mood }),
  })),
  ...levels,
  levels: [...levels.levels],
})

/** Makes a film's bed ready to be played in the monitor. */
export async function monitorBed(
  place: MusicPlace,
  music: FilmMusic,
  signal: AbortSignal,
  onPlayed?: (done: number, all: number) => void,
): Promise<void> {
  await keptFile(factsFile(place, music), async (half) => {
    const bed = await makeBed(place, music, { signal, onPlayed })
    for (const piece of bed.pieces) await monitorPiece(place, piece, signal)
    await writeFile(half, JSON.stringify(factsOf(bed)))
  })
}
