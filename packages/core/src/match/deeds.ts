import { verbLemma } from '../words/lemma.ts'
import { STOP_WORDS } from '../words/stop.ts'
import type { SceneQuery } from './queries.ts'

/**
 * What is done in a picture, by its words: "Sharpening a knife" by who sharpens one.
 *
 * @returns verbs as they are looked up
 */
export const deedsIn = (text: string): Set<string> =>
  new Set(
    (text.toLowerCase().match(/\p{L}{3,}(?:ing|ed)\b/gu) ?? []).flatMap((word) => {
      const deed = verbLemma(word)
      return deed === word || STOP_WORDS.has(deed) ? [] : [deed]
    }),
  )

/** What a sentence says is done, and with what: neither is a deed without the other. */
export interface Deed {
  does: ReadonlySet<string>
  things: ReadonlySet<string>
}

export function deedOf({ words }: Pick<SceneQuery, 'words'>): Deed {
  const named = (names: (typeof words)[number]['names']) =>
    new Set(words.flatMap((word) => (word.names === names && word.written ? [word.text] : [])))
  return { does: named('action'), things: named('thing') }
}

/** True where an item shows somebody, or something, at what a sentence says. */
export function isDone(
  { does, things }: Deed,
  deeds: ReadonlySet<string>,
  words: ReadonlyMap<string, number>,
): boolean {
  // Asked of every item for every scene: most have nothing done in them.
  if (deeds.size === 0 || does.size === 0) return false
  for (const deed of deeds) if (does.has(deed)) return [...things].some((thing) => words.has(thing))
  return false
}
