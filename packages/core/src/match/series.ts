import { STOP_WORDS } from '../words/stop.ts'
import { HOURS } from './hours.ts'

/** Words that tell one picture of a series from the next. */
const COUNTED = new Set(['view', 'version', 'variant', 'take', 'part', 'no', 'first', 'second'])

/**
 * The series a picture is of, by its title: two that are called the same but for a number, an hour
 * of the day or "second view".
 *
 * @returns empty for a title that names nothing
 */
export const seriesOf = (title: string): string =>
  (title.toLowerCase().match(/\p{L}+/gu) ?? [])
    .filter((word) => !HOURS.has(word) && !COUNTED.has(word) && !STOP_WORDS.has(word))
    .sort()
    .join(' ')
