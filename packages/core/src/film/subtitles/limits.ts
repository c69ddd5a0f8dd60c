import type { SubtitleStyle } from '../../style/lettering.ts'
import { SAMPLE_RATE } from '../../time/time.ts'
import type { Frame } from '../lettering/frame.ts'
import { textWidth } from '../lettering/measure.ts'
import { cased, subtitleType, subtitleWidest } from './cue-place.ts'
import type { Guideline } from './guidelines.ts'

/** What every subtitle keeps to; times in samples. */
export interface SubtitleLimits {
  charactersPerLine: number
  /** Room for a line, and what a text takes of it; in pixels. */
  widest: number
  width: (text: string) => number
  lines: number
  /** Seen at once, at most. */
  words: number
  shortest: number
  longest: number
  charactersPerSecond: number
  wordsPerMinute: number
  closedGap: number
  /** Common practice: two frames stay between two. */
  leftGap: number
}

const AT_ONCE = { cue: Infinity, line: Infinity, three: 3, one: 1 }

/** Limits for subtitles of a style on a film of this shape, by a guideline. */
export function subtitleLimits(
  style: SubtitleStyle,
  frame: Frame,
  framesPerSecond: number,
  guideline: Guideline,
): SubtitleLimits {
  const type = subtitleType(style, frame)
  const words = AT_ONCE[style.words]
  // Single words follow the voice: they stand as long as it speaks them, without a gap.
  const isQuick = words < Infinity
  return {
    charactersPerLine: guideline.charactersPerLine,
    widest: subtitleWidest(style, frame),
    width: (text) => textWidth(cased(text, style), type),
    lines: style.words === 'cue' ? style.lines : 1,
    words,
    shortest: isQuick ? 0 : Math.ceil(SAMPLE_RATE * guideline.shortest),
    longest: guideline.longest * SAMPLE_RATE,
    charactersPerSecond: isQuick ? Infinity : guideline.charactersPerSecond,
    wordsPerMinute: isQuick ? Infinity : guideline.wordsPerMinute,
    closedGap: SAMPLE_RATE * guideline.closedGap,
    leftGap: isQuick ? 0 : Math.round((2 * SAMPLE_RATE) / framesPerSecond),
  }
}
