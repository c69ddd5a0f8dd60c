import { itemAt } from '../faults/certain.ts'
import { type Choice, chooseForFilm, type Pace, type ShotSlot } from './choose.ts'

/**
 * How far stills may be favoured over clips, as the logarithm of a factor, and how often the search
 * for it halves the way.
 */
const FURTHEST = 3
/** Steps of halving: seven reach a hundredth of the range. */
const HALVINGS = 7
/** A share this near to the wished one is it. */
const NEAR = 0.03

/**
 * Chooses a picture for every place of a film with as many stills among them as are wished, as far
 * as there are any to choose from: one kind is favoured over the other just so much that the shares
 * come out.
 *
 * @param still  whether an item is a still
 * @param wished share of stills, 0 to 1; null leaves it to what fits
 * @returns as `chooseForFilm`
 */
export function chooseWithMix(
  places: readonly ShotSlot[],
  alike: (a: number, b: number) => number,
  still: (i: number) => boolean,
  wished: number | null,
  pace?: Pace,
): Choice[] {
  const plain = chooseForFilm(places, alike, pace)
  if (wished === null) return plain
  const off = (chosen: readonly Choice[]) => {
    const shown = places.flatMap(({ kept }, k) => {
      const { i } = itemAt(chosen, k)
      return kept ?? (i < 0 ? [] : [i])
    })
    return shown.filter(still).length / Math.max(1, shown.length) - wished
  }
  const leaning = (lean: number) =>
    chooseForFilm(
      places.map((place) => ({
        ...place,
        options: place.options.map(({ i, score }) => ({
          i,
          score: score * Math.exp(still(i) ? lean : -lean),
        })),
      })),
      alike,
      pace,
    )
  let best = plain
  let [least, most] = [-FURTHEST, FURTHEST]
  for (
    let n = 0, lean = off(plain) > 0 ? least / 2 : most / 2;
    n < HALVINGS && Math.abs(off(best)) > NEAR;
    n++, lean = (least + most) / 2
  ) {
    const chosen = leaning(lean)
    if (Math.abs(off(chosen)) < Math.abs(off(best))) best = chosen
    if (off(chosen) > 0) most = lean
    else least = lean
  }
  return best
}
