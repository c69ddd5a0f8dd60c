import { SHOTS_LIMIT } from '../document/document.ts'

/**
 * Pictures that share a scene of so many seconds, none longer than `longest` seconds: 1 to
 * `SHOTS_LIMIT`.
 *
 * @example shotsIn(17, 8) // => 3
 */
export const shotsIn = (seconds: number, longest: number) =>
  Math.max(1, Math.min(SHOTS_LIMIT, Math.ceil(seconds / longest)))
