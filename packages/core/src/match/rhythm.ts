import type { Picking, Rhythm } from '../document/document.ts'
import { itemAt } from '../faults/certain.ts'

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
    [2.6, 1.8],
    [3.5, 0.5],
    [5, 0.05],
    [6, 0],
    [8, 0],
    [10, 0.4],
    [14, 3],
  ],
  usual: [
    [0, 3],
    [2.3, 2.8],
    [2.5, 0.9],
    [2.9, 0.2],
    [3.4, 0.03],
    [4.2, 0],
    [5.8, 0],
    [7, 0.12],
    [7.8, 0.5],
    [10, 1.6],
    [14, 3],
  ],
  brisk: [
    [0, 3],
    [2.3, 2.8],
    [2.6, 1.2],
    [2.8, 0.1],
    [3, 0],
    [4.4, 0],
    [6, 0.3],
    [8, 1],
    [14, 3],
  ],
}
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

/** @returns 0 where the rhythm wants it, 3 and more where nobody should see it so */
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
