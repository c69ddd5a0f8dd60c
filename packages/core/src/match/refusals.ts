import type { Refusal } from '../document/document.ts'
import type { Item } from '../pictures/item.ts'
import { showsPeople } from '../pictures/people.ts'
import type { SearchWord } from '../words/search-words.ts'
import type { PictureIndex } from './picture-index.ts'

/**
 * What a picture keeps of its score beside one that was turned down: alike, of the same hand, with
 * people in it.
 */
const KEEPS = { alike: 0.3, sameHand: 0.6, people: 0.25 }
/** Likeness, 0 to 1, from which a picture is turned down together with the one refused; by hand. */
const ALIKE = 0.5

/** A picture that was turned down for what it shows speaks against those that show the same. */
const SHOWN = new Set<Refusal['reason']>(['sense', 'place'])
/** One that was turned down for how it looks speaks against those of the same hand. */
const LOOKED = new Set<Refusal['reason']>(['ugly', 'style'])

/** What a scene says, as far as it decides which refusals concern it. */
export interface SaidByScene {
  text: string
  /** Words it names itself. */
  words: readonly string[]
}

/** What of a scene's words it names itself; the others were borrowed. */
export const saidBy = (
  text: string,
  words: readonly Pick<SearchWord, 'text' | 'written'>[],
): SaidByScene => ({ text, words: words.flatMap((word) => (word.written ? [word.text] : [])) })

/**
 * True where a refusal keeps its picture away: everywhere when it is for how it looks, else where
 * the same is said.
 *
 * @returns true, whatever the scene says, where the reason is not what the picture shows
 */
export const concerns = ({ reason, sentence, words }: Refusal, scene: SaidByScene) =>
  !SHOWN.has(reason) || sentence === scene.text || words.some((word) => scene.words.includes(word))

/**
 * What every item keeps of its score in a scene after what a person turned down in this film: 0 for
 * the pictures themselves, 1 for those nothing speaks against.
 */
export function keptAfterRefusals(
  index: PictureIndex,
  refusals: readonly Refusal[],
  alike: (a: number, b: number) => number,
): (scene: SaidByScene) => Float32Array {
  const places = new Map(index.items.map(({ id }, i) => [id, i]))
  return (scene) => {
    const kept = new Float32Array(index.items.length).fill(1)
    const here = refusals.filter((refusal) => concerns(refusal, scene))
    if (!here.length) return kept
    const noPeople = here.some(({ reason }) => reason === 'people')
    for (const [i, item] of index.items.entries()) {
      for (const { item: refused, reason } of here) {
        const place = places.get(refused.id)
        if (place === i) kept[i] = 0
        else if (SHOWN.has(reason) && place !== undefined && alike(i, place) > ALIKE)
          kept[i]! *= KEEPS.alike
        else if (LOOKED.has(reason) && sameHand(item, refused)) kept[i]! *= KEEPS.sameHand
      }
      if (noPeople && showsPeople(item)) kept[i]! *= KEEPS.people
    }
    return kept
  }
}

const sameHand = (a: Pick<Item, 'author' | 'source'>, b: Pick<Item, 'author' | 'source'>) =>
  a.author !== '' && a.author === b.author && a.source === b.source
