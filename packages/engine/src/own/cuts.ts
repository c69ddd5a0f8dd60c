import { itemAt } from '@tidy-reel/core/faults/certain'
import { MEDIA_INPUT } from '../run/media-input.ts'
import { runProgram } from '../run/program.ts'

/** A piece of a clip between two cuts, in seconds. */
export interface Piece {
  from: number
  to: number
}

/** A clip shorter than this is one picture, however it is cut. */
const LONG_SECONDS = 8
/** A piece shorter than this is no picture of its own; it goes with the one before it. */
const LEAST_SECONDS = 1.2
/** Pictures made of one clip at the most: a list of more is looked through by nobody. */
const MOST_PIECES = 200
/** How far a frame must differ from the one before, 0 to 1, by ffmpeg's scene score. */
const CUT_SCORE = 0.3
/** After this a clip stays in one piece. */
const TIMEOUT_MS = 20 * 60_000

/**
 * Where a long clip changes from one picture to another.
 *
 * @returns the pieces in order, from its start to its end; none for a clip without a cut, or a
 *   short one
 */
export async function piecesOf(
  file: string,
  seconds: number,
  signal?: AbortSignal,
): Promise<Piece[]> {
  if (seconds < LONG_SECONDS) return []
  const { stderr } = await runProgram(
    'ffmpeg',
    [
      '-hide_banner',
      '-nostats',
      '-v',
      'info',
      '-nostdin',
      ...MEDIA_INPUT,
      '-i',
      file,
      '-an',
      '-vf',
      `scale=160:-2,select='gt(scene,${CUT_SCORE})',showinfo`,
      '-f',
      'null',
      '-',
    ],
    { timeoutMs: TIMEOUT_MS, ...(signal ? { signal } : {}) },
  )
  return piecesAt(
    [...stderr.matchAll(/pts_time:\s*([\d.]+)/g)].map(([, at]) => Number(at)),
    seconds,
  )
}

/** The pieces between cuts at these seconds. */
export function piecesAt(cuts: readonly number[], seconds: number): Piece[] {
  const ends = cuts
    .filter((at) => at >= LEAST_SECONDS && at <= seconds - LEAST_SECONDS)
    .reduce<number[]>(
      (kept, at) => (at - (kept.at(-1) ?? 0) >= LEAST_SECONDS ? [...kept, at] : kept),
      [],
    )
  if (ends.length === 0) return []
  return [...ends, seconds]
    .slice(0, MOST_PIECES)
    .map((to, i) => ({ from: i ? itemAt(ends, i - 1) : 0, to }))
}
