import { SAMPLE_RATE } from '../../../time/time.ts'
import {
  BED_LEVELS_A_SECOND,
  type BedLevels,
  bedLoudness,
  type CurvePoint,
  musicCurve,
  onCurve,
  SPEECH_LUFS,
  type SpokenSpan,
} from '../mix.ts'
import type { SoundCue } from './sound-cue.ts'

/** Decibels a sound that goes on rises where nobody speaks. */
const RISE_DB = 6
const STEP = SAMPLE_RATE / BED_LEVELS_A_SECOND

/** What a cue's sound is from the cue's own beginning on, at its speed. */
function bedOf({ sound, from, speed }: SoundCue): BedLevels {
  const loopSamples = Math.max(1, Math.round(sound.loopSamples / speed))
  const count = Math.max(1, Math.round(loopSamples / STEP))
  const { levels, lufs } = sound
  const levelAt = (i: number) =>
    levels[Math.floor((from + i * STEP * speed) / STEP) % levels.length] ?? lufs
  return { loopSamples, lufs, levels: Array.from({ length: count }, (_, i) => levelAt(i)) }
}

/** Where somebody speaks, counted from a cue's beginning; what lies outside of it left out. */
const during = (spoken: readonly SpokenSpan[], { start, end }: SoundCue): SpokenSpan[] =>
  spoken
    .filter((span) => span.end > start && span.start < end)
    .map((span) => ({ ...span, start: span.start - start, end: span.end - start }))

/**
 * Gain of a cue over its own length, as `musicCurve` has it: what goes on steps aside where
 * somebody speaks, what is heard once stays where it is.
 *
 * @returns points counted from the cue's beginning
 */
export function cueCurve(cue: SoundCue, spoken: readonly SpokenSpan[]): CurvePoint[] {
  const { sound, below } = cue
  if (!sound.goesOn) return [{ at: 0, db: SPEECH_LUFS - below - sound.lufs, dip: 0 }]
  const length = cue.end - cue.start
  return musicCurve(length, during(spoken, cue), bedOf(cue), { below, rise: RISE_DB })
}

/** Loudness of a cue that goes on while somebody speaks, LUFS; −Infinity where it is not heard. */
export function cueLoudness(
  cue: SoundCue,
  curve: readonly CurvePoint[],
  { start, end }: Pick<SpokenSpan, 'start' | 'end'>,
): number {
  const from = Math.max(0, start - cue.start)
  const to = Math.min(cue.end, end) - cue.start
  if (to <= from || !cue.sound.goesOn) return -Infinity
  return onCurve(curve, from).db + bedLoudness(bedOf(cue), { start: from, end: to })
}
