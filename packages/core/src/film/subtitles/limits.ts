import { SAMPLE_RATE } from '../../time/time.ts'

/** What every subtitle keeps to; times in samples. Sources in the comments. */
export interface SubtitleLimits {
  /** BBC: 37 on teletext; 42 is common practice in 16:9. */
  charactersPerLine: number
  lines: number
  /** Common practice: 5/6 s at least, 7 s at most. */
  shortest: number
  longest: number
  /** Common practice: 17 to 20 at most. */
  charactersPerSecond: number
  /** Common practice: a gap under half a second is closed, leaving two frames. */
  closedGap: number
  leftGap: number
}

/**
 * Characters a line by the shape of the picture: 42 on a wide one (common practice), fewer where
 * letters of the same size leave room for fewer.
 */
const LINE_LENGTHS = [
  [1.5, 42],
  [0.9, 32],
] as const

/** Limits for a film of this shape: narrower pictures get shorter lines. */
export function subtitleLimits(
  width: number,
  height: number,
  framesPerSecond: number,
): SubtitleLimits {
  return {
    charactersPerLine: LINE_LENGTHS.find(([above]) => width / height > above)?.[1] ?? 24,
    lines: 2,
    shortest: Math.ceil((SAMPLE_RATE * 5) / 6),
    longest: 7 * SAMPLE_RATE,
    charactersPerSecond: 20,
    closedGap: SAMPLE_RATE / 2,
    leftGap: Math.round((2 * SAMPLE_RATE) / framesPerSecond),
  }
}
