import { z } from 'zod'

/** Words without square brackets, on one line: they may stand in a direction of a script. */
const words = (most: number) =>
  z
    .string()
    .trim()
    .min(1)
    .max(most)
    .regex(/^[^[\]\n\r]*$/, 'words on one line, without square brackets')

/** What is to be seen while a scene is spoken. */
export const Depiction = z.object({
  /** In about ten words: what, doing what, where, when. */
  see: words(200),
  /** Words that such pictures are looked for by, one thing each. */
  search: z.array(words(60)).max(6),
  /** What it must not be mistaken for. */
  not: z.array(words(60)).max(6),
})
export type Depiction = z.infer<typeof Depiction>

const NOT = /[,;]\s*(?:not|no|without)\s+(?:(?:an?|the|any)\s+)?/i

/**
 * A depiction as it stands in a direction.
 *
 * @example depictionText({ see: 'the lamp of a lighthouse', not: ['street lamp'] })
 * // => 'the lamp of a lighthouse, not street lamp'
 */
export const depictionText = ({ see, not }: Pick<Depiction, 'see' | 'not'>): string =>
  [see, ...not.map((other) => `not ${other}`)].join(', ')

/**
 * What a direction asks for and what it will not have.
 *
 * @example readDepiction('a crane by the river, not a bird') // => { see: 'a crane by the river', not: ['bird'] }
 */
export function readDepiction(text: string): Pick<Depiction, 'see' | 'not'> {
  const [see = '', ...not] = text.split(NOT).map((part) => part.replace(/^[\s,;]+|[\s,;]+$/g, ''))
  return { see, not: not.filter(Boolean) }
}
