import type { SubtitleStyle } from '../../style/lettering.ts'
import { SAMPLE_RATE } from '../../time/time.ts'
import type { Frame } from '../lettering/frame.ts'
import { textWidth } from '../lettering/measure.ts'
import { cased, subtitleType, subtitleWidest } from './cue-place.ts'

/** What every subtitle keeps to; times in samples. Sources in the comments. */
export interface SubtitleLimits {
  /** BBC: 37 on teletext; 42 is common practice. */
  charactersPerLine: number
  /** Room for a line, and what a text takes of it; in pixels. */
  widest: number
  width: (text: string) => number
  lines: number
  /** Seen at once, at most. */
  words: number
  /** Common practice: 5/6 s at least, 7 s at most. */
  shortest: number
  longest: number
  /** Common practice: 17 to 20 at most. */
  charactersPerSecond: number
  /** Common practice: a gap under half a second is closed, leaving two frames. */
  closedGap: number
  leftGap: number
}

const CHARACTERS = 42
const AT_ONCE = { cue: Infinity, line: Infinity, three: 3, one: 1 }

/** Limits for subtitles of a style on a film of this shape. */
export function subtitleLimits(
  style: SubtitleStyle,
  frame: Frame,
  framesPerSecond: number,
): SubtitleLimits {
  const type = subtitleType(style, frame)
  const words = AT_ONCE[style.words]
  // Single words follow the voice: they stand as long as it speaks them, without a gap.
  const isQuick = words < Infinity
  return {
    charactersPerLine: CHARACTERS,
    widest: subtitleWidest(style, frame),
    width: (text) => textWidth(cased(text, style), type),
    lines: style.words === 'cue' ? style.lines : 1,
    words,
    shortest: isQuick ? 0 : Math.ceil((SAMPLE_RATE * 5) / 6),
    longest: 7 * SAMPLE_RATE,
    charactersPerSecond: isQuick ? Infinity : 20,
    closedGap: SAMPLE_RATE / 2,
    leftGap: isQuick ? 0 : Math.round((2 * SAMPLE_RATE) / framesPerSecond),
  }
}
