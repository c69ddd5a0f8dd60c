import type { DrawnOffer } from '../../script/drawn-offers.ts'
import { placeNames, wayNamed } from '../../script/place-names.ts'
import { type Atlas, placesCalled } from './atlas.ts'

/**
 * Maps of what a sentence names: of a way where both its ends are known, else of its first place.
 *
 * @param about the film's own words
 * @returns one at most; `[]` where no name is a place's
 */
export function mapOffers(atlas: Atlas, sentence: string, about: string): DrawnOffer[] {
  const known = (name: string) => knownPart(atlas, name, about)
  const offer = (text: string, worth: number): DrawnOffer[] => [
    { form: 'map', text, like: 'map', worth },
  ]
  const ends = wayNamed(sentence)?.map(known) ?? []
  if (ends[0] && ends[1] && ends[0] !== ends[1]) return offer(`${ends[0]} to ${ends[1]}`, 0.8)
  for (const name of placeNames(sentence)) {
    const place = known(name)
    if (place) return offer(place, 0.6)
  }
  return []
}

/** As many of a name's words, from the first on, as are a place: of "Bremen Harbour" the first. */
function knownPart(atlas: Atlas, name: string, about: string): string | undefined {
  const words = name.split(' ')
  for (let count = words.length; count > 0; count--) {
    const part = words.slice(0, count).join(' ')
    if (placesCalled(atlas, part, about).some(({ isSmall }) => !isSmall)) return part
  }
  return undefined
}
