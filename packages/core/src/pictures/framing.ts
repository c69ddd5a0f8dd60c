import type { Cast } from './grade/match.ts'
import { bestWindow, type Interest, interestIn } from './interest.ts'
import type { Light } from './light.ts'
import type { View } from './view.ts'

/** What pictures are framed by: the film's shape, and what was measured of them, by their ids. */
export interface Framing {
  /** Width by height of the film. */
  aspect: number
  lights: ReadonlyMap<string, Light>
  /** The light most of the film's pictures are in. */
  usual?: Cast | undefined
}

/** Where views of a picture show most of what there is to see. */
export interface BestView {
  /** Of a view of so much of the picture. */
  at: (scale: number) => View
  /** How much of the picture's width and height the largest view shows, 0 to 1. */
  across: number
  down: number
}

/** Nobody has looked: the middle. */
export const MIDDLE_VIEW: BestView = {
  at: (scale) => ({ x: 0.5, y: 0.5, scale }),
  across: 1,
  down: 1,
}

/** How much of a picture's width and height the largest view in a film's shape shows. */
export const shownShares = (picture: number, film: number) => ({
  across: Math.min(1, film / picture),
  down: Math.min(1, picture / film),
})

/**
 * @param aspect of the picture
 * @param film   the film's
 */
export function bestViewIn(
  moments: readonly Interest[],
  { aspect, film }: { aspect: number; film: number },
): BestView {
  const shares = shownShares(aspect, film)
  if (!moments.length) return { ...MIDDLE_VIEW, ...shares }
  const { across, down } = interestIn(moments)
  const at = (scale: number) => ({
    x: bestWindow(across, shares.across * scale).middle,
    y: bestWindow(down, shares.down * scale).middle,
    scale,
  })
  return { at, ...shares }
}

/**
 * What follows from a picture's light and stays the same: worked out once, for a film's shots are
 * asked for anew with every edit.
 */
const worked = new WeakMap<Light, Map<string, unknown>>()
function once<Value>(light: Light, key: string, work: () => Value): Value {
  const known = worked.get(light) ?? new Map<string, unknown>()
  worked.set(light, known)
  if (!known.has(key)) known.set(key, work())
  return known.get(key) as Value
}

/** As `bestViewIn`, of the moments `[from, to)` of a picture. */
export function bestViewOf(
  light: Light,
  film: number,
  [from, to]: readonly [from: number, to: number] = [0, light.interest.length],
): BestView {
  const key = `${film} ${from} ${to}`
  const best = once(light, key, () =>
    bestViewIn(light.interest.slice(from, to), { aspect: light.aspect, film }),
  )
  return { ...best, at: (scale) => once(light, `${key} ${scale}`, () => best.at(scale)) }
}

/** A crop that leaves so much of the picture can lose nothing. */
const MUCH_SHOWN = 0.7

/** What is named so has words in it, and is of no use in parts. */
const WORDED_THINGS = [
  ...['map', 'chart', 'diagram', 'graph', 'blueprint', 'timetable'],
  ...['manuscript', 'newspaper', 'document', 'poster'],
]
const WORDED = new RegExp(`\\b(?:(?:${WORDED_THINGS.join('|')})s?|handwriting)\\b`, 'i')

/** Whether a picture has words that must be read, by its title. */
export const isWorded = (title: string): boolean => WORDED.test(title)

/**
 * Whether filling the film with a picture would lose what it shows, so that it stands whole on a
 * ground instead.
 */
export function losesItsSubject(title: string, light: Light, film: number): boolean {
  const shares = shownShares(light.aspect, film)
  const shown = shares.across * shares.down
  if (shown >= MUCH_SHOWN) return false
  if (isWorded(title)) return true
  return once(light, `parted ${film}`, () => {
    // What goes across a clip can be followed: each moment is judged by itself.
    const parted = light.interest.filter((moment) => {
      const { across, down } = interestIn([moment])
      return isParted(across, shares.across) || isParted(down, shares.down)
    })
    return parted.length > light.interest.length / 2
  })
}

/** A view that shows less of what there is to see has lost its subject; by eye on 24 pictures. */
const LEAST_KEPT = 0.5
/** What is as much to see as this, of the most, beyond a gap of that, is a subject of its own. */
const OTHER = { least: 0.75, gap: 0.5 }

/** Whether a window leaves out half of what there is to see, or a second subject. */
function isParted(values: readonly number[], share: number): boolean {
  const { middle, kept } = bestWindow(values, share)
  if (kept < LEAST_KEPT) return true
  const most = Math.max(...values)
  const [from, to] = [middle - share / 2, middle + share / 2].map((at) =>
    Math.min(values.length - 1, Math.max(0, Math.round(at * values.length))),
  ) as [number, number]
  const hasOther = (outward: readonly number[]) => {
    let lowest = Infinity
    return outward.some((value) => {
      lowest = Math.min(lowest, value)
      return value >= OTHER.least * most && lowest <= OTHER.gap * value
    })
  }
  return hasOther(values.slice(to)) || hasOther(values.slice(0, from).reverse())
}
