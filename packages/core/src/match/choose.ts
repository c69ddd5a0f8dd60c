import { itemAt } from '../faults/certain.ts'
import { SCENES_APART } from './scenes-apart.ts'

/** A picture that may be shown at a place of the film. */
export interface Option {
  /** Its place in the list of all items. */
  i: number
  score: number
}

/** A place in the film that one picture fills: a shot, or a picture that is there already. */
export interface ShotSlot {
  scene: number
  options: readonly Option[]
  /** How much hangs on the best option, 0 to 1. */
  stake: number
  /** Pictures that stand there already: nothing is chosen, but they count for those around. */
  kept?: readonly number[]
}

/** What likeness costs. */
export const LIKENESS = {
  /** How much dearer it is to fall further behind a place's best option. */
  loyal: 2,
  /** How much a picture loses that looks just like one shown one, two, three places before. */
  one: 0.6,
  two: 0.15,
  three: 0.07,
  /**
   * How much it loses for each picture of a series (the same thing at another hour) beyond one that
   * is shown within `SCENES_APART` scenes, and from which likeness two are a series.
   */
  series: 0.3,
  seriesFrom: 0.75,
}
/**
 * What showing the same picture again costs: more than any score, so that it is the last resort.
 */
const AGAIN = 3
/**
 * Ways through the film that are followed at once, by hand: more cost time and hardly change a
 * film.
 */
const BEAM = 48

interface Path {
  value: number
  chosen: number
  before?: Path
}

/**
 * Chooses a picture for every place of a film at once: as good as can be for each, unlike those
 * just before, none again within
 * `SCENES_APART` scenes while another will do. A beam search: after each place the best paths go
 * on.
 *
 * @param alike how alike two items look, 0 to 1
 * @returns the chosen item of each place; −1 where it has no options
 */
export function chooseForFilm(
  places: readonly ShotSlot[],
  alike: (a: number, b: number) => number,
): number[] {
  let paths: Path[] = [{ value: 0, chosen: -1 }]
  places.forEach((place, n) => {
    if (place.kept || place.options.length === 0) {
      paths = paths.map((path) => ({ value: path.value, chosen: -1, before: path }))
      return
    }
    const next: Path[] = []
    const best = place.options.reduce((most, { score }) => Math.max(most, score), 0) || 1
    for (const path of paths) {
      const shown = shownBefore(path, places, n)
      for (const { i, score } of place.options)
        next.push({
          value: path.value + worth(i, (score / best) ** LIKENESS.loyal, place.stake, shown, alike),
          chosen: i,
          before: path,
        })
    }
    paths = next.sort((a, b) => b.value - a.value).slice(0, BEAM)
  })
  const chosen: number[] = []
  for (let path: Path | undefined = paths[0]; path?.before; path = path.before)
    chosen.push(path.chosen)
  return chosen.reverse()
}

interface Shown {
  i: number
  /** How many places away. */
  back: number
}

function shownBefore(path: Path, places: readonly ShotSlot[], n: number): Shown[] {
  const shown: Shown[] = []
  let at: Path | undefined = path
  for (let k = n - 1; k >= 0 && at; k--, at = at.before) {
    const earlier = itemAt(places, k)
    if (itemAt(places, n).scene - earlier.scene > SCENES_APART) break
    const here = earlier.kept ?? (at.chosen < 0 ? [] : [at.chosen])
    for (const i of here) shown.push({ i, back: n - k })
  }
  // What a person chose further on must not be shown shortly before it either.
  for (let k = n + 1; k < places.length; k++) {
    const later = itemAt(places, k)
    if (later.scene - itemAt(places, n).scene > SCENES_APART) break
    for (const i of later.kept ?? []) shown.push({ i, back: k - n })
  }
  return shown
}

function worth(
  i: number,
  score: number,
  stake: number,
  shown: readonly Shown[],
  alike: (a: number, b: number) => number,
): number {
  let value = score * stake
  let series = 0
  for (const { i: other, back } of shown) {
    if (other === i) return score * stake - AGAIN + (back * AGAIN) / 100
    const likeness = alike(i, other)
    const weight = [LIKENESS.one, LIKENESS.two, LIKENESS.three][back - 1] ?? 0
    value -= weight * likeness * score
    if (likeness > LIKENESS.seriesFrom) series++
  }
  return value - LIKENESS.series * Math.max(0, series - 1) * score
}
