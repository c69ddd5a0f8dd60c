import {
  eastAsianFamily,
  type FaceId,
  familyOf,
  PLAIN_FACE,
  SCRIPT_FACES,
} from '../../style/faces.ts'
import { plainLines } from '../../text/one-line.ts'
import { clockParts } from '../../time/time.ts'
import { runsOf } from './measure.ts'

const two = (n: number) => String(n).padStart(2, '0')

/**
 * `H:MM:SS.cc`, hundredths, as ASS wants it.
 *
 * @param samples from the film's start, rounded to hundredths of a second
 */
export function assTime(samples: number): string {
  const { hours, minutes, seconds, milliseconds } = clockParts(Math.max(0, samples))
  return `${hours}:${two(minutes)}:${two(seconds)}.${two(Math.min(99, Math.round(milliseconds / 10)))}`
}

/**
 * Text that libass shows as it stands: no override block can come from a script; a line break stays
 * one.
 *
 * @returns one line: its breaks as ASS writes them, braces made harmless
 */
export const assText = (text: string) =>
  plainLines(text)
    .replace(/\\/g, '\u29f5')
    .replace(/\{/g, '\u2774')
    .replace(/\}/g, '\u2775')
    .replace(/\n/g, '\\N')

/** The same in a face, with letters it does not have from one that does; empty for no text. */
export const assRuns = (text: string, face: FaceId): string =>
  runsOf(text, face)
    .map((run) => {
      const written = assText(run.text)
      const own = `\\fn${familyOf(face)}`
      if (!run.script) return written
      if (run.script === 'Plain') return `{\\fn${familyOf(PLAIN_FACE)}}${written}{${own}}`
      if (run.script !== 'EastAsian')
        return `{\\fn${SCRIPT_FACES[run.script].family}}${written}{${own}}`
      // Bold: beside the other faces its lines are thin.
      return `{\\fn${eastAsianFamily(text)}\\b1}${written}{${own}\\b0}`
    })
    .join('')

/** Blue, green, red, as ASS has them. @example assColour('#ff8000') // => '&H0080FF&' */
export const assColour = (colour: string): string =>
  `&H${(colour.slice(5, 7) + colour.slice(3, 5) + colour.slice(1, 3)).toUpperCase()}&`

/**
 * The same with how little of it is seen, as styles have it.
 *
 * @param opacity 0 to 1
 */
export const styleColour = (colour: string, opacity = 1): string =>
  `&H${hidden(opacity)}${assColour(colour).slice(2, -1)}`

const hidden = (opacity: number) =>
  Math.round((1 - opacity) * 255)
    .toString(16)
    .padStart(2, '0')
    .toUpperCase()

/**
 * How little is seen, as overrides have it.
 *
 * @param opacity 0 to 1
 */
export const assAlpha = (opacity: number): string => `&H${hidden(opacity)}&`

/** True where a text is read from right to left; not for an empty one. */
export const isRightToLeft = (text: string): boolean =>
  /[\p{Script=Arabic}\p{Script=Hebrew}]/u.test(/\p{L}/u.exec(text)?.[0] ?? '')
