import { itemAt } from '../faults/certain.ts'
import type { Depiction } from '../pictures/depiction.ts'
import type { SearchWord } from '../words/search-words.ts'
import { timeOfDayIn } from './hours.ts'
import { thingsIn } from './picture-description.ts'
import { type SceneQuery, searchesOf } from './queries.ts'
import type { SceneToMatch } from './scene-to-match.ts'

/** What a depiction was read from. */
export const READ_FROM = ['direction', 'sentence', 'pronoun', 'around'] as const

export interface ReadDepiction extends Depiction {
  /**
   * The script's own direction, what the sentence names, what its pronoun stands for, or what
   * stands around a sentence that shows nothing of its own.
   */
  from: (typeof READ_FROM)[number]
}

/** A sentence that needs more than this from others shows hardly anything of its own. */
const NEEDY = 0.4

/**
 * What matching will look for, scene by scene, as a person can read and change it: the things a
 * sentence names, else what its pronoun stands for, else what stands around it.
 *
 * @param queries of the same scenes
 */
export const depictionsOf = (
  scenes: readonly SceneToMatch[],
  queries: readonly SceneQuery[],
): ReadDepiction[] =>
  scenes.map((scene, n) => {
    const query = itemAt(queries, n)
    const { see, from } = seenIn(scene, query)
    return {
      see,
      from,
      search: searchesOf(query)
        .filter((words) => words.length <= 60)
        .slice(0, 4),
      not: [...(scene.not ?? [])],
    }
  })

function seenIn(
  { text, picture, not = [] }: SceneToMatch,
  { words, standing, need }: SceneQuery,
): Pick<ReadDepiction, 'see' | 'from'> {
  if (picture || not.length) return { see: picture ?? '', from: 'direction' }
  const own = words.filter(({ written }) => written)
  const named = withDeed(text, own)
  const stands = standing.slice(0, 1).map(({ text: word }) => word)
  if (stands.length) return { see: [...stands, named].filter(Boolean).join(': '), from: 'pronoun' }
  if (need <= NEEDY && named) return { see: named, from: 'sentence' }
  const around = words.flatMap(({ written, text: word }) => (written ? [] : [word])).slice(0, 2)
  const all = [named, ...around.filter((word) => !named.includes(word))].filter(Boolean)
  return { see: all.join(', '), from: named && !around.length ? 'sentence' : 'around' }
}

/** The things a sentence names, with what is done and the hour it speaks of. */
function withDeed(text: string, words: readonly SearchWord[]): string {
  const things = thingsIn(text, words)
  const deed = words.find(({ names }) => names === 'action')
  const hour = timeOfDayIn(text)
  return [things, deed?.written, hour && !things.includes(hour) ? `at ${hour}` : undefined]
    .filter(Boolean)
    .join(', ')
}
