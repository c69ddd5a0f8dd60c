import type { KnownSound } from '../film/sound/effects/known-sound.ts'
import { lemma } from '../words/lemma.ts'
import { STOP_WORDS } from '../words/stop.ts'
import { addTo, dot, unit, type Vector } from '../words/vectors.ts'

/** A sound that fits, how well, and by what. */
export interface FoundSound<Sound> {
  sound: Sound
  /** 1 where all that is asked for stands in its title. */
  score: number
  why: string
}

/** A word in a title says more than one beside it. */
const BESIDE = 0.5
/** A title that says nothing else is preferred by so much. */
const WHOLE_TITLE = 0.3
/** How much likeness of meaning counts, and from where on. */
const MEANING = { weight: 0.5, from: 0.4 }
/** Below, nothing fits: by words, and by meaning alone. */
const LEAST_SCORE = 0.3
const LEAST_MEANING = 0.62

const termsOf = (text: string): string[] =>
  (text.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? [])
    .filter((word) => !STOP_WORDS.has(word))
    .map(lemma)

/** Where the words of a text point together; undefined where none is known. */
function meaningOf(
  terms: readonly string[],
  vector: (word: string) => Vector | undefined,
): Vector | undefined {
  const known = terms.map(vector).filter((one) => one !== undefined)
  const [first] = known
  if (!first) return undefined
  const sum = new Float32Array(first.length)
  for (const one of known) addTo(sum, one, 1)
  return unit(sum)
}

/**
 * Sounds that fit words, the best first; of two alike the earlier one.
 *
 * @param vector where a word points by its meaning; without it words alone are gone by
 * @returns `[]` where nothing fits
 */
export function findSounds<Sound extends Pick<KnownSound, 'title' | 'words'>>(
  words: string,
  sounds: readonly Sound[],
  vector?: (word: string) => Vector | undefined,
): FoundSound<Sound>[] {
  const asked = [...new Set(termsOf(words))]
  if (!asked.length) return []
  const index = sounds.map((sound) => ({
    sound,
    title: new Set(termsOf(sound.title)),
    beside: new Set(termsOf(sound.words)),
  }))
  const rare = rarity(index)
  const all = asked.reduce((sum, term) => sum + rare(term), 0)
  const meant = vector && meaningOf(asked, vector)
  const likeness = (terms: readonly string[]) => {
    const own = meant && meaningOf(terms, vector)
    return own ? dot(meant, own) : 0
  }
  return index
    .flatMap(({ sound, title, beside }): FoundSound<Sound>[] => {
      const inTitle = asked.filter((term) => title.has(term))
      const inWords = asked.filter((term) => !title.has(term) && beside.has(term))
      const weigh = (terms: readonly string[]) => terms.reduce((sum, term) => sum + rare(term), 0)
      const said = (weigh(inTitle) + BESIDE * weigh(inWords)) / all
      const alike = likeness([...title, ...beside])
      if (said < LEAST_SCORE && alike < LEAST_MEANING) return []
      const whole = title.size ? inTitle.length / title.size : 0
      const meaning = MEANING.weight * Math.max(0, alike - MEANING.from)
      const score = said + WHOLE_TITLE * whole + meaning
      return [{ sound, score, why: reason(inTitle, inWords) }]
    })
    .sort((a, b) => b.score - a.score)
}

/** So many of a sound's words must be there, where the whole of its title is not. */
const BESIDE_LEAST = 2

/**
 * Sounds that a text (what a scene says, what its pictures show) speaks of: all of its title stands
 * in it, or several of the words it is known for. The likeliest first.
 *
 * @returns `[]` where it speaks of nothing that is heard
 */
export function offeredSounds<Sound extends Pick<KnownSound, 'title' | 'words'>>(
  text: string,
  sounds: readonly Sound[],
): FoundSound<Sound>[] {
  const said = new Set(termsOf(text))
  return sounds
    .flatMap((sound): FoundSound<Sound>[] => {
      const title = [...new Set(termsOf(sound.title))]
      const beside = termsOf(sound.words).filter((term) => !title.includes(term))
      const inWords = [...new Set(beside)].filter((term) => said.has(term))
      const inTitle = title.filter((term) => said.has(term))
      const isTitle = title.length > 0 && inTitle.length === title.length
      if (!isTitle && inTitle.length + inWords.length < BESIDE_LEAST) return []
      const score = (isTitle ? 1 : 0) + inTitle.length + BESIDE * inWords.length
      return [{ sound, score, why: reason(inTitle, inWords) }]
    })
    .sort((a, b) => b.score - a.score)
}

/** How much a word tells apart: one that many sounds have says little. */
function rarity(index: readonly { title: Set<string>; beside: Set<string> }[]) {
  const counts = new Map<string, number>()
  for (const { title, beside } of index)
    for (const term of new Set([...title, ...beside])) counts.set(term, (counts.get(term) ?? 0) + 1)
  return (term: string) => Math.log(1 + (index.length + 1) / ((counts.get(term) ?? 0) + 0.5))
}

function reason(inTitle: readonly string[], inWords: readonly string[]): string {
  if (inTitle.length) return `its title says ${inTitle.join(', ')}`
  if (inWords.length) return `is known for ${inWords.join(', ')}`
  return 'means much the same'
}

/** What words name: of what has all of them in its title or beside it, the one with the least else. */
export function namedIn<Named extends Pick<KnownSound, 'title' | 'words'>>(
  words: string,
  among: readonly Named[],
): Named | undefined {
  const asked = [...new Set(termsOf(words))]
  if (!asked.length) return undefined
  const fits = among.flatMap((one) => {
    const title = new Set(termsOf(one.title))
    const own = new Set([...title, ...termsOf(one.words)])
    return asked.every((term) => own.has(term)) ? [{ one, more: title.size }] : []
  })
  return fits.sort((a, b) => a.more - b.more)[0]?.one
}
