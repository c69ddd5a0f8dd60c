import { lookedUp, type PictureIndex } from './picture-index.ts'

/** What a picture keeps of its score that shows what a direction will not have. */
const KEEPS = 0.1

/**
 * Takes from the items that show what a scene's direction will not have.
 *
 * @param kept by place in the index, what each keeps of its score; changed in place
 * @param not  things, each of one word or several, all of which an item must have to be meant
 */
export function withoutUnwanted(
  { weights }: Pick<PictureIndex, 'weights'>,
  not: readonly string[],
  kept: Float32Array,
): Float32Array {
  const things = not.map((thing) => lookedUp(thing).filter((word) => !word.includes(' ')))
  for (const words of things.filter(({ length }) => length > 0))
    weights.forEach((has, i) => {
      if (words.every((word) => has.has(word))) kept[i]! *= KEEPS
    })
  return kept
}
