import { narrationOnly } from '../script/narration.ts'
import type { ParsedScript } from '../script/parse.ts'

/** A word of the narration where it stands in the script. */
export interface ScriptWord {
  text: string
  from: number
  to: number
  /** Index of its scene. */
  scene: number
  /** First word of a scene. */
  opens: boolean
}

/** Addresses are for links, not for dictionaries. */
const ADDRESS = /\b(?:https?:\/\/|www\.)\S+/gi
const WORD = /[\p{L}\p{N}][\p{L}\p{N}'’.,-]*[\p{L}\p{N}]|[\p{L}\p{N}]/gu

/**
 * Every word that is spoken, in order; directions, labels and headings left out.
 *
 * @returns in the order they are spoken; `[]` for a script with nothing to speak
 */
export const scriptWords = (script: string, parsed: Pick<ParsedScript, 'scenes'>): ScriptWord[] =>
  wordsIn(narrationOnly(script, parsed), parsed)

/**
 * The same of a script whose unspoken parts are blanked already.
 *
 * @param narration as `narrationOnly` gives it
 * @returns in the order they are spoken; `[]` for none
 */
export function wordsIn(narration: string, { scenes }: Pick<ParsedScript, 'scenes'>): ScriptWord[] {
  return scenes.flatMap(({ source }, scene) => {
    const text = narration
      .slice(source.from, source.to)
      .replace(ADDRESS, (address) => ' '.repeat(address.length))
    return [...text.matchAll(WORD)].map((found, i) => ({
      text: found[0],
      from: source.from + found.index,
      to: source.from + found.index + found[0].length,
      scene,
      opens: i === 0,
    }))
  })
}
