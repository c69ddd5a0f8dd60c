import type { Lettering, SuperLook } from './lettering.ts'

/** Words of cards that say what a film is called, and goodbye. */
export const CARDS = { opening: '{title}', closing: 'Thank you for watching' }
/** Sizes are given in pixels of a picture 1,080 high. */
export const px = (size: number) => size / 1080

type Looks = Lettering['supers']

/** One look for all supers, with what each kind changes of it. */
export function looks(common: SuperLook, own: { [K in keyof Looks]: Partial<SuperLook> }): Looks {
  return {
    heading: { ...common, ...own.heading },
    words: { ...common, ...own.words },
    figures: { ...common, ...own.figures },
    quote: { ...common, ...own.quote },
    name: { ...common, ...own.name },
    key: { ...common, ...own.key },
    call: { ...common, ...own.call },
  }
}
