import type { SearchWord } from '../words/search-words.ts'
import { HOURS, timeOfDayIn } from './hours.ts'

/** A scene as somebody who is to paint it should know it. */
export interface SceneToPaint {
  text: string
  /** Of a `[picture: …]` direction: it is taken as it stands. */
  picture?: string
  /** What it can show, heaviest first, its own words before those it borrowed. */
  words: readonly SearchWord[]
}

/** Things named in a description; makers of pictures lose further ones (common practice). */
const THINGS = 3

/**
 * What is to be seen in a made picture of a scene: the things its sentence names, in its order, at
 * the hour it speaks of; where it names none, what stands around it. What the film is about follows
 * as a sentence of its own.
 *
 * @example
 * pictureDescription({ text: 'At night the lens turns the flame.', words: [lens, flame] }, title)
 * // => 'Lens and flame, at night. From a film about how a lighthouse works.'
 */
export function pictureDescription(
  { text, picture, words }: SceneToPaint,
  title: string,
  chapter?: string,
): string {
  const film = `From a film about ${lowered(title)}${chapter && chapter !== title ? `: ${lowered(chapter)}` : ''}.`
  const seen = picture?.trim() || thingsIn(text, words)
  const hour = picture ? undefined : timeOfDayIn(text)
  if (!seen) return film
  const sight = seen.charAt(0).toUpperCase() + seen.slice(1).replace(/[.!?]+$/, '')
  return `${sight}${hour ? `, at ${hour}` : ''}. ${film}`
}

/**
 * The heaviest things a sentence names, in its order; of those it borrowed where it names none.
 *
 * @returns words for a person: "lens, flame and keeper"; empty for none
 */
export function thingsIn(text: string, words: readonly SearchWord[]): string {
  const things = words.filter(
    ({ names, weight, text: word }) =>
      (names === 'thing' || names === 'phrase') && weight > 0.05 && !HOURS.has(word),
  )
  const own = things.filter(({ written }) => written)
  const chosen: SearchWord[] = []
  for (const word of own.length ? own : things) {
    // A phrase says all that its words say.
    if (
      chosen.length < THINGS &&
      !chosen.some((other) => other.text.includes(word.text) || word.text.includes(other.text))
    )
      chosen.push(word)
  }
  const at = ({ written }: SearchWord) => (written ? text.indexOf(written) : text.length)
  return listed(
    chosen.sort((a, b) => at(a) - at(b)).map(({ text: word, written }) => written || word),
  )
}

const listed = (words: readonly string[]) =>
  words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`
const lowered = (text: string) =>
  (/^\p{Lu}\p{Ll}/u.test(text) ? text.charAt(0).toLowerCase() + text.slice(1) : text).replace(
    /[.!?]+$/,
    '',
  )
