import { itemAt } from '../faults/certain.ts'
import type { ChosenItem } from '../pictures/item.ts'
import { sameLook } from '../pictures/look.ts'
import { SCENES_APART } from './scenes-apart.ts'
import { seriesOf } from './series.ts'

/** A picture of the film, in order. */
export interface Shown {
  scene: number
  item: Pick<ChosenItem, 'id' | 'title'> | null
}

export interface AlikePair {
  /** Places in the list, the earlier first. */
  a: number
  b: number
  /** `same` for one picture twice, `alike` for two of one series, or that look the same. */
  kind: 'same' | 'alike'
}

/** So many scenes later the same picture, or one like it, is no longer felt as a repetition. */
const FAR = { same: SCENES_APART, alike: 6 }

/**
 * Pictures of a film that are the same or look it, each joined to the nearest later one.
 *
 * @param hashOf perceptual hash of a picture that somebody has looked at
 * @returns pairs in order of their first picture
 */
export function alikePictures(
  shown: readonly Shown[],
  hashOf: (id: string) => string | undefined = () => undefined,
): AlikePair[] {
  const series = shown.map(({ item }) => (item ? seriesOf(item.title) : ''))
  return shown.flatMap(({ scene, item }, a): AlikePair[] => {
    if (!item) return []
    for (let b = a + 1; b < shown.length && itemAt(shown, b).scene - scene <= FAR.same; b++) {
      const other = itemAt(shown, b).item
      if (!other) continue
      if (other.id === item.id) return [{ a, b, kind: 'same' }]
      const [one, another] = [hashOf(item.id), hashOf(other.id)]
      const lookAlike = one !== undefined && another !== undefined && sameLook(one, another)
      if (
        itemAt(shown, b).scene - scene <= FAR.alike &&
        (lookAlike || (series[a] && series[a] === series[b]))
      )
        return [{ a, b, kind: 'alike' }]
    }
    return []
  })
}
