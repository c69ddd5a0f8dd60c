import type { Place } from '../../pictures/place.ts'
import type { SubtitleStyle } from '../../style/lettering.ts'
import { oneLine } from '../../text/one-line.ts'
import { clockParts } from '../../time/time.ts'
import { placed } from './cue-place.ts'
import type { Cue } from './cues.ts'

const two = (n: number) => String(n).padStart(2, '0')
const three = (n: number) => String(n).padStart(3, '0')

/**
 * A time as SubRip (comma) and WebVTT (point) write it.
 *
 * @example stamp(72_000, ',') // => '00:00:01,500'
 */
export function stamp(samples: number, mark: ',' | '.'): string {
  const { hours, minutes, seconds, milliseconds } = clockParts(samples)
  return `${two(hours)}:${two(minutes)}:${two(seconds)}${mark}${three(milliseconds)}`
}

/** SubRip: numbered cues, commas before the milliseconds, an empty line between. */
export function srt(cues: readonly Cue[]): string {
  return cues
    .map(
      (cue, i) =>
        `${i + 1}\n${stamp(cue.start, ',')} --> ${stamp(cue.end, ',')}\n${cue.lines.map(oneLine).join('\n')}\n`,
    )
    .join('\n')
}

const safe = (line: string) =>
  oneLine(line).replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;')

/**
 * A word in a WebVTT cue, after the time it begins at.
 *
 * @param start in samples; undefined for a word without a mark
 */
export const wordTag = (word: string, start: number | undefined): string =>
  (start === undefined ? '' : `<${stamp(start, '.')}>`) + safe(word)

/** Where a subtitle stands, as settings of a WebVTT cue; none at the middle of the foot. */
function vttPlace(place: Place): string {
  const { row, side } = placed(place)
  const line = { foot: '', middle: ' line:45%', head: ' line:6%' }[row]
  const aside = { left: ' position:6% align:start', centre: '', right: ' position:94% align:end' }
  return line + aside[side]
}

type VttStyle = Pick<SubtitleStyle, 'place'> & Partial<SubtitleStyle>
const PLAIN: VttStyle = { place: 'foot' }

/** Colours as a STYLE block of WebVTT (W3C, 3.4) gives them; none where the style says nothing. */
function vttStyle({ colour, ground, groundColour, strength = 1 }: VttStyle): string[] {
  if (!colour) return []
  const isBoxed = ground === 'lines' || ground === 'plate'
  const behind =
    isBoxed && groundColour ? `  background-color: ${groundColour}${hex(strength)};\n` : ''
  const edge =
    ground === 'edge' || ground === 'fitting' ? `  text-shadow: 0 0 3px ${groundColour};\n` : ''
  return [`STYLE\n::cue {\n  color: ${colour};\n${behind}${edge}}\n`]
}

/** Two digits of an alpha from 0 to 1. */
export const hex = (alpha: number): string =>
  Math.round(alpha * 255)
    .toString(16)
    .padStart(2, '0')

/**
 * WebVTT (W3C): `&`, `<` and `>` escaped as its grammar asks.
 *
 * @returns the head alone for no cues
 */
export function vtt(cues: readonly Cue[], style: VttStyle = PLAIN): string {
  const blocks = cues.map(
    ({ start, end, lines, at }) =>
      `${stamp(start, '.')} --> ${stamp(end, '.')}${vttPlace(at?.place ?? style.place)}\n${lines.map(safe).join('\n')}\n`,
  )
  return ['WEBVTT\n', ...vttStyle(style), ...blocks].join('\n')
}
