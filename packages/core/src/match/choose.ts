import { itemAt } from '../faults/certain.ts'
import type { Rhythm } from '../style/film-choices.ts'
import { draggingCost, rhythmAt, standingCost } from './rhythm.ts'
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
  /** How long it is seen, in seconds. */
  seconds: number
  /**
   * How good it is that the picture before goes on here, whatever it is; left out where it may not.
   */
  hold?: number
  /** Pictures that stand there already: nothing is chosen, but they count for those around. */
  kept?: readonly number[]
  /** With `kept`: the picture before goes on in place of the first of them. */
  isHeld?: boolean
}

/** What is seen at a place. */
export interface Choice {
  /** The item that was chosen; −1 where none was, as where the picture before goes on. */
  i: number
  /** The picture before goes on. */
  holds: boolean
}

/** What likeness costs. */
export const LIKENESS = {
  /** How much dearer it is to fall further behind a place's best option. */
  loyal: 3,
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
/** What it costs, of a picture's score, that the film showed it before, however long ago. */
const SEEN_BEFORE = 0.1
/**
 * Ways through the film that are followed at once, by hand: more cost time and hardly change a
 * film.
 */
const BEAM = 48
/** So many of them may show the same picture. */
const SAME_SEEN = 8
/** And so many of them are kept for those that go on. */
const HOLDING = 16

interface Path {
  value: number
  chosen: number
  holds: boolean
  /** What is seen now, −1 for nothing, and for how many seconds it has been. */
  seen: number
  standing: number
  /** How quickly it wants to go. */
  rhythm: Rhythm
  before?: Path
}

/** How pictures are to follow each other. */
export interface Pace {
  rhythm: Rhythm
  /** Seconds an item can be seen before it stands still; infinite for one that always does. */
  lasts: (i: number) => number
}
const PLAIN_PACE: Pace = { rhythm: 'usual', lasts: () => Infinity }
/** What it costs that a clip has ended and stands while it goes on. */
const ENDED = 0.3

/**
 * Chooses a picture for every place of a film at once: as good as can be for each, unlike those
 * just before, none again within `SCENES_APART` scenes while another will do, none seen for too
 * short or too long: where the picture before may go on, it does when that is better. A beam
 * search: after each place the best paths go on.
 *
 * @param alike how alike two items look, 0 to 1
 * @returns what is seen at each place
 */
export function chooseForFilm(
  places: readonly ShotSlot[],
  alike: (a: number, b: number) => number,
  { rhythm, lasts }: Pace = PLAIN_PACE,
): Choice[] {
  let paths: Path[] = [
    { value: 0, chosen: -1, holds: false, seen: -1, standing: 0, rhythm: rhythmAt(0, rhythm) },
  ]
  let at = 0
  places.forEach((place, n) => {
    const here = { place, rhythm: rhythmAt(at, rhythm), isFirst: n === 0 }
    at += place.seconds
    if (place.kept || (place.options.length === 0 && place.hold === undefined)) {
      paths = paths.map((path) => keptOn(path, here))
      return
    }
    const next: Path[] = []
    const best = place.options.reduce((most, { score }) => Math.max(most, score), 0) || 1
    for (const path of paths) {
      if (place.hold !== undefined && path.seen >= 0) next.push(heldOn(path, place, best, lasts))
      if (!place.options.length) next.push(keptOn(path, here))
      const ended = path.value - endingCost(path, here.isFirst)
      const shown = shownBefore(path, places, n)
      const before = itemsOf(path, places, n)
      for (const { i, score } of place.options)
        next.push({
          value:
            ended +
            worth(i, (score / best) ** LIKENESS.loyal, place.stake, shown, alike) -
            (before.has(i) ? SEEN_BEFORE * (score / best) : 0),
          chosen: i,
          holds: false,
          seen: i,
          standing: place.seconds,
          rhythm: here.rhythm,
          before: path,
        })
    }
    const promised = promiseOf(places[n + 1]?.hold !== undefined)
    paths = bestOf(next, promised)
  })
  const last = paths.reduce((best, path) =>
    path.value - endingCost(path, false) > best.value - endingCost(best, false) ? path : best,
  )
  const choices: Choice[] = []
  for (let path: Path = last; path.before; path = path.before)
    choices.push({ i: path.chosen, holds: path.holds })
  return choices.reverse()
}

/**
 * The best paths, some of them holding and not too many showing the same: one that looks worse here
 * may be the way to what comes next.
 */
function bestOf(paths: readonly Path[], value: (path: Path) => number): Path[] {
  const sorted = paths
    .map((path) => ({ path, value: value(path) }))
    .sort((a, b) => b.value - a.value)
  const showing = new Map<number, number>()
  const left = { holding: HOLDING, changing: BEAM - HOLDING }
  return sorted.flatMap(({ path }) => {
    const kind = path.holds ? 'holding' : 'changing'
    const same = showing.get(path.seen) ?? 0
    if (left[kind] <= 0 || same >= SAME_SEEN) return []
    left[kind]--
    showing.set(path.seen, same + 1)
    return [path]
  })
}

/**
 * What a path is worth so far: a picture that drags already costs what it will when it ends, and so
 * does one that is too short where it cannot go on.
 */
const promiseOf = (canGoOn: boolean) => {
  const cost = canGoOn ? draggingCost : standingCost
  return ({ value, standing, rhythm }: Path) => value - cost(standing, rhythm)
}

/** What it costs that the picture of a path ends here; nothing has been seen before the first. */
const endingCost = ({ standing, rhythm }: Path, isFirst: boolean) =>
  isFirst ? 0 : standingCost(standing, rhythm)

/** A place at which nothing is chosen: what stands there already, or nothing. */
function keptOn(
  path: Path,
  { place, rhythm, isFirst }: { place: ShotSlot; rhythm: Rhythm; isFirst: boolean },
): Path {
  const { kept, isHeld = false, seconds } = place
  const each = seconds / Math.max(1, kept?.length ?? 1)
  const goesOn = isHeld && kept?.length === 1 && path.seen >= 0
  if (goesOn)
    return {
      ...path,
      chosen: -1,
      holds: true,
      standing: path.standing + seconds,
      before: path,
    }
  return {
    value: path.value - endingCost(path, isFirst),
    chosen: -1,
    holds: false,
    seen: kept?.at(-1) ?? -1,
    standing: each,
    rhythm,
    before: path,
  }
}

/** The picture before goes on, and is worth what it shows of what is said here. */
function heldOn(
  path: Path,
  { options, stake, seconds, hold = 0 }: ShotSlot,
  best: number,
  lasts: Pace['lasts'],
): Path {
  const ended = path.standing + seconds > lasts(path.seen) ? ENDED : 0
  const score = options.find(({ i }) => i === path.seen)?.score ?? 0
  return {
    ...path,
    value: path.value + (score / best) ** LIKENESS.loyal * stake + hold - ended,
    chosen: -1,
    holds: true,
    standing: path.standing + seconds,
    before: path,
  }
}

/** Everything the film has shown on its way. */
function itemsOf(path: Path, places: readonly ShotSlot[], n: number): Set<number> {
  const items = new Set<number>()
  let at: Path | undefined = path
  for (let k = n - 1; k >= 0 && at; k--, at = at.before) {
    if (at.chosen >= 0) items.add(at.chosen)
    for (const i of itemAt(places, k).kept ?? []) items.add(i)
  }
  return items
}

interface Shown {
  i: number
  /** How many places away. */
  back: number
}

function shownBefore(path: Path, places: readonly ShotSlot[], n: number): Shown[] {
  const shown: Shown[] = []
  let at: Path | undefined = path
  let back = 0
  for (let k = n - 1; k >= 0 && at; k--, at = at.before) {
    const earlier = itemAt(places, k)
    if (itemAt(places, n).scene - earlier.scene > SCENES_APART) break
    if (at.holds) continue
    back++
    const here = earlier.kept ?? (at.chosen < 0 ? [] : [at.chosen])
    for (const i of here) shown.push({ i, back })
  }
  // What a person chose further on must not be shown shortly before it either.
  for (let k = n + 1; k < places.length; k++) {
    const later = itemAt(places, k)
    if (later.scene - itemAt(places, n).scene > SCENES_APART) break
    for (const i of later.isHeld ? [] : (later.kept ?? [])) shown.push({ i, back: k - n })
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
