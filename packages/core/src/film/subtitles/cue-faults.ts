import { LEGIBLE } from '../../style/contrast.ts'
import type { SubtitleStyle } from '../../style/lettering.ts'
import { SAMPLE_RATE } from '../../time/time.ts'
import { type Cue, saidIn } from './cues.ts'
import type { SubtitleLimits } from './limits.ts'

/** What of a guideline a subtitle cannot keep, and by how much. */
export interface CueFault {
  kind: 'fast' | 'short' | 'long' | 'wide' | 'faint'
  /** A sentence with the way out. */
  said: string
}

/** How quickly a subtitle is to be read. */
export interface CuePace {
  seconds: number
  charactersPerSecond: number
  wordsPerMinute: number
}

export function cuePace({ lines, words = [], start, end }: Cue): CuePace {
  const seconds = (end - start) / SAMPLE_RATE
  return {
    seconds,
    charactersPerSecond: lines.join(' ').length / seconds,
    wordsPerMinute: (saidIn(words).length * 60) / seconds,
  }
}

const number = (value: number) => String(Math.round(value * 10) / 10)

/**
 * What of the guideline a subtitle does not keep.
 *
 * @returns `[]` where it keeps all
 */
export function cueFaults(
  cue: Cue,
  limits: SubtitleLimits,
  { ground }: Pick<SubtitleStyle, 'ground'>,
): CueFault[] {
  const { seconds, charactersPerSecond, wordsPerMinute } = cuePace(cue)
  const faults: CueFault[] = []
  const add = (kind: CueFault['kind'], said: string) => faults.push({ kind, said })
  const longest = Math.max(...cue.lines.map((line) => line.length))
  if (charactersPerSecond > limits.charactersPerSecond + 0.05)
    add(
      'fast',
      `${number(charactersPerSecond)} characters a second, ${number(limits.charactersPerSecond)} ` +
        'are allowed: speak slower, or show fewer words',
    )
  if (wordsPerMinute > limits.wordsPerMinute + 0.5)
    add(
      'fast',
      `${Math.round(wordsPerMinute)} words a minute, ${limits.wordsPerMinute} are allowed: ` +
        'speak slower, or show fewer words',
    )
  if (cue.end - cue.start < limits.shortest - 1)
    add(
      'short',
      `stands ${number(seconds)} s, ${number(limits.shortest / SAMPLE_RATE)} are asked for: ` +
        'leave a pause behind it, or join it to its neighbour',
    )
  if (cue.end - cue.start > limits.longest + 1)
    add(
      'long',
      `stands ${number(seconds)} s, at most ${number(limits.longest / SAMPLE_RATE)} are allowed: ` +
        'break it in two',
    )
  if (longest > limits.charactersPerLine)
    add(
      'wide',
      `a line of ${longest} characters, ${limits.charactersPerLine} are allowed: break it, or show ` +
        'fewer words',
    )
  const { contrast = LEGIBLE } = cue.legibility ?? {}
  if (contrast < LEGIBLE && ground !== 'shade' && ground !== 'fitting')
    add(
      'faint',
      `${number(contrast)} : 1 against its picture, ${LEGIBLE} : 1 is asked for (WCAG 2.2): set it on ` +
        'a shade where it needs one',
    )
  return faults
}
