import type { Picking } from '../document/document.ts'
import { itemAt } from '../faults/certain.ts'
import type { Rhythm } from '../style/film-choices.ts'

/** Seconds of a film in which its pictures change more quickly, to draw people in. */
const HOOK = 15

/**
 * What it costs that a picture stands so long, by seconds, straight between the points: dear where
 * it flashes by, nothing where the rhythm wants it, more and more where it drags. Editors cut every
 * 3 to 7 s (common practice); a length is estimated before anybody has spoken, so 2 s are kept with
 * a margin.
 */
const COST: Record<Rhythm, readonly (readonly [seconds: number, cost: number])[]> = {
  calm: [
    [0, 3],
    [2.3, 2.8],
    [2.6, 1.5],
    [3.5, 0.3],
    [5, 0.03],
    [6, 0],
    [8, 0],
    [10, 0.24],
    [14, 1.8],
  ],
  usual: [
    [0, 3],
    [2.3, 2.8],
    [2.5, 0.9],
    [2.9, 0.12],
    [3.4, 0.018],
    [4.2, 0],
    [5.8, 0],
    [7, 0.072],
    [7.8, 0.3],
    [10, 0.96],
    [14, 1.8],
  ],
  brisk: [
    [0, 3],
    [2.3, 2.8],
    [2.6, 1],
    [2.8, 0.06],
    [3, 0],
    [4.4, 0],
    [6, 0.18],
    [8, 0.6],
    [14, 1.8],
  ],
}
/** Seconds under which a scene has no time for a picture of its own: another goes on over it. */
export const LEAST_SHOWN = 2.3

const freeUntil = (rhythm: Rhythm) => COST[rhythm].findLast(([, cost]) => cost === 0)?.[0] ?? 0
const FREE_UNTIL: Record<Rhythm, number> = {
  calm: freeUntil('calm'),
  usual: freeUntil('usual'),
  brisk: freeUntil('brisk'),
}
const QUICKER: Record<Rhythm, Rhythm> = { calm: 'usual', usual: 'brisk', brisk: 'brisk' }
/** Seconds one picture is shown at most, by rhythm alone. */
const LONGEST: Record<Rhythm, number> = { calm: 10, usual: 8, brisk: 6 }

/** The rhythm of a picture that begins so many seconds into a film. */
export const rhythmAt = (seconds: number, rhythm: Rhythm): Rhythm =>
  seconds < HOOK ? QUICKER[rhythm] : rhythm

/** @returns 0 where the rhythm wants it, near 3 where it flashes by, near 2 where it drags on */
export function standingCost(seconds: number, rhythm: Rhythm): number {
  const points = COST[rhythm]
  const next = points.findIndex(([at]) => at > seconds)
  const to = next < 0 ? points.length - 1 : next
  const [[a, costA], [b, costB]] = [itemAt(points, to - 1), itemAt(points, to)]
  return costA + ((costB - costA) * (seconds - a)) / (b - a)
}

/** The same of a picture that has not ended yet: what it cost to be too short may still be mended. */
export const draggingCost = (seconds: number, rhythm: Rhythm) =>
  seconds > FREE_UNTIL[rhythm] ? standingCost(seconds, rhythm) : 0

/** Seconds one picture is shown at most: as long as the rhythm wants and a person allows. */
export const longestShown = ({ rhythm, longest }: Pick<Picking, 'rhythm' | 'longest'>) =>
  Math.min(longest, LONGEST[rhythm])
