import { spokenEnglish } from './spoken-english.ts'
import { spokenBy } from './spoken-form.ts'
import type { TracedText } from './traced-text.ts'

const ENGLISH = {
  inWords: (text: TracedText) => spokenEnglish(text, 'american'),
  pronunciations: [],
}

/**
 * What would be spoken, by the rules of English in whatever language: enough to estimate how long
 * it takes, and without the numbers of all languages, which a page would have to load.
 *
 * @returns empty where nothing is to be spoken
 * @example roughlySpoken('In 1822') // => 'In eighteen twenty-two'
 */
export const roughlySpoken = (written: string): string => spokenBy(written, ENGLISH).text
