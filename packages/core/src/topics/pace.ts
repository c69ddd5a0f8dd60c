import { entryOf, itemAt } from '../faults/certain.ts'
import type { ChannelFilm } from './channel-film.ts'

const HOUR_MS = 3_600_000
/** A film younger than this is judged as if it were as old: its first minutes say nothing yet. */
const YOUNGEST_HOURS = 6
/** Films of about the same age that make the median; fewer where a channel has fewer. */
const NEIGHBOURS = 9

export interface PacedFilm extends ChannelFilm {
  /** Hours since it was published. */
  ageHours: number
  viewsPerHour: number
  /** What the channel's films of about this age have, in the middle. */
  usualPerHour: number
  /** How many times the usual it gains; 1 = as usual. */
  above: number
}

export const ageHours = (published: string, now: number) =>
  Math.max(YOUNGEST_HOURS, (now - Date.parse(published)) / HOUR_MS)

/**
 * How fast a channel's films gain views, each against the channel's own median for its age.
 *
 * Views an hour fall with age, so a film is compared with those nearest to it in age (by the ratio
 * of ages), itself left out.
 *
 * @param now milliseconds since the epoch
 * @returns in the order given; `above` is 1 for the only film of a channel
 */
export function pacedFilms(films: readonly ChannelFilm[], now: number): PacedFilm[] {
  const aged = films.map((film) => {
    const age = ageHours(film.published, now)
    return { film, age, perHour: film.views / age }
  })
  const byAge = aged.toSorted((a, b) => a.age - b.age)
  const place = new Map(byAge.map((one, i) => [one, i]))
  return aged.map((one) => {
    const near = nearestInAge(byAge, entryOf(place, one))
    const usual = near.length ? median(near.map(({ perHour }) => perHour)) : one.perHour
    return {
      ...one.film,
      ageHours: one.age,
      viewsPerHour: one.perHour,
      usualPerHour: usual,
      above: timesUsual(one.perHour, usual),
    }
  })
}

/** How many times the usual; where usually nothing is seen, anything counts as twice that. */
function timesUsual(perHour: number, usual: number): number {
  if (usual > 0) return perHour / usual
  return perHour > 0 ? 2 : 1
}

/**
 * The films beside one in a list by age, nearest first: the window grows on the side that is nearer
 * by the ratio of ages.
 */
function nearestInAge<T extends { age: number }>(byAge: readonly T[], at: number): T[] {
  const near: T[] = []
  let [younger, older] = [at - 1, at + 1]
  const apart = (i: number) =>
    byAge[i] ? Math.abs(Math.log(byAge[i].age / itemAt(byAge, at).age)) : Infinity
  while (near.length < NEIGHBOURS && (younger >= 0 || older < byAge.length))
    near.push(itemAt(byAge, apart(younger) <= apart(older) ? younger-- : older++))
  return near
}

/** The middle number, of an even count the mean of the two in the middle; 0 for none. */
export function median(numbers: readonly number[]): number {
  const sorted = [...numbers].sort((a, b) => a - b)
  const middle = sorted.length >> 1
  if (sorted.length === 0) return 0
  if (sorted.length % 2) return itemAt(sorted, middle)
  return (itemAt(sorted, middle - 1) + itemAt(sorted, middle)) / 2
}

/**
 * Growth in per cent a month: the median slope between all pairs of films (Theil–Sen, which a few
 * lucky films do not bend) of what each gained beyond what films of its age gain, over the day it
 * was published.
 *
 * @returns undefined for fewer than five films
 */
export function trendOf(films: readonly PacedFilm[]): number | undefined {
  if (films.length < 5) return undefined
  const points = films.map(
    (film) =>
      [
        -film.ageHours / MONTH_HOURS,
        Math.log(Math.max(film.viewsPerHour, 1e-6)) - USUAL_DECAY * Math.log(film.ageHours),
      ] as const,
  )
  return (Math.exp(theilSen(points)) - 1) * 100
}

const MONTH_HOURS = 24 * 30.44
/**
 * Views an hour fall a little slower than the inverse of age (common practice). Age and growth
 * cannot be told apart from figures of one moment, so this is assumed and not fitted.
 */
const USUAL_DECAY = -0.8

function theilSen(points: readonly (readonly [number, number])[]): number {
  const slopes: number[] = []
  for (let i = 0; i < points.length; i++)
    for (let j = i + 1; j < points.length; j++)
      if (itemAt(points, i)[0] !== itemAt(points, j)[0])
        slopes.push(
          (itemAt(points, j)[1] - itemAt(points, i)[1]) /
            (itemAt(points, j)[0] - itemAt(points, i)[0]),
        )
  return median(slopes)
}

/**
 * The channel's median of views at every age there is a film of, youngest first: the line under the
 * dots.
 */
export function medianLine(films: readonly PacedFilm[]): { ageHours: number; views: number }[] {
  return [...films]
    .sort((a, b) => a.ageHours - b.ageHours)
    .map(({ ageHours: age, usualPerHour }) => ({ ageHours: age, views: usualPerHour * age }))
}
